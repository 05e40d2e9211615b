import { extentOf, type Extent } from '@/core/fit/geometry';
import type { Piece } from '@/core/fit/schema';
import type { Live } from '../live/useLive';
import { gripBox } from './picking';

/** mm of a row: pieces whose upper edges lie in the same one stand beside one another. */
const BESIDE = 2;

/** A piece under its number in the list. */
export interface Listed {
  piece: Piece;
  number: number;
  /** Number of the piece that it lies on, where it lies on one. */
  over: number | null;
}

/** The pieces of a face in order of their place on it, from the top down and from left to right, numbered from 1. */
export function listed(live: Live): Listed[] {
  const placed = live.pieces.map((piece) => ({ piece, extent: extentOf(gripBox(live, piece)) }));
  const row = ({ top }: Extent) => Math.round(top / BESIDE);
  const order = [...placed].sort((a, b) => row(a.extent) - row(b.extent) || a.extent.left - b.extent.left);
  return order.map(({ piece, extent }, index) => {
    const under = placed.slice(0, live.pieces.indexOf(piece)).findLast((one) => meet(one.extent, extent));
    return { piece, number: index + 1, over: under ? order.indexOf(under) + 1 : null };
  });
}

function meet(a: Extent, b: Extent): boolean {
  return a.left < b.right && b.left < a.right && a.top < b.bottom && b.top < a.bottom;
}
