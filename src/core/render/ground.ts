import { bendPoint, sectorBox } from '../blank/bodies/sector';
import type { PrintFace } from '../blank/resolve';
import { areaOf } from '../fit/area';
import { clipPath, fromShares } from '../fit/clip';
import { isInk, type InkPiece, type Piece, type ShapePiece, type TextPiece } from '../fit/schema';
import { textCover, textInks } from '../fit/text';
import { coverOf as shapeCover, shapeInks } from '../fit/shape-ink';
import {
  flattenPath,
  mapPath,
  type Bounds,
  type Path,
  type PathPoint,
  type Polygons,
} from '../geometry/path';
import { parsePath } from '../geometry/parse-path';
import { coverOf, type Mask } from '../raster/cover';
import { lerp } from '../geometry/lerp';

/** How near to its curves an outline is drawn, in pixels. */
const TOLERANCE = 0.05;

/** A grid of pixels that paths are drawn on: where a point of the face lies on it, and which of it is wanted. */
export interface Ground {
  /** From mm of the face to pixels. */
  at: (point: PathPoint) => PathPoint;
  /** Pixels a mm, at the finest. */
  perMm: number;
  within: Bounds;
  /** Whether straight lines of the face are bent on it, so that they must be taken in short steps. */
  bent: boolean;
}

/** The rectangle that art is laid on, as a grid of pixels over trim plus bleed. */
export function flatGround(
  grid: { width: number; height: number; perMmX: number; perMmY: number; bleed: number },
  margin = 0,
): Ground {
  const { width, height, perMmX, perMmY, bleed } = grid;
  return {
    at: ({ x, y }) => ({ x: (x + bleed) * perMmX, y: (y + bleed) * perMmY }),
    perMm: Math.max(perMmX, perMmY),
    within: {
      left: -margin * width,
      top: -margin * height,
      right: width * (1 + margin),
      bottom: height * (1 + margin),
    },
    bent: false,
  };
}

/** The arc that a tapered face is printed on, as a grid of pixels over its box. */
export function bentGround(face: PrintFace, pixels: { width: number; height: number }): Ground {
  const sector = face.bend!;
  const box = sectorBox(sector, face.bleed);
  const trim = sectorBox(sector);
  const perMmX = pixels.width / box.width;
  const perMmY = pixels.height / box.height;
  return {
    at: ({ x, y }) => {
      const bent = bendPoint(sector, x, y);
      return {
        x: (bent.x + box.apexX - trim.apexX) * perMmX,
        y: (bent.y + box.apexY - trim.apexY) * perMmY,
      };
    },
    perMm: Math.max(perMmX, perMmY) * 1.5,
    within: { left: 0, top: 0, right: pixels.width, bottom: pixels.height },
    bent: true,
  };
}

/** A path in mm of the face as polygons in pixels of a ground. */
export function layPath(path: Path, { at, perMm, bent }: Ground): Polygons {
  if (!bent) return flattenPath(mapPath(path, at), TOLERANCE);
  return flattenPath(path, TOLERANCE / perMm).map((points) => bendPolygon(points, at, perMm));
}

/** Long edges become many short ones, each bent. */
function bendPolygon(points: Float64Array, at: Ground['at'], perMm: number): Float64Array {
  const longest = 16 / perMm;
  const bent: number[] = [];
  let [x0, y0] = [points[points.length - 2]!, points[points.length - 1]!];
  for (let i = 0; i < points.length; i += 2) {
    const [x1, y1] = [points[i]!, points[i + 1]!];
    const steps = Math.max(1, Math.ceil(Math.hypot(x1 - x0, y1 - y0) / longest));
    for (let step = 1; step <= steps; step++) {
      const share = step / steps;
      const { x, y } = at({ x: lerp(x0, x1, share), y: lerp(y0, y1, share) });
      bent.push(x, y);
    }
    [x0, y0] = [x1, y1];
  }
  return Float64Array.from(bent);
}

/** What a piece is cut to, over and above its own picture: a clip, or the zone it lies over. Null where nothing cuts it. */
export function cutOf(piece: Piece, face: PrintFace): Path | null {
  if (piece.kind === 'artwork') return clipPath(piece);
  if (isInk(piece) || piece.zoneId === null) return null;
  const { left, top, right, bottom } = areaOf(piece, face);
  return [
    { kind: 'move', to: { x: left, y: top } },
    { kind: 'line', to: { x: right, y: top } },
    { kind: 'line', to: { x: right, y: bottom } },
    { kind: 'line', to: { x: left, y: bottom } },
    { kind: 'close' },
  ];
}

/** The outlines of a text or a shape in mm of the face, the lowest first, each with its colour. */
export function inksOf(piece: InkPiece): { path: Path; colour: string }[] {
  if (piece.kind === 'shape')
    return shapeInks(piece).map(({ path, colour }) => ({ path: onFace(piece, path), colour }));
  return textInks(piece).map(({ d, colour }) => ({ path: onText(piece, d), colour }));
}

/** From units of a text's ink to mm of the face. */
function onText(piece: TextPiece, d: string): Path {
  const on = fromShares(piece);
  const { width, height } = piece.ink;
  return mapPath(parsePath(d) ?? [], ({ x, y }) => on({ x: x / width, y: y / height }));
}

/** All that a text or a shape covers, in mm of the face. */
export function inkCover(piece: InkPiece): Path {
  return piece.kind === 'shape' ? onFace(piece, shapeCover(piece)) : onText(piece, textCover(piece.ink));
}

/** From mm of a shape's own box to mm of the face. */
function onFace(piece: ShapePiece, path: Path): Path {
  const on = fromShares(piece);
  return mapPath(path, ({ x, y }) => on({ x: x / piece.width, y: y / piece.height }));
}

export function coverOn(ground: Ground, path: Path): Mask {
  return coverOf(layPath(path, ground), ground.within);
}
