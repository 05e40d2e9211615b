import type { PrintFace } from '../blank/resolve';
import { factsFor, type FactsOf } from './geometry';
import { movePiece, type Motion } from './move';
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
  const carried = pieces.map((piece) => carryPiece(piece, motion, to, factsOf));
  return renewed({ faceId: to.id, pieces: carried, groups }, newId);
}

/** A piece moved as one of several; on another face a ground covers its bleed anew, and a zone it does not have goes. */
export function carryPiece(piece: Piece, motion: Motion, to: PrintFace | null, factsOf: FactsOf): Piece {
  const moved = isPlaced(piece) ? movePiece(piece, factsFor(piece, factsOf), motion) : piece;
  if (!to) return moved;
  if ('zoneId' in moved)
    return { ...moved, zoneId: to.zones.some(({ id }) => id === moved.zoneId) ? moved.zoneId : null };
  return moved.kind === 'artwork' && moved.role === 'ground'
    ? coverBleed(moved, factsFor(moved, factsOf), to)
    : moved;
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
