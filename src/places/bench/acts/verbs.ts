import type { Edge } from '@/core/fit/arrange';
import { mirrorChosen } from '@/core/fit/selection';
import { changeFace } from '@/state/bench/open-fit';
import {
  align,
  centreAt,
  changeAll,
  changeRole,
  cover,
  group,
  inside,
  move,
  reorder,
  sameOnOtherSide,
  sameSize,
  spread,
  takeOff,
  ungroup,
  zoneAt,
} from './acts';
import type { Live } from '../live/useLive';
import { copyPieces, cutPieces, duplicate, pastePieces } from './pasting';

export interface Verb {
  /** As it is said in a list. */
  name: string;
  /** The key that does it, as it is printed. */
  keys: string;
  /** `placed`: something with a place of its own is chosen; `any`: any piece is. */
  needs: 'placed' | 'any' | 'nothing';
  run: (live: Live) => void;
}

/** What can be done with what is chosen, by name: for the strip, for menus, for keys and for the sheet of keys. */
export const VERBS = {
  inside: { name: 'Fit inside the safe area', keys: 'F', needs: 'placed', run: inside },
  cover: { name: 'Fill to the bleed', keys: 'B', needs: 'placed', run: cover },
  centreBoth: {
    name: 'Centre on the zone',
    keys: 'C',
    needs: 'placed',
    run: (live) => {
      centreAt(live, zoneAt(live));
    },
  },
  centreAcross: {
    name: 'Centre on the zone, across only',
    keys: 'X',
    needs: 'placed',
    run: (live) => {
      centreAt(live, { x: zoneAt(live).x });
    },
  },
  centreDown: {
    name: 'Centre on the zone, down only',
    keys: 'Y',
    needs: 'placed',
    run: (live) => {
      centreAt(live, { y: zoneAt(live).y });
    },
  },
  otherSide: {
    name: 'Same on the other side',
    keys: 'S',
    needs: 'placed',
    run: (live) => {
      sameOnOtherSide(live, false);
    },
  },
  otherSideMirrored: {
    name: 'Same on the other side, mirrored',
    keys: 'Shift S',
    needs: 'placed',
    run: (live) => {
      sameOnOtherSide(live, true);
    },
  },
  spread: { name: 'Spread evenly round', keys: 'O', needs: 'placed', run: spread },
  sameHeight: {
    name: 'As high as the first',
    keys: 'M',
    needs: 'placed',
    run: (live) => {
      sameSize(live, 'height');
    },
  },
  sameWidth: {
    name: 'As wide as the first',
    keys: 'Shift M',
    needs: 'placed',
    run: (live) => {
      sameSize(live, 'width');
    },
  },
  alignLeft: alignVerb('left edges', 'Ctrl ←', 'left'),
  alignRight: alignVerb('right edges', 'Ctrl →', 'right'),
  alignTop: alignVerb('top edges', 'Ctrl ↑', 'top'),
  alignFoot: alignVerb('bottom edges', 'Ctrl ↓', 'foot'),
  alignCentre: alignVerb('middles, one under another', 'Shift X', 'centre'),
  alignMiddle: alignVerb('middles, side by side', 'Shift Y', 'middle'),
  quarterTurn: {
    name: 'Turn a quarter right',
    keys: 'Q',
    needs: 'placed',
    run: (live) => {
      move(live, { turn: Math.PI / 2 });
    },
  },
  flip: {
    name: 'Turn over, left to right',
    keys: 'V',
    needs: 'placed',
    run: (live) => {
      void changeFace(live.face.id, (face) => mirrorChosen(face, live.selectedIds, live.factsOf));
    },
  },
  group: { name: 'Group', keys: 'G', needs: 'placed', run: group },
  ungroup: { name: 'Take the group apart', keys: 'Shift G', needs: 'placed', run: ungroup },
  role: { name: 'Change role: ground or motif', keys: 'R', needs: 'any', run: changeRole },
  knockout: {
    name: 'Knock out what is under it, or paint again',
    keys: 'K',
    needs: 'any',
    run: (live) => {
      changeAll(live, (piece) => ({ ...piece, knockout: !piece.knockout }));
    },
  },
  raise: {
    name: 'One place up',
    keys: '.',
    needs: 'any',
    run: (live) => {
      reorder(live, 1);
    },
  },
  lower: {
    name: 'One place down',
    keys: ',',
    needs: 'any',
    run: (live) => {
      reorder(live, -1);
    },
  },
  lock: {
    name: 'Lock, or let go',
    keys: 'Shift L',
    needs: 'any',
    run: (live) => {
      changeAll(live, (piece) => ({ ...piece, locked: !piece.locked }));
    },
  },
  hide: {
    name: 'Hide, or show',
    keys: 'Shift H',
    needs: 'any',
    run: (live) => {
      changeAll(live, (piece) => ({ ...piece, visible: !piece.visible }));
    },
  },
  copy: { name: 'Copy', keys: 'Ctrl C', needs: 'any', run: copyPieces },
  cut: { name: 'Cut out, to paste elsewhere', keys: 'Ctrl X', needs: 'any', run: cutPieces },
  paste: { name: 'Paste', keys: 'Ctrl V', needs: 'nothing', run: (live) => void pastePieces(live) },
  duplicate: { name: 'Once more, a little aside', keys: 'Ctrl D', needs: 'any', run: duplicate },
  takeOff: { name: 'Take off', keys: 'Delete, Backspace', needs: 'any', run: takeOff },
} satisfies Record<string, Verb>;

export type VerbId = keyof typeof VERBS;

function alignVerb(what: string, keys: string, edge: Edge): Verb {
  return {
    name: `Align ${what}`,
    keys,
    needs: 'placed',
    run: (live) => {
      align(live, edge);
    },
  };
}

/** Whether a verb can be done with what is chosen. */
export function canDo(live: Live, id: VerbId): boolean {
  if (live.following) return false;
  const { needs }: Verb = VERBS[id];
  if (needs === 'nothing') return true;
  return needs === 'placed' ? live.selection !== null && !live.selection.locked : live.selectedIds.length > 0;
}

export function perform(live: Live, id: VerbId): void {
  if (canDo(live, id)) VERBS[id].run(live);
}
