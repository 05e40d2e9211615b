import { addedPieces } from '@/core/fit/begin';
import { UpFitError } from '@/core/errors';
import { withArtworks, type Fit } from '@/core/fit/schema';
import type { Artwork } from '@/store/schema';
import { dequal } from 'dequal';
import { withCuts } from '../bench/cutting';
import { inRoles } from '../artwork/folders';
import { importFiles } from '../artwork/imports';
import { commit } from './commit';
import { addToDesign, versionsOf } from './designs';
import { designFromArtwork, fitDesign } from './fitting';
import { removeFit } from './records';
import { contextOf, useShop } from './shop';

/** Where on the range something was dropped or pasted: a cell has both, a row's head a design, a column's head a blank. */
export interface RangeSpot {
  designId?: string;
  blankId?: string;
}

/** What became of it, and how it is taken back. */
export interface Dropped {
  said: string;
  undo: () => Promise<void>;
}

/**
 * Takes files in where they were dropped: on a cell they are fitted there, or laid on what lies there; on a row's head they
 * join that design; on a column's head, each becomes a new design there; anywhere else, a design each. Null where that
 * leaves nothing to be told.
 */
export async function dropFiles(files: readonly File[], spot: RangeSpot): Promise<Dropped | null> {
  const artworks = await importFiles(files);
  if (artworks.length === 0) return null;
  const { designId, blankId } = spot;
  if (designId === undefined) {
    for (const artwork of artworks) await asDesign(artwork, blankId);
    return null;
  }
  const { designs, blanks, fits } = useShop.getState();
  const design = designs.get(designId);
  if (!design) throw new UpFitError('not-found', 'This design is no longer here.');
  const what = artworks.length === 1 ? `“${artworks[0]!.facts.name}”` : `${artworks.length} artworks`;
  if (blankId === undefined) {
    const { undo } = await addToDesign(designId, inRoles(artworks));
    return { said: `${what} joined “${design.name}”.`, undo };
  }
  const said = `${what} of “${design.name}” on ${blanks.get(blankId)?.blank.name ?? blankId}.`;
  const [there] = versionsOf(fits.values(), designId, blankId);
  if (there) return { said, undo: await layOnFit(there, artworks) };
  const joined = await addToDesign(designId, inRoles(artworks));
  const fit = await fitDesign(designId, blankId);
  return {
    said,
    undo: async () => {
      await removeFit(fit.id);
      await joined.undo();
    },
  };
}

/** An artwork as a new design, unless it is in one already; fitted where a blank is named. */
async function asDesign(artwork: Artwork, blankId: string | undefined): Promise<void> {
  const { designs } = useShop.getState();
  const known = [...designs.values()].find(({ artworks }) =>
    artworks.some(({ artworkId }) => artworkId === artwork.id),
  );
  if (blankId === undefined) {
    if (!known) await designFromArtwork(artwork);
    return;
  }
  const design = await designFromArtwork(artwork);
  await fitDesign(design.id, blankId);
}

/** Lays artworks on a fit: grounds under and motifs over what lies there. They join its design; one undo for both. */
async function layOnFit(fit: Fit, added: readonly Artwork[]): Promise<() => Promise<void>> {
  const context = contextOf(fit, useShop.getState());
  if (!context) throw new UpFitError('not-found', 'An artwork of this fit is no longer here.');
  const { blank, artworks } = context;
  const carrying = fit.faces.find(({ pieces }) => pieces.length > 0)?.faceId;
  const face = blank.faces.find(({ id }) => id === carrying) ?? blank.faces[0]!;
  const there = fit.faces.find(({ faceId }) => faceId === face.id) ?? { faceId: face.id, pieces: [] };
  const pieces = addedPieces(
    blank,
    face,
    { pieces: there.pieces, factsOf: (id) => useShop.getState().artworks.get(id)!.facts },
    inRoles(added).map((one, i) => ({ ...one, facts: added[i]!.facts })),
    () => crypto.randomUUID(),
  );
  const grounds = pieces.filter(({ role }) => role === 'ground');
  const motifs = pieces.filter(({ role }) => role === 'motif');
  const laid = { ...there, pieces: [...grounds, ...there.pieces, ...motifs] };
  const faces = fit.faces.includes(there)
    ? fit.faces.map((one) => (one === there ? laid : one))
    : [...fit.faces, laid];
  const next = await withCuts({ ...fit, faces }, blank, [...artworks, ...added]);
  const { undo } = await commit(['fits', 'designs'], async (store) => {
    const design = await store.get('designs', fit.designId);
    if (!design || !dequal(await store.get('fits', fit.id), fit))
      throw new UpFitError('not-found', 'This fit was changed meanwhile: drop it again.');
    store.put('fits', next);
    store.put('designs', { ...design, artworks: withArtworks(design.artworks, inRoles(added)) });
  });
  return undo;
}
