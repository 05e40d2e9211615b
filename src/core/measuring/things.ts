/** How a way round was read: with a tape (or a strip of paper laid on a ruler), or straight across. */
export type RoundMode = 'round' | 'across';

/** One measurement that is asked for. */
export interface Step {
  id: string;
  /** What to measure, as it is asked. */
  ask: string;
  /** Where the tape goes, and how. */
  how: string;
  example: string;
  /** May be left empty; the thing is then taken not to have it. */
  optional?: boolean;
  /** A way round, which can be read round or across, and by two readings that are compared. */
  round?: boolean;
}

export type ThingId = 'straight' | 'narrowing' | 'flat' | 'frame';

/** Something that can be measured, and its measurements in the order they are taken. */
export interface Thing {
  id: ThingId;
  name: string;
  what: string;
  methodId: string;
  specId: string;
  steps: readonly Step[];
}

const HANDLE: Step = {
  id: 'handle',
  ask: 'Handle, gap to keep clear',
  how: 'Across the handle’s roots, with room for the press on both sides. Leave it empty where there is no handle.',
  example: '1 in',
  optional: true,
};
const LIP: Step = {
  id: 'lip',
  ask: 'Lip left out',
  how: 'From the rim down to where printing may start.',
  example: '3 mm',
  optional: true,
};
const FOOT: Step = {
  id: 'foot',
  ask: 'Foot left out',
  how: 'From where the print ends down to the table: a groove or a foot does not print.',
  example: '5 mm',
  optional: true,
};
const OVERLAP: Step = {
  id: 'overlap',
  ask: 'Overlap at the seam',
  how: 'How far the print’s end lies over its start. Leave it empty where the ends meet.',
  example: '4 mm',
  optional: true,
};

export const THINGS: readonly Thing[] = [
  {
    id: 'narrowing',
    name: 'Cup that narrows',
    what: 'tumblers, cone mugs, stemless cups: wider at one end',
    methodId: 'sublimation',
    specId: 'harl-kiln-mug',
    steps: [
      {
        id: 'top',
        ask: 'Round the top of the print',
        how: 'Lay the tape where the print starts, not on the lip.',
        example: '9 5/8 in + 4 mm',
        round: true,
      },
      {
        id: 'bottom',
        ask: 'Round the bottom of the print',
        how: 'Lay the tape where the print ends, above the foot and its groove.',
        example: '7 7/8 in',
        round: true,
      },
      {
        id: 'slant',
        ask: 'Along the wall, top to bottom',
        how: 'From one tape line to the other, along the slope.',
        example: '118 mm',
      },
      HANDLE,
      LIP,
      FOOT,
      OVERLAP,
    ],
  },
  {
    id: 'straight',
    name: 'Straight mug or tumbler',
    what: 'the same all the way down',
    methodId: 'sublimation',
    specId: 'harl-kiln-mug',
    steps: [
      {
        id: 'top',
        ask: 'Round the thing',
        how: 'Lay the tape once round, level. A strip of paper marked where it meets and laid on a ruler does as well.',
        example: '9 3/4 in',
        round: true,
      },
      {
        id: 'slant',
        ask: 'Printable height',
        how: 'Only what prints: without the lip above and the foot or groove below.',
        example: '92 mm',
      },
      HANDLE,
      LIP,
      FOOT,
      OVERLAP,
      {
        id: 'wrap',
        ask: 'Width of the wrap you use now',
        how: 'If you have a wrap already: its width is held against the free wall.',
        example: '220 mm',
        optional: true,
      },
    ],
  },
  {
    id: 'flat',
    name: 'Flat thing',
    what: 'cards, coasters, plates, posters, banners',
    methodId: 'sublimation',
    specId: 'harl-kiln-plate',
    steps: [
      { id: 'width', ask: 'Width', how: 'Edge to edge, lying as it will be read.', example: '96 mm' },
      { id: 'height', ask: 'Height', how: 'Edge to edge.', example: '3 3/4 in' },
      {
        id: 'corner',
        ask: 'Corner radius',
        how: 'Lay coins in the corner until one fits: half its width is the radius. Empty for sharp corners.',
        example: '8 mm',
        optional: true,
      },
    ],
  },
  {
    id: 'frame',
    name: 'Stretched over a frame',
    what: 'gallery prints: the picture goes on round the edge',
    methodId: 'large-format',
    specId: 'broadwater-wall',
    steps: [
      {
        id: 'width',
        ask: 'Width of the front',
        how: 'Edge to edge, seen from the front.',
        example: '400 mm',
      },
      {
        id: 'height',
        ask: 'Height of the front',
        how: 'Edge to edge, seen from the front.',
        example: '300 mm',
      },
      {
        id: 'depth',
        ask: 'Depth of the edge',
        how: 'From the front to where the print ends at the back.',
        example: '1 1/2 in',
      },
    ],
  },
];
