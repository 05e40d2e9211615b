import type { ResolvedBlank } from '../blank/resolve';
import type { FactsOf } from '../fit/geometry';
import { coverBleed, fitInside } from '../fit/place';
import { artworkIdsOf, type Fit, type Piece, type Role } from '../fit/schema';
import { swapArtworks } from '../fit/swap';
import type { Changed } from './changed';

/** One artwork in another's place, by what is seen of it. */
export function swapOne(fit: Fit, from: string, to: string, factsOf: FactsOf): Changed {
  if (!artworkIdsOf(fit).includes(from)) return { why: 'It does not show that artwork.' };
  return { fit: { ...fit, faces: swapArtworks(fit.faces, new Map([[from, to]]), factsOf) } };
}

/**
 * An artwork in another role wherever a fit shows it by itself: as a ground it covers the bleed, as a motif it comes
 * inside the safe area.
 */
export function inRole(
  fit: Fit,
  { faces }: Pick<ResolvedBlank, 'faces'>,
  { artworkId, role }: { artworkId: string; role: Role },
  factsOf: FactsOf,
): Changed {
  const changes = (piece: Piece) =>
    piece.kind === 'artwork' && piece.artworkId === artworkId && piece.role !== role;
  if (!fit.faces.some(({ pieces }) => pieces.some(changes)))
    return {
      why: artworkIdsOf(fit).includes(artworkId)
        ? `It is ${role === 'ground' ? 'a ground' : 'a motif'} there already, or repeated.`
        : 'It does not show that artwork.',
    };
  return {
    fit: {
      ...fit,
      faces: fit.faces.map((own) => {
        const face = faces.find(({ id }) => id === own.faceId);
        if (!face) return own;
        const pieces = own.pieces.map((piece) => {
          if (piece.kind !== 'artwork' || !changes(piece)) return piece;
          const placed = role === 'ground' ? coverBleed : fitInside;
          return placed({ ...piece, role }, factsOf(artworkId), face);
        });
        return { ...own, pieces };
      }),
    },
  };
}
