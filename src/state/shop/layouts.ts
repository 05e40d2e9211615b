import { UpFitError } from '@/core/errors';
import { layoutFault, layoutOfFit } from '@/core/layout/places';
import type { Layout, LayoutFace } from '@/core/layout/schema';
import type { Fit } from '@/core/fit/schema';
import type { Store } from '@/store/commit';
import { commit, type Kept } from './commit';
import { freeName, wantedName } from './names';
import { takeOut } from './records';
import { useShop } from './shop';

/** Makes a starting layout with nothing on it; answers with it. The first of a blank is what fits begin with. */
export function makeLayout(blankId: string, name: string): Promise<Kept<Layout>> {
  return put(blankId, name, { artworks: [], faces: [] });
}

/** Keeps a fit as a starting layout: its design's own artworks are examples that give their places to others. */
export function keepLayout(fit: Fit, name: string): Promise<Kept<Layout>> {
  const { designs, artworks } = useShop.getState();
  const own = new Set(designs.get(fit.designId)?.artworks.map(({ artworkId }) => artworkId));
  return put(
    fit.blankId,
    name,
    layoutOfFit(fit, (id) => own.has(id) || own.has(artworks.get(id)?.rendition?.of ?? '')),
  );
}

function put(
  blankId: string,
  typed: string,
  what: Pick<Layout, 'artworks' | 'faces'>,
): Promise<Kept<Layout>> {
  const name = wantedName(typed);
  return commit(['layouts'], async (store) => {
    const beside = await allOf(store, blankId);
    const layout: Layout = {
      upfit: 'layout/2',
      id: crypto.randomUUID(),
      blankId,
      name,
      usual: beside.length === 0,
      keptAt: Date.now(),
      ...what,
    };
    store.put('layouts', layout);
    return layout;
  });
}

/** A copy of a starting layout beside it. */
export function duplicateLayout(id: string): Promise<Kept<Layout>> {
  return commit(['layouts'], async (store) => {
    const layout = await existing(store, id);
    const names = (await allOf(store, layout.blankId)).map(({ name }) => name);
    const copy = {
      ...layout,
      id: crypto.randomUUID(),
      name: freeName(layout.name, names),
      usual: false,
      keptAt: Date.now(),
    };
    store.put('layouts', copy);
    return copy;
  });
}

export function renameLayout(id: string, typed: string): Promise<Kept<void>> {
  const name = wantedName(typed);
  return change(id, () => ({ name }));
}

/** Changes what lies on a face of a layout; throws with a sentence where something would be larger than the face. */
export async function changeLayoutFace(
  id: string,
  faceId: string,
  to: (face: LayoutFace) => LayoutFace,
): Promise<Kept<void>> {
  const { blanks, artworks, settings } = useShop.getState();
  return change(id, ({ blankId, faces }) => {
    const before = faces.find((face) => face.faceId === faceId) ?? { faceId, pieces: [], places: [] };
    const after = to(before);
    const fault = layoutFault(
      [after],
      blanks.get(blankId)?.faces ?? [],
      (artworkId) => artworks.get(artworkId)?.facts ?? null,
      settings.unit,
    );
    if (fault !== null) throw new UpFitError('bad-argument', fault);
    return { faces: [...faces.filter((face) => face.faceId !== faceId), after] };
  });
}

/** Has an artwork of a layout kept as it is, or be an example that gives its place to a design's own. */
export function setExample(
  id: string,
  artworkId: string,
  role: 'ground' | 'motif' | null,
): Promise<Kept<void>> {
  return change(id, ({ artworks }) => ({
    artworks: [
      ...artworks.filter((one) => one.artworkId !== artworkId),
      ...(role === null ? [] : [{ artworkId, role }]),
    ],
  }));
}

/** Has fits on a blank begin with one of its layouts, or bare. */
export function setUsual(blankId: string, id: string | null): Promise<Kept<void>> {
  return commit(['layouts'], async (store) => {
    for (const layout of await allOf(store, blankId))
      if (layout.usual !== (layout.id === id)) store.put('layouts', { ...layout, usual: layout.id === id });
  });
}

export function removeLayout(id: string): Promise<() => Promise<void>> {
  return takeOut('layouts', id);
}

function change(id: string, to: (layout: Layout) => Partial<Layout>): Promise<Kept<void>> {
  return commit(['layouts'], async (store) => {
    const layout = await existing(store, id);
    store.put('layouts', { ...layout, ...to(layout) });
  });
}

async function existing(store: Store, id: string): Promise<Layout> {
  const layout = await store.get('layouts', id);
  if (!layout)
    throw new UpFitError('not-found', 'This layout is no longer here: another window took it out.');
  return layout;
}

async function allOf(store: Store, blankId: string): Promise<Layout[]> {
  return (await store.all('layouts')).filter((layout) => layout.blankId === blankId);
}
