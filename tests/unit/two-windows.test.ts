import { inOneOrder } from '@/core/key-order';
import 'fake-indexeddb/auto';
import type * as Database from '@/store/database';
import fc from 'fast-check';
import type * as Artworks from '@/state/artwork/artworks';
import type * as Commit from '@/state/shop/commit';
import type * as Records from '@/state/shop/records';
import type * as Shop from '@/state/shop/shop';
import { artworkIdsOf } from '@/core/fit/schema';
import { clearLoose, transact } from '@/store/commit';
import { database } from '@/store/database';
import { readAll } from '@/store/read';
import { designNamed, emptyStore, fitNamed, measured, until } from '../support/shop-store';

/** The state of one window: modules of its own, over the one store. */
interface Window {
  artworks: typeof Artworks;
  commit: typeof Commit;
  records: typeof Records;
  shop: typeof Shop;
  leave: () => void;
}

async function openWindow(): Promise<Window> {
  let opened: Window | undefined;
  await jest.isolateModulesAsync(async () => {
    const commit = (await import('@/state/shop/commit')) as typeof Commit;
    const shop = (await import('@/state/shop/shop')) as typeof Shop;
    opened = {
      artworks: (await import('@/state/artwork/artworks')) as typeof Artworks,
      records: (await import('@/state/shop/records')) as typeof Records,
      commit,
      shop,
      leave: commit.followOthers(),
    };
    const store = (await import('@/store/database')) as typeof Database;
    connections.push(store.database);
  });
  return opened!;
}

const connections: (typeof database)[] = [];
const windows: Window[] = [];
beforeAll(async () => {
  windows.push(await openWindow(), await openWindow());
});
afterAll(async () => {
  for (const { leave } of windows) leave();
  for (const connection of [...connections, database]) (await connection()).close();
});

const NAMES = ['a', 'b', 'c'];
const name = fc.constantFrom(...NAMES);
const act = fc.record({
  window: fc.constantFrom(0, 1),
  kind: fc.constantFrom(
    'take in',
    'take out',
    'design',
    'no design',
    'fit',
    'no fit',
    'rename',
    'column',
    'unit',
    'docket',
    'undo',
  ),
  one: name,
  other: name,
});
type Act = typeof act extends fc.Arbitrary<infer T> ? T : never;

/** What each window could take back last. */
type Undos = (() => Promise<void>)[];

/** Does an act as a window's screens would: by what it shows. What is refused in words is no failure. */
async function perform({ window, kind, one, other }: Act, undos: Undos): Promise<void> {
  const { artworks, records, shop } = windows[window]!;
  const shown = shop.useShop.getState();
  const keepUndo = (undo: () => Promise<void>) => (undos[window] = undo);
  const found = [...shown.artworks.values()].find(({ facts }) => facts.sha256 === one);
  switch (kind) {
    case 'take in':
      await artworks.keepFile(measured(one), new Blob([one]));
      return;
    case 'take out':
      if (found) keepUndo(await artworks.removeArtwork(found));
      return;
    case 'design':
      await records.saveDesign(designNamed(one, found ? [found.id] : []));
      return;
    case 'no design':
      if (shown.designs.has(one)) keepUndo(await records.removeDesign(one));
      return;
    case 'fit':
      await records.saveFit(fitNamed(one, { designId: other, artworkIds: found ? [found.id] : [] }));
      return;
    case 'no fit':
      if (shown.fits.has(one)) keepUndo(await records.removeFit(one));
      return;
    case 'rename':
      if (found) await artworks.noteArtwork(found.id, { name: `${other}.png` });
      return;
    case 'column':
      await records.changeSettings(({ columns }) => ({ columns: [...columns, one].slice(-5) }));
      return;
    case 'unit':
      await records.changeSettings({ shopName: other });
      return;
    case 'docket':
      await records.saveDocket({
        fitId: one,
        key: other,
        verdict: 'ready',
        measuredAt: 0,
        exact: true,
        findings: [],
        looks: [],
        sizes: [],
      });
      return;
    case 'undo':
      await undos[window]?.();
      undos.splice(window, 1, () => Promise.resolve());
  }
}

