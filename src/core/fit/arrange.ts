import type { Zone } from '../blank/face';
import type { PrintFace } from '../blank/resolve';
import type { Extent, Point } from './geometry';
import { nearestZone } from './zones';

export const EDGES = ['left', 'centre', 'right', 'top', 'middle', 'foot'] as const;
export type Edge = (typeof EDGES)[number];

/** mm by which each of several extents is moved so that all are aligned within what they take up together. */
export function alignShifts(extents: readonly Extent[], edge: Edge): { dx: number; dy: number }[] {
  const across = edge === 'left' || edge === 'centre' || edge === 'right';
  const spans = extents.map(({ left, right, top, bottom }): [number, number] =>
    across ? [left, right] : [top, bottom],
  );
  const low = Math.min(...spans.map(([from]) => from));
  const high = Math.max(...spans.map(([, to]) => to));
  return spans.map(([from, to]) => {
    const shift =
      edge === 'left' || edge === 'top'
        ? low - from
        : edge === 'right' || edge === 'foot'
          ? high - to
          : (low + high) / 2 - (from + to) / 2;
    return across ? { dx: shift, dy: 0 } : { dx: 0, dy: shift };
  });
}

/**
 * mm across by which things are moved so that their middles are evenly spread over a length about a middle: round a wrap
 * that closes, the last is then as far from the first as any from the next. Their order stays.
 */
export function spreadShifts(middles: readonly number[], length: number, middle: number): number[] {
  const order = middles.map((_, index) => index).sort((a, b) => middles[a]! - middles[b]!);
  const shifts = new Array<number>(middles.length).fill(0);
  for (const [place, index] of order.entries()) {
    const at = middle + ((place - (middles.length - 1) / 2) * length) / middles.length;
    shifts[index] = at - middles[index]!;
  }
  return shifts;
}

/** Clear mm between two extents, across and down, on the side that `b` is on; below zero where they overlap. */
export function gapBetween(a: Extent, b: Extent): { across: number; down: number } {
  return {
    across: clear([a.left, a.right], [b.left, b.right]),
    down: clear([a.top, a.bottom], [b.top, b.bottom]),
  };
}

type Span = readonly [low: number, high: number];

function isBeyond(a: Span, b: Span): boolean {
  return b[0] + b[1] >= a[0] + a[1];
}

function clear(a: Span, b: Span): number {
  return isBeyond(a, b) ? b[0] - a[1] : a[0] - b[1];
}

/** mm that `b` is moved by for the gap between it and `a` to be so many, on the side that it is on. */
export function shiftForGap(a: Extent, b: Extent, gap: { across?: number; down?: number }): Point {
  const shift = (wanted: number | undefined, from: Span, to: Span) =>
    wanted === undefined ? 0 : (wanted - clear(from, to)) * (isBeyond(from, to) ? 1 : -1);
  return {
    x: shift(gap.across, [a.left, a.right], [b.left, b.right]),
    y: shift(gap.down, [a.top, a.bottom], [b.top, b.bottom]),
  };
}

/** Where the front of a face is, in mm from its left: a wrap's overlap at the seam is not part of what is seen. */
export function middleOf({ width, overlap }: Pick<PrintFace, 'width' | 'overlap'>): number {
  return (width - overlap) / 2;
}

/** The two zones that lie as far from the front to either side, for what is at the front itself; null where none do. */
export function sidesOf(face: PrintFace): { left: Zone; right: Zone } | null {
  const middle = middleOf(face);
  for (const left of face.zones.filter(({ x }) => x < middle - 1)) {
    const pair = otherSide(face, left);
    if (pair) return { left, right: pair.to };
  }
  return null;
}

/** The zone that is to the right of the front as far as the one nearest to a point is to its left, or the reverse. */
export function otherSide(face: PrintFace, at: Point): { from: Zone; to: Zone } | null {
  const from = nearestZone(face.zones, at)?.zone;
  if (!from) return null;
  const x = 2 * middleOf(face) - from.x;
  const to = face.zones.find(
    (zone) => zone.id !== from.id && Math.abs(zone.x - x) < 0.5 && Math.abs(zone.y - from.y) < 0.5,
  );
  return to ? { from, to } : null;
}
