import * as v from 'valibot';
import { MEASURED_FILE, MeasuredSchema, previewFile, type MeasuredDemo } from '@/demo/measured';
import { DEMO_COLUMNS, DEMO_FILES, demoDesigns, SHOP_NAME, type DemoKey } from '@/demo/shop';
import { demoListings, demoPrices } from '@/demo/prices';
import { FIRST_SETTINGS } from '@/store/schema';
import { keepFile, noteArtwork } from '../artwork/artworks';
import { commit } from './commit';
import { putDocket } from './records';

const DEMO_TABLES = ['designs', 'fits', 'listings', 'prices', 'settings', 'dockets', 'summaries'] as const;

/** The keepers drew nearly all of it themselves; of what others gave, nothing was written down. */
const OWN = {
  source: 'drawn by the keepers',
  licence: 'own work',
  proof: 'the drawing book in the lamp room',
};
const UNSAID = new Set<DemoKey>(['storm', 'old-flyer']);

/**
 * Loads the demo shop with what was measured in it when it was made; what is there already stays. Its fits are measured
 * again behind.
 */
export async function loadDemo(): Promise<void> {
  const { facts, fits, dockets } = await measures();
  const factsOf = (key: DemoKey) => facts[key]!;
  const keys = Object.keys(DEMO_FILES) as DemoKey[];
  const [files, previews] = await Promise.all([
    Promise.all(keys.map((key) => blob(`${key}.${DEMO_FILES[key]}`))),
    Promise.all(keys.map((key) => blob(previewFile(key)))),
  ]);
  for (const [i, key] of keys.entries()) {
    const { artwork } = await keepFile({ facts: factsOf(key), preview: previews[i]! }, files[i]!);
    if (!UNSAID.has(key)) await noteArtwork(artwork.id, { origin: OWN });
  }
  await commit([...DEMO_TABLES], async (store) => {
    for (const design of demoDesigns(factsOf)) store.put('designs', design);
    for (const fit of fits) store.put('fits', fit);
    // By the same code, when the demo was made: nothing is left to measure.
    for (const docket of dockets) putDocket(store, { ...docket, measuredAt: Date.now() });
    store.put('prices', demoPrices());
    for (const listing of demoListings(fits)) store.put('listings', listing);
    const settings = (await store.get('settings', 'settings')) ?? FIRST_SETTINGS;
    store.put('settings', { ...settings, shopName: SHOP_NAME, columns: [...DEMO_COLUMNS], demoLoaded: true });
  });
}

async function measures(): Promise<MeasuredDemo> {
  return v.parse(MeasuredSchema, JSON.parse(await (await blob(MEASURED_FILE)).text()));
}

async function blob(name: string): Promise<Blob> {
  const answer = await fetch(`/demo/${name}`);
  if (!answer.ok) throw new Error('The demo’s files are not made yet: run ./start once more.');
  return answer.blob();
}
