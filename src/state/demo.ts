import { DEMO_COLUMNS, DEMO_FILES, demoDesigns, demoFits, SHOP_NAME, type DemoKey } from '@/demo/shop';
import type { Facts } from '@/core/artwork/facts';
import { noteArtwork } from './artworks';
import { importFiles } from './imports';
import { withCuts } from './cutting';
import { changeSettings, contextOf, saveDesign, saveFit, useShop } from './shop';

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
  for (const design of demoDesigns(factsOf)) await saveDesign(design);
  for (const fit of demoFits(factsOf)) {
    const context = contextOf(fit, useShop.getState());
    await saveFit(context ? await withCuts(fit, context.blank, context.artworks) : fit);
  }
  await changeSettings({ shopName: SHOP_NAME, columns: [...DEMO_COLUMNS], demoLoaded: true });
}
