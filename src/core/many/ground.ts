import { newFill } from '../fit/place';
import type { Fit, FitFace } from '../fit/schema';
import type { Changed } from './changed';

/** The plain ground of every face that carries something in another colour; where there is none, one under everything. */
export function colourGround(fit: Fit, colour: string, newId: () => string): Changed {
  const carrying = fit.faces.filter(({ pieces }) => pieces.length > 0);
  if (carrying.length === 0) return { why: 'Nothing lies on it yet.' };
  if (carrying.every(hasPicturedGround))
    return { why: 'Its ground is a picture, which would cover the colour.' };
  const coloured = (face: FitFace): FitFace => {
    if (!carrying.includes(face) || hasPicturedGround(face)) return face;
    const plain = face.pieces.some(isPlainGround);
    return {
      ...face,
      pieces: plain
        ? face.pieces.map((piece) => (isPlainGround(piece) ? { ...piece, colour } : piece))
        : [newFill(newId(), colour), ...face.pieces],
    };
  };
  return { fit: { ...fit, faces: fit.faces.map(coloured) } };
}

type Piece = FitFace['pieces'][number];

/** A colour over all of a face. */
function isPlainGround(piece: Piece): piece is Extract<Piece, { kind: 'fill' }> {
  return piece.kind === 'fill' && piece.zoneId === null && !piece.knockout;
}

function hasPicturedGround({ pieces }: FitFace): boolean {
  return pieces.some((piece) => piece.kind !== 'fill' && piece.role === 'ground' && piece.visible);
}
