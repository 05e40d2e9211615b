import type { ResolvedBlank } from '@/core/blank/resolve';
import type { Parting } from '@/core/cut/parting';
import { usualCut } from '@/core/cut/face';
import { stickerFaces } from '@/core/cut/set';
import type { StickerSet } from '@/core/cut/sorting';
import type { Fit } from '@/core/fit/schema';
import type { Artwork } from '@/store/schema';
import type { JobOptions } from '@/workers/client';
import { withCuts } from '../bench/cutting';
import { newDesign } from './folders';
import { commit } from '../shop/commit';

/** The fit that a set of stickers is, cut: a face for each. It is kept nowhere yet. */
export function cutSet(
  set: StickerSet,
  parting: Parting,
  artwork: Artwork,
  blank: ResolvedBlank,
  options: JobOptions = {},
): Promise<Fit> {
  const bare: Fit = {
    upfit: 'fit/1',
    id: 'set',
    designId: 'set',
    blankId: blank.blank.id,
    blankVersion: blank.blank.version,
    colourId: blank.blank.colours[0]!.id,
    stateId: null,
    sizeId: null,
    faces: stickerFaces(artwork, parting, set.stickers, {
      ...set.settings,
      backing: usualCut(blank).backing,
    }),
  };
  return withCuts(bare, blank, [artwork], options);
}

/** Keeps a cut set as a design of its own, a row of the range, and its fit. */
export async function keepSet(fit: Fit, name: string, artwork: Artwork): Promise<Fit> {
  const { result } = await commit(['designs', 'fits'], async (store) => {
    const design = await newDesign(store, name, [artwork]);
    // Whatever the picture is elsewhere, here it is cut out.
    store.put('designs', { ...design, artworks: [{ artworkId: artwork.id, role: 'motif' }] });
    const kept = { ...fit, id: crypto.randomUUID(), designId: design.id };
    store.put('fits', kept);
    return kept;
  });
  return result;
}
