/** Every artwork of the demo by its key, which is its file's name without the ending. */
export const DEMO_FILES = {
  'harbour-panorama': 'png',
  lighthouse: 'png',
  'knot-badge': 'png',
  'compass-rose': 'png',
  'keep-the-light': 'png',
  'wave-repeat': 'png',
  'night-sky': 'png',
  storm: 'jpg',
  'harbour-card': 'jpg',
  'old-flyer': 'jpg',
  crab: 'png',
  starfish: 'png',
  limpet: 'png',
  anemone: 'png',
  whelk: 'png',
  kelp: 'png',
  'tide-pool-sheet': 'png',
} as const;
export type DemoKey = keyof typeof DEMO_FILES;
