import type { Design, Fit } from '@/core/fit/schema';
import { newPiece } from '@/core/fit/place';
import { renditionFor } from '@/core/fit/rendition';
import type { Artwork } from '@/store/schema';
import { designOf } from './folders';
import { changeSettings, saveFit, useShop } from './shop';

/** A design of one artwork, named after it. */
export function designFromArtwork(artwork: Artwork): Promise<Design> {
  return designOf(artwork.facts.name.replace(/\.[a-z0-9]+$/i, ''), [artwork]);
}

/** One click from an empty cell: the design's motifs inside the safe area, its grounds covering the bleed. */
export async function fitDesign(designId: string, blankId: string): Promise<Fit> {
  const { designs, blanks, artworks } = useShop.getState();
  const design = designs.get(designId);
  const resolved = blanks.get(blankId);
  if (!design || !resolved) throw new Error('The design or the blank is no longer here.');
  const { blank, faces, method } = resolved;
  const face = faces[0]!;
  const order = { ground: 0, motif: 1 };
  const fit: Fit = {
    upfit: 'fit/1',
    id: crypto.randomUUID(),
    designId,
    blankId,
    blankVersion: blank.version,
    colourId: blank.colours[0]!.id,
    stateId: null,
    sizeId: null,
    faces: [
      {
        faceId: face.id,
        pieces: [...design.artworks]
          .sort((a, b) => order[a.role] - order[b.role])
          .flatMap(({ artworkId, role }) => {
            const named = artworks.get(artworkId);
            const artwork = named && renditionFor(method, familyOf(named, artworks));
            return artwork ? [newPiece(crypto.randomUUID(), artwork.id, artwork.facts, role, face)] : [];
          }),
      },
    ],
  };
  await saveFit(fit);
  return fit;
}

/** An artwork and its renditions, itself first. */
function familyOf(artwork: Artwork, artworks: ReadonlyMap<string, Artwork>): Artwork[] {
  return [artwork, ...[...artworks.values()].filter(({ rendition }) => rendition?.of === artwork.id)];
}

/** Puts a blank on the range as its last column. */
export function addColumn(blankId: string): Promise<void> {
  const { columns } = useShop.getState().settings;
  return columns.includes(blankId) ? Promise.resolve() : changeSettings({ columns: [...columns, blankId] });
}

/** Takes a blank off the range; its fits stay and come back with it. */
export function removeColumn(blankId: string): Promise<void> {
  const { columns } = useShop.getState().settings;
  return changeSettings({ columns: columns.filter((id) => id !== blankId) });
}