const inWords = (error: unknown) => {
  if (!(error instanceof Error) || error.name !== 'UpFitError') throw error;
};

/** Every reference leads somewhere, every file that is needed is there, and both windows show what is stored. */
async function holdsTogether(): Promise<void> {
  const { stored, aside } = await readAll();
  expect(aside).toEqual([]);
  const here = { artworks: ids(stored.artworks), designs: ids(stored.designs), fits: ids(stored.fits) };
  for (const design of stored.designs)
    for (const { artworkId } of design.artworks) expect(here.artworks).toContain(artworkId);
  for (const fit of stored.fits) {
    expect(here.designs).toContain(fit.designId);
    for (const id of artworkIdsOf(fit)) expect(here.artworks).toContain(id);
  }
  const { result: dockets } = await transact(['dockets'], (store) => store.all('dockets'));
  for (const { fitId } of dockets) expect(here.fits).toContain(fitId);
  const keys = (all: readonly { fitId: string; key: string }[]) =>
    all.map(({ fitId, key }) => `${fitId} ${key}`).sort();
  expect(keys(stored.summaries)).toEqual(keys(dockets));
  await clearLoose(Date.now() + 1e12);
  const files = (await (await database()).getAllKeys('originals')) as string[];
  expect([...files].sort()).toEqual([...new Set(stored.artworks.map(({ facts }) => facts.sha256))].sort());
  const said = (records: readonly object[]) => JSON.stringify(records.map((one) => inOneOrder(one)).sort());
  for (const { shop } of windows) {
    const showing = () => {
      const { artworks, designs, fits, summaries, settings } = shop.useShop.getState();
      return said([
        ...artworks.values(),
        ...designs.values(),
        ...fits.values(),
        ...summaries.values(),
        settings,
      ]);
    };
    const wanted = said([
      ...stored.artworks,
      ...stored.designs,
      ...stored.fits,
      ...stored.summaries,
      ...(stored.settings.length > 0 ? stored.settings : [shop.useShop.getInitialState().settings]),
    ]);
    await until(() => showing() === wanted);
  }
}

const ids = (records: readonly { id: string }[]) => records.map(({ id }) => id);

async function afresh(): Promise<Undos> {
  await emptyStore();
  for (const { shop } of windows) await shop.openShop();
  return windows.map(() => () => Promise.resolve());
}

test('acts of two windows, one after another: nothing is lost, nothing dangles, both show the same', async () => {
  await fc.assert(
    fc.asyncProperty(fc.array(act, { maxLength: 14 }), async (acts) => {
      const undos = await afresh();
      for (const one of acts) await perform(one, undos).catch(inWords);
      await holdsTogether();
    }),
    { numRuns: 60 },
  );
});

test('acts of two windows at once, in any order the machine takes them: the same holds', async () => {
  await fc.assert(
    fc.asyncProperty(fc.array(act, { maxLength: 14 }), async (acts) => {
      const undos = await afresh();
      await Promise.all(acts.map((one) => perform(one, undos).catch(inWords)));
      await holdsTogether();
    }),
    { numRuns: 60 },
  );
});

test('settings changed in both windows at once keep every field and every entry', async () => {
  await afresh();
  await Promise.all(
    NAMES.flatMap((one) =>
      windows.map(({ records }, at) =>
        records.changeSettings(({ columns }) => ({ columns: [...columns, `${one}${at}`] })),
      ),
    ),
  );
  await windows[0]!.records.changeSettings({ shopName: 'Mine' });
  const [settings] = (await readAll()).stored.settings;
  expect(settings).toMatchObject({ shopName: 'Mine' });
  expect(settings!.columns).toEqual(expect.arrayContaining(['a0', 'a1', 'b0', 'b1', 'c0', 'c1']));
  await holdsTogether();
});
