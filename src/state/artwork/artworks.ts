import { UpFitError } from '@/core/errors';
import type { Step } from '@/core/artwork/steps';
import { followArtwork, sayChanges } from '@/core/fit/follow';
import { artworkIdOf, artworkIdsOf, type Fit } from '@/core/fit/schema';
import { keepFile as keepBytes, type Store } from '@/store/commit';
import { readOriginal } from '@/store/read';
import type { Artwork } from '@/store/schema';
import { engine, type JobOptions } from '@/workers/client';
import type { ArtworkResult } from '@/workers/messages';
import { commit, patiently } from '../shop/commit';
import { useShop } from '../shop/shop';

const NO_ORIGIN: Artwork['origin'] = { source: '', licence: '', proof: '' };

/** Whether nothing is said of who made an artwork, or of its licence. */
export function isSilent({ origin }: Artwork): boolean {
  return origin.source.trim() === '' || origin.licence.trim() === '';
}

/** Keeps a file that was measured, as a new artwork, or answers with the one it is here already. */
export async function keepFile(
  { facts, preview }: ArtworkResult,
  file: Blob,
  signal?: AbortSignal,
): Promise<{ artwork: Artwork; known: boolean }> {
  const { sha256 } = facts;
  await patiently(() => keepBytes('originals', sha256, file), signal);
  const { result } = await commit(
    ['artworks'],
    async (store) => {
      // Another window may have taken the same file in meanwhile.
      const all = await store.all('artworks');
      const here = all.find((one) => one.facts.sha256 === sha256 && one.rendition === null);
      if (here) return { artwork: here, known: true };
      const artwork: Artwork = {
        upfit: 'artwork/1',
        id: all.some(({ id }) => id === sha256) ? crypto.randomUUID() : sha256,
        facts,
        addedAt: Date.now(),
        preview,
        steps: [],
        fileName: null,
        origin: NO_ORIGIN,
        rendition: null,
      };
      store.put('artworks', artwork);
      return { artwork, known: false };
    },
    { signal },
  );
  return result;
}

/** Changes what is noted of an artwork; its pixels stay. */
export async function noteArtwork(
  artworkId: string,
  note: Partial<Pick<Artwork, 'origin' | 'rendition'>> & { name?: string },
): Promise<void> {
  await commit(['artworks'], async (store) => {
    const artwork = await store.get('artworks', artworkId);
    if (!artwork) return;
    const { name = artwork.facts.name, ...others } = note;
    store.put('artworks', {
      ...artwork,
      ...others,
      fileName: artwork.fileName ?? (name === artwork.facts.name ? null : artwork.facts.name),
      facts: { ...artwork.facts, name },
    });
  });
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

/**
 * Puts another file in the place of an artwork's, under its name, with the steps it has; every fit follows, and so do its
 * renditions that were made of the same file.
 */
export async function replaceFile(artwork: Artwork, file: File, options: JobOptions = {}): Promise<Changed> {
  const all = [...useShop.getState().artworks.values()].filter(
    ({ rendition, facts }) => rendition?.of === artwork.id && facts.sha256 === artwork.facts.sha256,
  );
  const done: Changed[] = [];
  try {
    for (const one of [artwork, ...all]) {
      const { facts, preview } = await engine.measure({ name: file.name, file, steps: one.steps }, options);
      const renamed = { ...facts, name: one.facts.name };
      done.push(await become(one, { ...one, facts: renamed, preview, fileName: file.name }, file));
    }
  } catch (error) {
    // All of them are of one file, or none is.
    for (const { undo } of done.reverse()) await undo();
    throw error;
  }
  const [first] = done as [Changed, ...Changed[]];
  const followed = all.length === 1 ? 'Its rendition follows.' : `Its ${all.length} renditions follow.`;
  return {
    ...first,
    said: all.length > 0 ? [...first.said, followed] : first.said,
    fits: done.reduce((sum, { fits }) => sum + fits, 0),
    undo: async () => {
      for (const { undo } of [...done].reverse()) await undo();
    },
  };
}

/** Takes an artwork out, with the pieces that show it; gives back what undoes it. Its file is kept for a day. */
export async function removeArtwork({ id }: Artwork): Promise<() => Promise<void>> {
  const { undo } = await commit(['artworks', 'designs', 'fits'], async (store) => {
    for (const fit of await fitsShowing(store, id)) store.put('fits', withoutArtwork(fit, id));
    for (const design of await store.all('designs')) {
      const artworks = design.artworks.filter(({ artworkId }) => artworkId !== id);
      if (artworks.length < design.artworks.length) store.put('designs', { ...design, artworks });
    }
    store.remove('artworks', id);
  });
  return undo;
}

async function fitsShowing(store: Store, artworkId: string): Promise<Fit[]> {
  return (await store.all('fits')).filter((fit) => artworkIdsOf(fit).includes(artworkId));
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

/** One record in another's place, with its file; what shows the old one follows. */
async function become(before: Artwork, after: Artwork, file: Blob): Promise<Changed> {
  await patiently(() => keepBytes('originals', after.facts.sha256, file));
  const { result, undo } = await commit(['artworks', 'fits'], async (store) => {
    const now = await store.get('artworks', before.id);
    if (!now) throw new UpFitError('not-found', `“${before.facts.name}” was taken out in another window.`);
    const shown = await fitsShowing(store, before.id);
    // What was noted of it meanwhile stays.
    const { facts, preview, steps, fileName } = after;
    store.put('artworks', { ...now, facts: { ...facts, name: now.facts.name }, preview, steps, fileName });
    for (const fit of shown) store.put('fits', followArtwork(fit, before.id, now.facts, facts));
    return shown.length;
  });
  return { artwork: after, said: sayChanges(before.facts, after.facts), fits: result, undo };
}
