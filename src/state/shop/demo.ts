import { DEMO_COLUMNS, DEMO_FILES, demoDesigns, demoFits, SHOP_NAME, type DemoKey } from '@/demo/shop';
import type { Facts } from '@/core/artwork/facts';
import { artworkIdsOf, type Fit } from '@/core/fit/schema';
import type { Artwork } from '@/store/schema';
import { noteArtwork } from '../artwork/artworks';
import { importFiles } from '../artwork/imports';
import { withCuts } from '../bench/cutting';
import { commit } from './commit';
import { useShop } from './shop';
import { FIRST_SETTINGS } from '@/store/schema';

/** The keepers drew nearly all of it themselves; of what others gave, nothing was written down. */
const OWN = {
  source: 'drawn by the keepers',
  licence: 'own work',
  proof: 'the drawing book in the lamp room',
};
const UNSAID = new Set<DemoKey>(['storm', 'old-flyer']);

/** Loads the demo shop through the same door as a seller's own files; what is there already stays. */
export async function loadDemo(): Promise<void> {
  const files = await Promise.all(
    (Object.keys(DEMO_FILES) as DemoKey[]).map(async (key) => {
      const name = `${key}.${DEMO_FILES[key]}`;
      const answer = await fetch(`/demo/${name}`);
      if (!answer.ok) throw new Error('The demo’s files are not drawn yet: run ./start once more.');
      return [key, new File([await answer.blob()], name)] as const;
    }),
  );
  const artworks = await importFiles(files.map(([, file]) => file));
  const facts = new Map<DemoKey, Facts>();
  for (const [key, { name }] of files) {
    const artwork = artworks.find((one) => one.facts.name === name);
    if (!artwork) throw new Error('The demo did not load whole: open it again.');
    facts.set(key, artwork.facts);
    if (!UNSAID.has(key)) await noteArtwork(artwork.id, { origin: OWN });
  }
  const factsOf = (key: DemoKey) => facts.get(key)!;
  const fits = await Promise.all(demoFits(factsOf).map((fit) => cutDemo(fit, artworks)));
  await commit(['designs', 'fits', 'settings'], async (store) => {
    for (const design of demoDesigns(factsOf)) store.put('designs', design);
    for (const fit of fits) store.put('fits', fit);
    const settings = (await store.get('settings', 'settings')) ?? FIRST_SETTINGS;
    store.put('settings', { ...settings, shopName: SHOP_NAME, columns: [...DEMO_COLUMNS], demoLoaded: true });
  });
}

/** Stickers are cut as they come in, from their artworks' own pixels. */
function cutDemo(fit: Fit, artworks: readonly Artwork[]): Promise<Fit> {
  const blank = useShop.getState().blanks.get(fit.blankId)!;
  const ids = artworkIdsOf(fit);
  return withCuts(
    fit,
    blank,
    artworks.filter(({ id }) => ids.includes(id)),
  );
}
