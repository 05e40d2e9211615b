import type { PlacedPiece } from '@/core/fit/schema';

/** SVG transform that lays what is drawn at (0, 0), the piece's own size, where the piece sits, in mm. */
export function pieceTransform(piece: PlacedPiece): string {
  const degrees = (piece.rotation * 180) / Math.PI;
  const flip = piece.flipped ? ' scale(-1 1)' : '';
  return `translate(${piece.x} ${piece.y}) rotate(${degrees})${flip} translate(${-piece.width / 2} ${-piece.height / 2})`;
}
