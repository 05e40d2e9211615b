import type { PrintFace, ResolvedBlank } from '../blank/resolve';
import type { SIDES } from '../blank/shape';
import { extentOf, factsFor, opaqueBox, type Extent, type FactsOf } from '../fit/geometry';
import { isMotifKind, type Fit, type Piece, type MotifPiece } from '../fit/schema';
import type { Changed } from './changed';

type Side = (typeof SIDES)[number];

/** How far motifs lie from a side of the safe area, or of the trim, in mm; further in is more. */
export interface Distance {
  side: Side;
  from: 'safe' | 'trim';
  mm: number;
}

/** Every motif of a face, as one, so far from a side: what is seen of them counts, and what is locked stays. */
export function atDistance(
  fit: Fit,
  { faces }: Pick<ResolvedBlank, 'faces'>,
  distance: Distance,
  factsOf: FactsOf,
): Changed {
  const moves = fit.faces.map((own) => {
    const face = faces.find(({ id }) => id === own.faceId);
    const boxes = own.pieces
      .filter(goes)
      .map((piece) => extentOf(opaqueBox(piece, factsFor(piece, factsOf))));
    return face && boxes.length > 0 ? shift(boxes, face, distance) : null;
  });
  if (moves.every((move) => move === null)) return { why: 'It has no motif that may be moved.' };
  if (moves.every((move) => move === null || Math.hypot(move.dx, move.dy) < SAME))
    return { why: 'They lie there already.' };
  return {
    fit: {
      ...fit,
      faces: fit.faces.map((own, i) => {
        const move = moves[i];
        if (!move) return own;
        return {
          ...own,
          pieces: own.pieces.map((piece) =>
            goes(piece) ? { ...piece, x: piece.x + move.dx, y: piece.y + move.dy } : piece,
          ),
        };
      }),
    },
  };
}

/** mm under which a thing lies where it was. */
const SAME = 0.005;

function goes(piece: Piece): piece is MotifPiece {
  return isMotifKind(piece) && piece.role === 'motif' && piece.visible && !piece.locked;
}

function shift(
  boxes: readonly Extent[],
  face: PrintFace,
  { side, from, mm }: Distance,
): { dx: number; dy: number } {
  const inset = mm + (from === 'safe' ? face.safe : 0);
  switch (side) {
    case 'left':
      return { dx: inset - Math.min(...boxes.map(({ left }) => left)), dy: 0 };
    case 'right':
      return { dx: face.width - inset - Math.max(...boxes.map(({ right }) => right)), dy: 0 };
    case 'top':
      return { dx: 0, dy: inset - Math.min(...boxes.map(({ top }) => top)) };
    case 'bottom':
      return { dx: 0, dy: face.height - inset - Math.max(...boxes.map(({ bottom }) => bottom)) };
  }
}
