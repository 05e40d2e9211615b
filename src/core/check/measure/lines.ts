import { extentOf, opaqueBox } from '../../fit/geometry';
import type { PlacedPiece } from '../../fit/schema';
import { PRESENT } from '../../raster/bounds';
import { pixelCentre } from '../../render/transform';
import { factsIn, type CheckContext } from '../context';
import { alphaAt } from './grid';

export interface Crossing {
  /** mm down the line along which the piece has pixels (alpha > 8) on both sides of it. */
  length: number;
  /** The topmost and the lowest of them, in mm from the trim's top. */
  top: number;
  bottom: number;
}

/**
 * How much of a piece lies across an upright line at x mm, also where the line happens to run through a gap of it, as
 * between two letters. The line may lie outside the face. Null where the piece is all on one side.
 */
export function crossingAt(context: CheckContext, piece: PlacedPiece, x: number): Crossing | null {
  const { grid, face } = context;
  const extent = extentOf(opaqueBox(piece, factsIn(context, piece)));
  if (extent.left >= x || extent.right <= x) return null;
  const at = alphaAt(context, piece);
  const toColumn = (mm: number) => (mm + face.bleed) * grid.perMmX;
  const line = Math.round(toColumn(x));
  const first = Math.floor(toColumn(extent.left));
  const last = Math.ceil(toColumn(extent.right));
  let count = 0;
  let [top, bottom] = [Infinity, -Infinity];
  for (let row = 0; row < grid.height; row++) {
    let left = line - 1;
    while (left >= first && at(left, row) <= PRESENT) left--;
    if (left < first) continue;
    let right = line;
    while (right < last && at(right, row) <= PRESENT) right++;
    if (right >= last) continue;
    const { y } = pixelCentre(grid, line, row);
    count++;
    top = Math.min(top, y);
    bottom = Math.max(bottom, y);
  }
  return count === 0 ? null : { length: count / grid.perMmY, top, bottom };
}
