import type { Face } from '../blank/face';
import { isPlaced, type Fit, type Piece } from './schema';

/**
 * The faces of a fit carried over to faces of another size: pieces keep their size, and their place from the middle;
 * on a garment, where a print hangs from the collar, their place from the top.
 */
export function carryOver(
  faces: Fit['faces'],
  from: readonly Face[],
  to: readonly Face[],
  hangs: boolean,
): Fit['faces'] {
  return faces.map((face) => {
    const before = from.find(({ id }) => id === face.faceId);
    const after = to.find(({ id }) => id === face.faceId);
    if (!before || !after) return face;
    const dx = (after.width - before.width) / 2;
    const dy = hangs ? 0 : (after.height - before.height) / 2;
    const { plates } = face;
    const regions = plates?.regions.map((region) => ({ ...region, x: region.x + dx, y: region.y + dy }));
    return {
      ...face,
      pieces: face.pieces.map((piece) => moved(piece, dx, dy)),
      ...(plates && { plates: { ...plates, regions: regions! } }),
    };
  });
}

function moved(piece: Piece, dx: number, dy: number): Piece {
  return isPlaced(piece) ? { ...piece, x: piece.x + dx, y: piece.y + dy } : piece;
}
