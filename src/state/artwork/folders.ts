import { create } from 'zustand';
import { withArtworks, type Design } from '@/core/fit/schema';
import { roleOf } from '@/core/fit/place';
import type { Artwork } from '@/store/schema';
import type { Store } from '@/store/commit';
import { commit } from '../shop/commit';

/** A folder with more artworks than this is more likely a store of files than one design: it is asked about. */
const MOST_AT_ONCE = 24;

/** Folders that came in and were too large to become a design unasked. */
export const useFolders = create<{ asked: readonly { name: string; artworks: readonly Artwork[] }[] }>(
  () => ({
    asked: [],
  }),
);

/** A folder becomes a design of what lay in it; a large one is asked about first. */
export async function gatherFolder(name: string, artworks: readonly Artwork[]): Promise<void> {
  if (artworks.length === 0) return;
  if (artworks.length > MOST_AT_ONCE) {
    useFolders.setState(({ asked }) => ({ asked: [...asked, { name, artworks }] }));
    return;
  }
  await designOf(name, artworks);
}

/** Answers the question about a large folder. */
export async function answerFolder(name: string, makeDesign: boolean): Promise<void> {
  const folder = useFolders.getState().asked.find((one) => one.name === name);
  useFolders.setState(({ asked }) => ({ asked: asked.filter((one) => one !== folder) }));
  if (folder && makeDesign) await designOf(name, folder.artworks);
}

/** A design of some artworks; opaque artwork is taken for a ground, transparent for a motif. */
export async function designOf(name: string, artworks: readonly Artwork[]): Promise<Design> {
  const { result } = await commit(['designs'], async (store) => newDesign(store, name, artworks));
  return result;
}

/** Artworks as a design has them, each in the role it is taken for. */
export function inRoles(artworks: readonly Artwork[]): Design['artworks'] {
  return artworks.map(({ id, facts }) => ({ artworkId: id, role: roleOf(facts) }));
}

/** The same as part of another act. */
export async function newDesign(store: Store, name: string, artworks: readonly Artwork[]): Promise<Design> {
  const order = Math.max(-1, ...(await store.all('designs')).map((one) => one.order)) + 1;
  const design: Design = {
    upfit: 'design/1',
    id: crypto.randomUUID(),
    name,
    order,
    artworks: withArtworks([], inRoles(artworks)),
  };
  store.put('designs', design);
  return design;
}
