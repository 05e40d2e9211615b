import type { PixelBox } from '../../artwork/facts';
import { clipOutline, fromShares } from '../../fit/clip';
import { extentAround, type Extent, type Point } from '../../fit/geometry';
import type { ShowingPiece } from '../../fit/schema';
import { softPlaces, type SoftPlaces } from '../../raster/soft';
import { flattenPath, mapPath, type Path } from '../../geometry/path';
import { coverOf } from '../../raster/cover';
import { readInkStrokes } from '../../raster/ink-strokes';
import { readStrokes, type StrokeReading, type ThinPlaces } from '../../raster/strokes';
import { isOpaque, words, type Raster } from '../../raster/raster';
import { pixelsOf } from '../../render/finish';
import type { CheckContext } from '../context';

const remembered = new WeakMap<Raster, Map<string, unknown>>();

/** What was measured in an artwork's pixels once, however often its piece is moved. */
export function once<T>(raster: Raster, key: string, measure: () => T): T {
  const known = remembered.get(raster) ?? new Map<string, unknown>();
  remembered.set(raster, known);
  if (!known.has(key)) known.set(key, measure());
  return known.get(key) as T;
}

/** The pixels a piece shows, mm to one of them, and where in mm a box of them lies. */
export interface ShownPixels {
  raster: Raster;
  mm: number;
  placeOf: (box: PixelBox) => Extent;
  /** Where in mm on the face a point of them lies. */
  pointOf: (at: Point) => Point;
}

/** What a piece shows of its artwork: of a clipped one what is seen through the clip, and no more. */
export function shownOf(context: CheckContext, piece: ShowingPiece): ShownPixels {
  const whole = pixelsOf(piece, context.pixels, context.progress);
  const mm = Math.max(piece.width / whole.width, piece.height / whole.height);
  const clip = piece.kind === 'artwork' ? piece.clip : null;
  if (!clip)
    return {
      raster: whole,
      mm,
      placeOf: (box) => extentOn(piece, whole, box),
      pointOf: (at) => pointOn(piece, whole, at),
    };
  const aspect = piece.width / piece.height;
  const { raster, left, top } = once(whole, `seen/${aspect}/${JSON.stringify(clip)}`, () =>
    seenThrough(whole, clipOutline(clip, aspect)),
  );
  const moved = (box: PixelBox) => ({ ...box, x: box.x + left, y: box.y + top });
  return {
    raster,
    mm,
    placeOf: (box) => extentOn(piece, whole, moved(box)),
    pointOf: ({ x, y }) => pointOn(piece, whole, { x: x + left, y: y + top }),
  };
}

/** The part of a picture within a path in shares of it, all else of its box clear. */
function seenThrough(whole: Raster, outline: Path): { raster: Raster; left: number; top: number } {
  const { width, height } = whole;
  const polygons = flattenPath(
    mapPath(outline, ({ x, y }) => ({ x: x * width, y: y * height })),
    0.1,
  );
  const mask = coverOf(polygons, { left: 0, top: 0, right: width, bottom: height });
  const pixels = words(whole);
  const seen = new Uint32Array(mask.width * mask.height);
  for (let row = 0, at = 0; row < mask.height; row++) {
    const from = (mask.top + row) * width + mask.left;
    for (let column = 0; column < mask.width; column++, at++)
      if (mask.data[at]! >= 128) seen[at] = pixels[from + column]!;
  }
  const data = new Uint8Array(seen.buffer);
  return {
    raster: { width: mask.width, height: mask.height, data, opaque: isOpaque(data) },
    left: mask.left,
    top: mask.top,
  };
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

/** Strokes of one ink on another under a limit in mm, in pixels of what a piece shows. */
export function inkStrokesOf(context: CheckContext, piece: ShowingPiece, limit: number): ThinPlaces {
  const finish = piece.finish?.filter(({ kind }) => kind !== 'edge');
  const { raster, mm } = shownOf(context, { ...piece, finish });
  const pixels = limit / mm;
  return once(raster, `inks/${pixels.toFixed(2)}`, () => readInkStrokes(raster, pixels, context.progress));
}

/** The point in mm of one of a piece's own pixels. */
function pointOn(
  piece: ShowingPiece,
  { width, height }: { width: number; height: number },
  at: Point,
): Point {
  return fromShares(piece)({ x: at.x / width, y: at.y / height });
}

/** The extent in mm of a box of a piece's own pixels. */
function extentOn(piece: ShowingPiece, raster: { width: number; height: number }, box: PixelBox): Extent {
  const on = fromShares(piece);
  const [x0, x1] = [box.x / raster.width, (box.x + box.width) / raster.width];
  const [y0, y1] = [box.y / raster.height, (box.y + box.height) / raster.height];
  return extentAround([
    on({ x: x0, y: y0 }),
    on({ x: x1, y: y0 }),
    on({ x: x1, y: y1 }),
    on({ x: x0, y: y1 }),
  ]);
}
