import type { ManyAct } from './act';
import { ROLE, SWAP } from './artwork';
import { ACCEPT, MEND } from './findings';
import { ARRANGE, DISTANCE, FIT, GROUND } from './place';
import { COLOUR, HOUSE, NEWEST, SIZES, VERSION_NAME } from './product';
import { FONT, INK, STYLE, WORDS } from './words';

/** Every act, in the groups and the order that they are offered in. */
export const ACT_GROUPS = [
  ['fit', 'mend', 'accept'],
  ['swap', 'role', 'ground', 'words', 'font', 'ink', 'style'],
  ['arrange', 'distance'],
  ['colour', 'sizes', 'version', 'newest', 'house'],
] as const;
export type ActId = (typeof ACT_GROUPS)[number][number];

export const ACTS: Record<ActId, ManyAct> = {
  fit: FIT,
  mend: MEND,
  accept: ACCEPT,
  swap: SWAP,
  role: ROLE,
  ground: GROUND,
  words: WORDS,
  font: FONT,
  ink: INK,
  style: STYLE,
  arrange: ARRANGE,
  distance: DISTANCE,
  colour: COLOUR,
  sizes: SIZES,
  version: VERSION_NAME,
  newest: NEWEST,
  house: HOUSE,
};

export function isActId(id: string): id is ActId {
  return id in ACTS;
}
