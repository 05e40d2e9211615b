import { UpFitError } from '@/core/errors';
import { NO_IDEA, type Idea } from '@/core/fit/idea';
import { withArtworks, type Design, type Fit, type Role } from '@/core/fit/schema';
import { byVersion, nextVersionName, type Version } from '@/core/fit/version';
import type { Store } from '@/store/commit';
import { commit, type Kept } from './commit';
import { freeName, wantedName } from './names';

/** Changes a design from what it is on the disk. */
export function changeDesign(
  designId: string,
  change: (design: Design) => Partial<Omit<Design, 'upfit' | 'id'>>,
): Promise<Kept<void>> {
  return commit(['designs'], async (store) => {
    const design = await existing(store, designId);
    store.put('designs', { ...design, ...change(design) });
  });
}

export const renameDesign = async (designId: string, name: string): Promise<Kept<void>> => {
  const wanted = wantedName(name);
  return changeDesign(designId, () => ({ name: wanted }));
};

export const noteIdea = (designId: string, note: Partial<Idea>): Promise<Kept<void>> =>
  changeDesign(designId, ({ idea }) => ({ idea: { ...NO_IDEA, ...idea, ...note } }));

/** Adds artworks to a design, each by the role it usually has. */
export const addToDesign = (designId: string, artworks: Design['artworks']): Promise<Kept<void>> =>
  changeDesign(designId, (design) => ({ artworks: withArtworks(design.artworks, artworks) }));

export const setArtworkRole = (designId: string, artworkId: string, role: Role): Promise<Kept<void>> =>
  changeDesign(designId, ({ artworks }) => ({
    artworks: artworks.map((one) => (one.artworkId === artworkId ? { ...one, role } : one)),
  }));

/** Takes artworks off a design; its fits keep what they show. */
export const takeOffDesign = (designId: string, artworkIds: readonly string[]): Promise<Kept<void>> =>
  changeDesign(designId, ({ artworks }) => ({
    artworks: artworks.filter(({ artworkId }) => !artworkIds.includes(artworkId)),
  }));

/** Moves artworks from one design to another; the fits of both stay as they are. */
export function moveArtworks(
  artworkIds: readonly string[],
  fromId: string,
  toId: string,
): Promise<Kept<void>> {
  return commit(['designs'], async (store) => {
    const [from, to] = [await existing(store, fromId), await existing(store, toId)];
    if (fromId === toId) throw new UpFitError('bad-argument', 'They are in this design already.');
    const isMoved = ({ artworkId }: Design['artworks'][number]) => artworkIds.includes(artworkId);
    store.put('designs', { ...from, artworks: from.artworks.filter((one) => !isMoved(one)) });
    store.put('designs', { ...to, artworks: withArtworks(to.artworks, from.artworks.filter(isMoved)) });
  });
}

/** A copy of a design with its fits, right under it. */
export function duplicateDesign(designId: string): Promise<Kept<Design>> {
  return commit(['designs', 'fits'], async (store) => {
    const design = await existing(store, designId);
    const all = await store.all('designs');
    const name = freeName(
      design.name,
      all.map((one) => one.name),
    );
    const copy: Design = { ...design, id: crypto.randomUUID(), name };
    putInOrder(
      store,
      inRows(all).flatMap((one) => (one.id === designId ? [one, copy] : [one])),
    );
    for (const fit of await store.all('fits'))
      if (fit.designId === designId)
        store.put('fits', { ...fit, id: crypto.randomUUID(), designId: copy.id });
    return copy;
  });
}

/**
 * Joins a design to another, which keeps its name: artworks and fits go over. Where both lie on one blank, the one that
 * comes becomes a version there, by the name of the design it came from.
 */
export function joinDesigns(fromId: string, intoId: string): Promise<Kept<void>> {
  return commit(['designs', 'fits'], async (store) => {
    const [from, into] = [await existing(store, fromId), await existing(store, intoId)];
    if (fromId === intoId)
      throw new UpFitError('bad-argument', 'A design cannot be joined with itself: choose another.');
    store.put('designs', { ...into, artworks: withArtworks(into.artworks, from.artworks) });
    const fits = await store.all('fits');
    for (const fit of fits.filter(({ designId }) => designId === fromId)) {
      const there = fits.filter((one) => one.designId === intoId && one.blankId === fit.blankId);
      store.put('fits', {
        ...fit,
        designId: intoId,
        ...(there.length > 0 && {
          version: {
            name: freeName(
              fit.version?.name ?? from.name,
              there.map(({ version }) => version?.name ?? ''),
            ),
            colours: fit.version?.colours ?? [],
          },
        }),
      });
    }
    store.remove('designs', fromId);
  });
}

/** Puts a design in another's row; that and all between move by one. */
export function moveDesign(designId: string, toRowOf: string): Promise<Kept<void>> {
  return commit(['designs'], async (store) => {
    const rows = inRows(await store.all('designs'));
    const [from, to] = [designId, toRowOf].map((id) => rows.findIndex((one) => one.id === id));
    if (from === undefined || to === undefined || from < 0 || to < 0) return;
    const [moved] = rows.splice(from, 1);
    rows.splice(to, 0, moved!);
    putInOrder(store, rows);
  });
}

/** Another version of a fit beside it: a copy, to be changed. */
export function addVersion(fitId: string): Promise<Kept<Fit>> {
  return commit(['fits'], async (store) => {
    const fit = await store.get('fits', fitId);
    if (!fit) throw new UpFitError('not-found', 'This fit is no longer here.');
    const beside = (await store.all('fits')).filter(
      ({ designId, blankId }) => designId === fit.designId && blankId === fit.blankId,
    );
    const copy: Fit = {
      ...fit,
      id: crypto.randomUUID(),
      version: { name: nextVersionName(beside), colours: [] },
    };
    store.put('fits', copy);
    return copy;
  });
}

/** Names a version of a fit and says which product colours it is for; the one without a name is the first. */
export function setVersion(fitId: string, change: Partial<Version>): Promise<Kept<void>> {
  return commit(['fits'], async (store) => {
    const fit = await store.get('fits', fitId);
    if (!fit) throw new UpFitError('not-found', 'This fit is no longer here.');
    const version = { name: 'version 1', colours: [], ...fit.version, ...change };
    // It is shown and measured on a colour that it is for.
    const { colours } = version;
    const colourId = colours.length > 0 && !colours.includes(fit.colourId) ? colours[0]! : fit.colourId;
    store.put('fits', { ...fit, version: { ...version, name: wantedName(version.name) }, colourId });
  });
}

/** The fits of a design on a blank, its versions in order. */
export function versionsOf(fits: Iterable<Fit>, designId: string, blankId: string): Fit[] {
  return [...fits].filter((fit) => fit.designId === designId && fit.blankId === blankId).sort(byVersion);
}

async function existing(store: Store, designId: string): Promise<Design> {
  const design = await store.get('designs', designId);
  if (!design)
    throw new UpFitError('not-found', 'This design is no longer here: another window took it off.');
  return design;
}

const inRows = (designs: readonly Design[]): Design[] => [...designs].sort((a, b) => a.order - b.order);

function putInOrder(store: Store, rows: readonly Design[]): void {
  rows.forEach((design, order) => {
    if (design.order !== order) store.put('designs', { ...design, order });
  });
}
