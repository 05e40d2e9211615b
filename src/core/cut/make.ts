import { plainFace, rectangle } from '../blank/face';
import type { PrintFace } from '../blank/resolve';
import { fromShares } from '../fit/clip';
import { extentOf, factsFor, opaqueBox, type Extent } from '../fit/geometry';
import { isPlaced, isShowing, type FitFace, type Piece, type PlacedPiece } from '../fit/schema';
import { newFill } from '../fit/place';
import { writePath } from '../geometry/path';
import { IN_SILENCE, type Progress } from '../raster/raster';
import { renderFace, type Shown } from '../render/face';
import { WHITE_BORDER } from './key';
import { cutLine, toCorner } from './line';
import { settingsOf, type Cut } from '../fit/cut';
import { traceAlpha, type Ring } from './trace';

/** Pixels along the longer side on which what lies on a face is traced. */
const TRACED = 2000;
/** Times as fine as the artwork's own pixels: no thin tip is lost between two of them. */
const FINER = 1.5;
/** mm round what is traced. */
const ROUND = 1;

/**
 * A face with its cut line made anew round all that lies on it, grounds of plain colour apart. Its pieces move with the
 * line's corner; white lies under them, or they reach the bleed by their edge colours. Without a line where nothing on
 * it is more than half opaque. `of` is what the line is known by (see `cutKey`).
 */
export function cutAnew(
  face: FitFace & { cut: Cut },
  base: PrintFace,
  shown: Shown,
  progress: Progress = IN_SILENCE,
): FitFace & { cut: Cut } {
  const settings = settingsOf(face.cut);
  const placed = face.pieces.filter(isCutRound);
  const extent = placed.length === 0 ? null : extentRound(placed, shown);
  const line = extent && lineRound(placed, extent, face.cut, base, shown, progress);
  const corner = line && toCorner(line);
  if (!extent || !corner) return { ...face, cut: { ...face.cut, d: '' } };
  const [dx, dy] = [extent.left + corner.left, extent.top + corner.top];
  const moved = face.pieces
    .filter(({ id }) => id !== WHITE_BORDER)
    .map((piece): Piece => (isPlaced(piece) ? { ...piece, x: piece.x - dx, y: piece.y - dy } : piece))
    .map((piece) => withRole(piece, settings.edge));
  // One that was given another colour keeps it.
  const border =
    face.pieces.find(({ id }) => id === WHITE_BORDER) ?? newFill(WHITE_BORDER, '#ffffff', 'White border');
  const pieces = settings.edge === 'white' ? [border, ...moved] : moved;
  return { ...face, pieces, cut: { ...face.cut, d: writePath(corner.path, 3) } };
}

/** Whether a piece is gone round: what is seen and has a place. */
function isCutRound(piece: Piece): piece is PlacedPiece {
  return isPlaced(piece) && piece.kind !== 'repeat' && piece.visible && !piece.knockout;
}

/** Artwork that prints out to the bleed is a ground; in a border of white it is a motif. */
function withRole(piece: Piece, edge: Cut['edge']): Piece {
  return isShowing(piece) ? { ...piece, role: edge === 'spread' ? 'ground' : 'motif' } : piece;
}

function extentRound(placed: readonly PlacedPiece[], { facts }: Shown): Extent {
  const extents = placed.map((piece) => extentOf(opaqueBox(piece, factsFor(piece, facts))));
  return {
    left: Math.min(...extents.map(({ left }) => left)) - ROUND,
    top: Math.min(...extents.map(({ top }) => top)) - ROUND,
    right: Math.max(...extents.map(({ right }) => right)) + ROUND,
    bottom: Math.max(...extents.map(({ bottom }) => bottom)) + ROUND,
  };
}

/** The line in mm from the extent's top left. */
function lineRound(
  placed: readonly PlacedPiece[],
  { left, top, right, bottom }: Extent,
  cut: Cut,
  base: PrintFace,
  shown: Shown,
  progress: Progress,
) {
  const own = ownOutlines(placed, shown);
  if (own) {
    const moved = own.map((ring) => ring.map(([x, y]): [number, number] => [x - left, y - top]));
    return cutLine(moved, cut);
  }
  const [width, height] = [right - left, bottom - top];
  const perMm = Math.min(TRACED / Math.max(width, height), FINER * finestOf(placed, shown));
  const pixels = { width: Math.round(width * perMm), height: Math.round(height * perMm) };
  const whole: PrintFace = { ...base, ...plainFace(base.id, base.name, rectangle(width, height)), bleed: 0 };
  delete whole.cut;
  const there = placed.map((piece) => ({ ...piece, x: piece.x - left, y: piece.y - top }));
  const raster = renderFace(whole, there, shown, { pixels, progress });
  const rings = traceAlpha(raster).map((ring) =>
    ring.map(([x, y]): [number, number] => [(x * width) / pixels.width, (y * height) / pixels.height]),
  );
  return cutLine(rings, cut);
}

/** Outlines of an artwork that lies alone and whole, in mm of the face, from its own pixels; null for all else. */
function ownOutlines(placed: readonly PlacedPiece[], { pixels }: Shown): Ring[] | null {
  const [piece] = placed;
  if (placed.length !== 1 || piece?.kind !== 'artwork' || piece.clip || piece.finish?.length) return null;
  const raster = pixels(piece.artworkId);
  const { width, height } = raster;
  const block = Math.max(1, Math.round(Math.max(width, height) / TRACED));
  const on = fromShares(piece);
  return traceAlpha(raster, block).map((ring) =>
    ring.map(([x, y]): [number, number] => {
      const at = on({ x: x / width, y: y / height });
      return [at.x, at.y];
    }),
  );
}

/** Pixels a mm that the artwork has itself: finer it is not drawn, since that shows nothing more. Lettering has no end. */
function finestOf(placed: readonly PlacedPiece[], { pixels }: Shown): number {
  return Math.max(
    ...placed.map((piece) => {
      if (!isShowing(piece)) return Infinity;
      const { width, height } = pixels(piece.artworkId);
      return Math.max(width / piece.width, height / piece.height);
    }),
  );
}
