import type { PrintFace } from '../blank/resolve';
import { factsFor, type FactsOf } from './geometry';
import { movePiece } from './move';
import { coverBleed } from './place';
import { isPlaced, type Fit, type Piece } from './schema';

type FaceOfFit = Fit['faces'][number];

/**
 * A face's pieces on another face: scaled as one to it, about its middle; grounds cover its bleed anew. Pieces and groups
 * get new ids.
 */
export function carryFace(
  { pieces, groups = [] }: Pick<FaceOfFit, 'pieces' | 'groups'>,
  from: PrintFace,
  to: PrintFace,
  factsOf: FactsOf,
  newId: () => string,
): FaceOfFit {
  const scale = Math.min(to.width / from.width, to.height / from.height);
  const about = { x: from.width / 2, y: from.height / 2 };
  const motion = { about, scale, dx: to.width / 2 - about.x, dy: to.height / 2 - about.y };
  const carry = (piece: Piece): Piece => {
    const zoneId = 'zoneId' in piece && to.zones.some(({ id }) => id === piece.zoneId) ? piece.zoneId : null;
    if (!isPlaced(piece)) return { ...piece, zoneId };
    const facts = factsFor(piece, factsOf);
    const moved = movePiece(piece, facts, motion);
    if (moved.kind === 'repeat') return { ...moved, zoneId };
    return moved.kind === 'artwork' && moved.role === 'ground' ? coverBleed(moved, facts, to) : moved;
  };
  return renewed({ faceId: to.id, pieces: pieces.map(carry), groups }, newId);
}

/** The same pieces and groups under new ids. */
export function renewed({ faceId, pieces, groups = [] }: FaceOfFit, newId: () => string): FaceOfFit {
  const ids = new Map(groups.map(({ id }) => [id, newId()]));
  return {
    faceId,
    pieces: pieces.map((piece) => ({
      ...piece,
      id: newId(),
      groupId: piece.groupId === null ? null : (ids.get(piece.groupId) ?? null),
    })),
    groups: groups.map((group) => ({ ...group, id: ids.get(group.id)! })),
  };
}
