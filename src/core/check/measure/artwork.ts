import { gridOf, type PixelBox } from '../../artwork/facts';
import { fromShares } from '../../fit/clip';
import type { Extent } from '../../fit/geometry';
import type { ShowingPiece } from '../../fit/schema';
import { softPlaces, type SoftPlaces } from '../../raster/soft';
import { readStrokes, type StrokeReading } from '../../raster/strokes';
import type { Raster } from '../../raster/raster';
import { pixelsOf } from '../../render/finish';
import type { CheckContext } from '../context';

const remembered = new WeakMap<Raster, Map<string, unknown>>();

/** What was measured in an artwork's pixels once, however often its piece is moved. */
function once<T>(raster: Raster, key: string, measure: () => T): T {
  const known = remembered.get(raster) ?? new Map<string, unknown>();
  remembered.set(raster, known);
  if (!known.has(key)) known.set(key, measure());
  return known.get(key) as T;
}

/** The pixels a piece shows, and mm to one of them. */
export function shownOf(context: CheckContext, piece: ShowingPiece): { raster: Raster; mm: number } {
  const raster = pixelsOf(piece, context.pixels, context.progress);
  return { raster, mm: Math.max(piece.width / raster.width, piece.height / raster.height) };
}

/** Half-transparent parts of what a piece shows; where an artwork is shown as it came, its share is known from its import. */
export function softOf(context: CheckContext, piece: ShowingPiece, known: number): SoftPlaces {
  const { softShare } = context.facts(piece.artworkId).alpha;
  if (!piece.finish?.length && softShare <= known) return { share: softShare, box: null };
  const { raster } = shownOf(context, piece);
  return once(raster, 'soft', () => softPlaces(raster, context.progress));
}

/** Strokes and gaps under a limit in mm, in pixels of what a piece shows. */
export function strokesOf(context: CheckContext, piece: ShowingPiece, limit: number): StrokeReading {
  // The dots of a halftone are as large as the method holds, and no strokes.
  const finish = piece.finish?.filter(({ kind }) => kind !== 'edge');
  const { raster, mm } = shownOf(context, { ...piece, finish });
  const pixels = limit / mm;
  return once(raster, `strokes/${pixels.toFixed(2)}`, () => readStrokes(raster, pixels, context.progress));
}

/** The extent in mm of a box of a piece's own pixels. */
export function extentOn(
  piece: ShowingPiece,
  raster: { width: number; height: number },
  box: PixelBox,
): Extent {
  const on = fromShares(piece);
  const [x0, x1] = [box.x / raster.width, (box.x + box.width) / raster.width];
  const [y0, y1] = [box.y / raster.height, (box.y + box.height) / raster.height];
  const corners = [on({ x: x0, y: y0 }), on({ x: x1, y: y0 }), on({ x: x1, y: y1 }), on({ x: x0, y: y1 })];
  const xs = corners.map(({ x }) => x);
  const ys = corners.map(({ y }) => y);
  return { left: Math.min(...xs), right: Math.max(...xs), top: Math.min(...ys), bottom: Math.max(...ys) };
}

/** The same of a box in the pixels that an artwork's flaws are counted in, and mm2 of one of them. */
export function flawOn(
  context: CheckContext,
  piece: ShowingPiece,
): { extent: (box: PixelBox) => Extent; area: number } {
  const grid = gridOf(context.facts(piece.artworkId));
  return {
    extent: (box) => extentOn(piece, grid, box),
    area: (piece.width / grid.width) * (piece.height / grid.height),
  };
}
