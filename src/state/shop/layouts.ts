import { renewed } from '@/core/fit/copy-face';
import { newPiece } from '@/core/fit/place';
import { isShowing, type Design, type Fit } from '@/core/fit/schema';
import { artworksOf, swapArtworks, swapsByRole } from '@/core/fit/swap';
import type { ResolvedBlank } from '@/core/blank/resolve';
import { keep, takeOut } from './records';
import { useShop } from './shop';

/** Keeps a fit as what every new one on its blank begins with; gives back what undoes it. */
export async function keepLayout(fit: Fit): Promise<() => Promise<void>> {
  const { undo } = await keep('layouts', {
    upfit: 'layout/1',
    blankId: fit.blankId,
    keptAt: Date.now(),
    artworks: ownArtworks(fit),
    faces: fit.faces,
  });
  return undo;
}

/** The artworks of a fit that belong to its design, or are renditions of such. */
function ownArtworks(fit: Fit): Design['artworks'] {
  const { designs, artworks } = useShop.getState();
  const own = new Set(designs.get(fit.designId)?.artworks.map(({ artworkId }) => artworkId));
  return artworksOf(fit.faces.flatMap(({ pieces }) => pieces)).filter(
    ({ artworkId }) => own.has(artworkId) || own.has(artworks.get(artworkId)?.rendition?.of ?? ''),
  );
}

export function removeLayout(blankId: string): Promise<() => Promise<void>> {
  return takeOut('layouts', blankId);
}

/**
 * The faces that a new fit begins with by its blank's starting layout: a copy, the design's artworks where those of the
 * layout's own design were. What has no place in it is set as on a bare blank. Null where the blank has no layout.
 */
export function facesByLayout(
  blank: ResolvedBlank,
  chosen: readonly Design['artworks'][number][],
): Fit['faces'] | null {
  const { layouts, artworks } = useShop.getState();
  const layout = layouts.get(blank.blank.id);
  if (!layout) return null;
  const factsOf = (id: string) => artworks.get(id)!.facts;
  const swaps = swapsByRole(layout.artworks, chosen);
  const own = new Set(layout.artworks.map(({ artworkId }) => artworkId));
  const copies = layout.faces
    .filter(({ faceId }) => blank.faces.some(({ id }) => id === faceId))
    .map((face) => ({
      ...face,
      // An artwork of the other design that nothing takes the place of is not part of this one.
      pieces: face.pieces.filter(
        (piece) =>
          !isShowing(piece) ||
          (artworks.has(piece.artworkId) && (!own.has(piece.artworkId) || swaps.has(piece.artworkId))),
      ),
    }))
    .map((face) => renewed(face, () => crypto.randomUUID()));
  const faces = swapArtworks(copies, swaps, factsOf);
  const placed = new Set(swaps.values());
  const face = blank.faces[0]!;
  const added = chosen
    .filter(({ artworkId }) => !placed.has(artworkId))
    .map(({ artworkId, role }) => newPiece(crypto.randomUUID(), artworkId, factsOf(artworkId), role, face));
  if (added.length === 0) return faces;
  const first = faces.find(({ faceId }) => faceId === face.id) ?? { faceId: face.id, pieces: [] };
  const grounds = added.filter(({ role }) => role === 'ground');
  const motifs = added.filter(({ role }) => role === 'motif');
  return [
    { ...first, pieces: [...grounds, ...first.pieces, ...motifs] },
    ...faces.filter(({ faceId }) => faceId !== face.id),
  ];
}
