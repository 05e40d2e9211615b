import type { Step } from '@/core/artwork/steps';
import { followArtwork, sayChanges } from '@/core/fit/follow';
import { artworkIdOf, type Fit } from '@/core/fit/schema';
import { put, putArtwork, readOriginal, remove, removeOriginal } from '@/store/database';
import type { Artwork } from '@/store/schema';
import { engine, type JobOptions } from '@/workers/client';
import type { ArtworkResult } from '@/workers/messages';
import { artworkIdsOf, saveDesign, saveFit, useShop, without, withRecord } from '../shop/shop';

const NO_ORIGIN: Artwork['origin'] = { source: '', licence: '', proof: '' };

/** Whether nothing is said of who made an artwork, or of its licence. */
export function isSilent({ origin }: Artwork): boolean {
  return origin.source.trim() === '' || origin.licence.trim() === '';
}

/** The artwork that a file came in as, if it is here already. */
export function ownerOf(sha256: string): Artwork | undefined {
  return [...useShop.getState().artworks.values()].find(
    ({ facts, rendition }) => facts.sha256 === sha256 && rendition === null,
  );
}

/** Keeps a file that was measured, as a new artwork. */
export async function keepFile({ facts, preview }: ArtworkResult, file: Blob): Promise<Artwork> {
  const taken = useShop.getState().artworks.has(facts.sha256);
  const artwork: Artwork = {
    upfit: 'artwork/1',
    id: taken ? crypto.randomUUID() : facts.sha256,
    facts,
    addedAt: Date.now(),
    preview,
    steps: [],
    fileName: null,
    origin: NO_ORIGIN,
    rendition: null,
  };
  await putArtwork(artwork, file);
  show(artwork);
  return artwork;
}

function show(artwork: Artwork): void {
  useShop.setState(({ artworks }) => ({ artworks: withRecord(artworks, artwork.id, artwork) }));
}

/** Changes what is noted of an artwork; its pixels stay. */
export async function noteArtwork(
  artworkId: string,
  note: Partial<Pick<Artwork, 'origin' | 'rendition'>> & { name?: string },
): Promise<void> {
  const artwork = useShop.getState().artworks.get(artworkId);
  if (!artwork) return;
  const { name = artwork.facts.name, ...others } = note;
  const noted: Artwork = {
    ...artwork,
    ...others,
    fileName: artwork.fileName ?? (name === artwork.facts.name ? null : artwork.facts.name),
    facts: { ...artwork.facts, name },
  };
  show(noted);
  await put('artworks', noted);
}

/** What became of a change of an artwork's pixels: told, and to be taken back. */
export interface Changed {
  artwork: Artwork;
  /** What is other than before, a sentence each. */
  said: string[];
  /** Fits that followed. */
  fits: number;
  undo: () => Promise<void>;
}

/** Does other steps to an artwork's file than before; every fit follows. */
export async function setSteps(
  artwork: Artwork,
  steps: readonly Step[],
  options: JobOptions = {},
): Promise<Changed> {
  const file = await readOriginal(artwork.facts.sha256);
  const { facts, preview } = await engine.measure({ name: artwork.facts.name, file, steps }, options);
  return become(artwork, { ...artwork, facts, preview, steps: [...steps] }, file);
}

/** Puts another file in the place of an artwork's, under its name, with the steps it has; every fit follows. */
export async function replaceFile(artwork: Artwork, file: File, options: JobOptions = {}): Promise<Changed> {
  const { facts, preview } = await engine.measure({ name: file.name, file, steps: artwork.steps }, options);
  const renamed = { ...facts, name: artwork.facts.name };
  return become(artwork, { ...artwork, facts: renamed, preview, fileName: file.name }, file);
}

/** Another artwork of the same file, with steps of its own, linked as a rendition of the first. */
export async function addRendition(
  artwork: Artwork,
  rendition: { kind: NonNullable<Artwork['rendition']>['kind']; name: string },
): Promise<Artwork> {
  const of = artwork.rendition?.of ?? artwork.id;
  const name = artwork.facts.name.replace(/(\.[a-z0-9]+)?$/i, (ending) => ` (${rendition.name})${ending}`);
  const copy: Artwork = {
    ...artwork,
    id: crypto.randomUUID(),
    addedAt: Date.now(),
    fileName: artwork.fileName ?? artwork.facts.name,
    facts: { ...artwork.facts, name },
    rendition: { of, ...rendition },
  };
  show(copy);
  await put('artworks', copy);
  return copy;
}

/** Takes an artwork out, with the pieces that show it; gives back what undoes it. */
export async function removeArtwork(artwork: Artwork): Promise<() => Promise<void>> {
  const { artworks, designs, fits } = useShop.getState();
  const file = await readOriginal(artwork.facts.sha256);
  const shown = [...fits.values()].filter((fit) => artworkIdsOf(fit).includes(artwork.id));
  const used = [...designs.values()].filter((design) =>
    design.artworks.some(({ artworkId }) => artworkId === artwork.id),
  );
  for (const fit of shown) await saveFit(withoutArtwork(fit, artwork.id));
  for (const design of used) {
    await saveDesign({
      ...design,
      artworks: design.artworks.filter(({ artworkId }) => artworkId !== artwork.id),
    });
  }
  useShop.setState({ artworks: without(artworks, artwork.id) });
  await remove('artworks', artwork.id);
  await dropUnused(artwork.facts.sha256);
  return async () => {
    await putArtwork(artwork, file);
    show(artwork);
    for (const design of used) await saveDesign(design);
    for (const fit of shown) await saveFit(fit);
  };
}

function withoutArtwork(fit: Fit, artworkId: string): Fit {
  return {
    ...fit,
    faces: fit.faces.map((face) => ({
      ...face,
      pieces: face.pieces.filter((piece) => artworkIdOf(piece) !== artworkId),
    })),
  };
}

/** One record in another's place, with its file; what showed the old one follows. */
async function become(before: Artwork, after: Artwork, file: Blob): Promise<Changed> {
  const old = await readOriginal(before.facts.sha256);
  const shown = [...useShop.getState().fits.values()].filter((fit) => artworkIdsOf(fit).includes(before.id));
  await putArtwork(after, file);
  show(after);
  for (const fit of shown) await saveFit(followArtwork(fit, before.id, before.facts, after.facts));
  await dropUnused(before.facts.sha256);
  return {
    artwork: after,
    said: sayChanges(before.facts, after.facts),
    fits: shown.length,
    undo: async () => {
      await putArtwork(before, old);
      show(before);
      for (const fit of shown) await saveFit(fit);
      await dropUnused(after.facts.sha256);
    },
  };
}

/** A file goes once no artwork is made from it. */
async function dropUnused(sha256: string): Promise<void> {
  const used = [...useShop.getState().artworks.values()].some(({ facts }) => facts.sha256 === sha256);
  if (!used) await removeOriginal(sha256);
}
