import { opaqueBox, factsFor, turn, type Box } from '@/core/fit/geometry';
import { isMotifKind, isPlaced, type Piece } from '@/core/fit/schema';
import { withGroup } from '@/core/fit/selection';
import { areaOf } from '@/core/fit/area';
import { select } from '@/state/bench/hand';
import type { Live } from '../live/useLive';
import { toMm, toPx, type View } from './view';

/** What of the face a piece can be taken hold of by: its box, or for what goes all over, its area. */
export function gripBox(live: Live, piece: Piece): Box {
  if (isMotifKind(piece)) return opaqueBox(piece, factsFor(piece, live.factsOf));
  const { left, top, right, bottom } = areaOf(piece, live.face);
  return {
    x: (left + right) / 2,
    y: (top + bottom) / 2,
    width: right - left,
    height: bottom - top,
    rotation: 0,
  };
}

/** How far beside a piece the hole lies that it is turned by, in px. */
const BESIDE = 18;

/** Where, in px, the awl's hole lies that a box is turned by: left of its middle, and turned with it. */
export function awlHole(view: View, box: Box): { x: number; y: number } {
  const centre = toPx(view, box.x, box.y);
  const reach = (box.width / 2) * view.scale + BESIDE;
  return { x: centre.x - Math.cos(box.rotation) * reach, y: centre.y - Math.sin(box.rotation) * reach };
}

/** Pieces under a point in px, the uppermost first. */
export function piecesAt(live: Live, view: View, px: number, py: number): Piece[] {
  const { x, y } = toMm(view, px, py);
  return [...live.pieces].reverse().filter((piece) => piece.visible && holds(gripBox(live, piece), x, y));
}

export function holds(box: Box, x: number, y: number): boolean {
  const own = turn({ x: x - box.x, y: y - box.y }, -box.rotation);
  return Math.abs(own.x) <= box.width / 2 && Math.abs(own.y) <= box.height / 2;
}

/** A click this near, in px, to the one before is a click at the same place. */
const SAME_PLACE = 4;
/** Where the last click was. */
let last = { x: -100, y: -100 };

/** Remembers a click that has chosen a piece by itself. */
export function noteClick({ x, y }: { x: number; y: number }): void {
  last = { x, y };
}

/** A click chooses the uppermost piece there; another at the same place, the next one under the one that is chosen. */
export function pickAt(live: Live, view: View, at: { x: number; y: number; shift: boolean }): void {
  const here = piecesAt(live, view, at.x, at.y);
  const again = Math.hypot(at.x - last.x, at.y - last.y) <= SAME_PLACE;
  noteClick(at);
  const chosen = here.findIndex(({ id }) => live.selectedIds.includes(id));
  const next = here[again ? (chosen + 1) % here.length : 0];
  if (next && !at.shift) select(groupIds(live, next.id));
}

/** Shift and a click: adds a piece to what is chosen, or takes it out again. */
export function toggle(live: Live, id: string): void {
  const ids = groupIds(live, id);
  select(
    live.selectedIds.includes(id)
      ? live.selectedIds.filter((one) => !ids.includes(one))
      : [...live.selectedIds, ...ids],
  );
}

/**
 * What the other button is pressed on: a piece becomes what is chosen unless it is among that already; the bare flat leaves
 * nothing chosen. Null on anything else.
 */
export function pickPointed(live: Live, on: Element): 'piece' | 'bare' | null {
  const id = on.closest<HTMLElement>('[data-piece], [data-row]')?.dataset;
  const pieceId = id?.piece ?? id?.row;
  if (pieceId !== undefined) {
    if (!live.selectedIds.includes(pieceId)) select(groupIds(live, pieceId));
    return 'piece';
  }
  if (!on.matches('[data-flat], canvas')) return null;
  select([]);
  return 'bare';
}

export function groupIds({ pieces, groups }: Live, id: string): string[] {
  return withGroup({ pieces: [...pieces], groups: [...groups] }, id);
}

/** Chooses every piece that lies wholly within a frame drawn on the flat, in px. */
export function pickWithin(
  live: Live,
  view: View,
  frame: { left: number; top: number; right: number; bottom: number },
): void {
  const within = live.pieces.filter((piece) => {
    if (!piece.visible || !isPlaced(piece) || piece.kind === 'repeat') return false;
    return cornersOf(gripBox(live, piece)).every(({ x, y }) => {
      const at = toPx(view, x, y);
      return at.x >= frame.left && at.x <= frame.right && at.y >= frame.top && at.y <= frame.bottom;
    });
  });
  select([...new Set(within.flatMap(({ id }) => groupIds(live, id)))]);
}

function cornersOf(box: Box): { x: number; y: number }[] {
  return ([-1, 1] as const).flatMap((sx) => ([-1, 1] as const).map((sy) => along(box, sx / 2, sy / 2)));
}

/** A point of a box in mm, by shares of its own width and height from its middle. */
export function along(box: Box, across: number, down: number): { x: number; y: number } {
  const offset = turn({ x: across * box.width, y: down * box.height }, box.rotation);
  return { x: box.x + offset.x, y: box.y + offset.y };
}
