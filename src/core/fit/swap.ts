import type { FactsOf } from './geometry';
import { followPiece } from './follow';
import { isShowing, RoleSchema, type Design, type Fit, type Piece } from './schema';

type Artworks = readonly Design['artworks'][number][];

/**
 * Which artwork takes which one's place, by role and in order: grounds for grounds, motifs for motifs. Where there are
 * fewer new ones they come round again; a role that has none keeps what it has.
 */
export function swapsByRole(from: Artworks, to: Artworks): Map<string, string> {
  const swaps = new Map<string, string>();
  for (const role of RoleSchema.options) {
    const before = from.filter((one) => one.role === role);
    const after = to.filter((one) => one.role === role);
    if (after.length === 0) continue;
    for (const [index, { artworkId }] of before.entries())
      swaps.set(artworkId, after[index % after.length]!.artworkId);
  }
  return swaps;
}

/** The artworks that pieces show, each once, with the role it has there. */
export function artworksOf(pieces: readonly Piece[]): Artworks {
  const found = new Map<string, Artworks[number]>();
  for (const piece of pieces) {
    if (isShowing(piece) && !found.has(piece.artworkId))
      found.set(piece.artworkId, { artworkId: piece.artworkId, role: piece.role });
  }
  return [...found.values()];
}

/** Other artworks in the place of some: every placement stays, by what is seen of it, and nothing is stretched. */
export function swapArtworks(
  faces: Fit['faces'],
  swaps: ReadonlyMap<string, string>,
  factsOf: FactsOf,
): Fit['faces'] {
  const swap = (piece: Piece): Piece => {
    const to = isShowing(piece) ? swaps.get(piece.artworkId) : undefined;
    if (to === undefined || !isShowing(piece) || to === piece.artworkId) return piece;
    const after = factsOf(to);
    const followed = followPiece(piece, factsOf(piece.artworkId), after);
    return { ...followed, artworkId: to, name: after.name.replace(/\.[a-z0-9]+$/i, '') };
  };
  return faces.map((face) => ({ ...face, pieces: face.pieces.map(swap) }));
}
