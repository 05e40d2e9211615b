import type { ArtworkPiece } from '@/core/fit/schema';

/** SVG transform that lays a picture drawn at (0, 0) where the piece sits, in mm. */
export function pieceTransform(piece: ArtworkPiece): string {
  const degrees = (piece.rotation * 180) / Math.PI;
  const flip = piece.flipped ? ' scale(-1 1)' : '';
  return `translate(${piece.x} ${piece.y}) rotate(${degrees})${flip} translate(${-piece.width / 2} ${-piece.height / 2})`;
}
