import 'fake-indexeddb/auto';
import { BLANKS, METHODS, SPECS } from '@/core/blank/library';
import { MILLIMETRES } from '@/core/length/show';
import { newFill } from '@/core/fit/place';
import type { Fit } from '@/core/fit/schema';
import { layoutOfFit } from '@/core/layout/places';
import { newSheet } from '@/core/sheet/schema';
import { keepFile, removeArtwork, replaceFile } from '@/state/artwork/artworks';
import { designOf } from '@/state/artwork/folders';
import { keepSet } from '@/state/artwork/stickers';
import { removeSwatches, saveSwatches } from '@/state/artwork/swatches';
import { dropLostPieces } from '@/state/bench/lost';
import { choosePress } from '@/state/engine/press';
import { removePack } from '@/state/handover/packs';
import { removeSheet, saveSheet } from '@/state/handover/sheets';
import { offersFor } from '@/core/many/offers';
import { WHOLE } from '@/core/many/view';
import { forgetAct, keepAct } from '@/state/many/kept';
import { keepView } from '@/state/many/view';
import { fitOnOffer } from '@/state/shop/offers';
import { blankById } from '../support/fits';
import { doAct, takeOffMany } from '@/state/many/preview';
import { takeArchive, type OpenedArchive } from '@/state/shop/archive';
import { changeBlank, removeBlank } from '@/state/shop/blanks';
import { chooseHouse, duplicateRecord, makeRecord, saveSpec, stateEntries } from '@/state/shop/houses';
import { leaveRefused, tryAgain, useRefused } from '@/state/shop/commit';
import {
  changeLayoutFace,
  duplicateLayout,
  keepLayout,
  makeLayout,
  removeLayout,
  renameLayout,
  setExample,
  setUsual,
} from '@/state/shop/layouts';
import {
  addVersion,
  duplicateDesign,
  joinDesigns,
  moveArtworks,
  moveDesign,
  renameDesign,
  setVersion,
} from '@/state/shop/designs';
import { startDesign } from '@/state/shop/fitting';
import { addColumn, removeColumn } from '@/state/shop/columns';
import { changeSettings, keep, removeDesign, removeFit, saveDocket } from '@/state/shop/records';
import { openShop, useShop } from '@/state/shop/shop';
import { ARCHIVED_TABLES, readRecords, type Records } from '@/store/archive';
import { keepFile as keepBytes } from '@/store/commit';
import { database } from '@/store/database';
import type { Artwork, StoredDocket } from '@/store/schema';
import {
  designNamed,
  dump,
  emptyStore,
  fitNamed,
  measured,
  refuseWritesFrom,
  until,
} from '../support/shop-store';

jest.mock('@/workers/client', () => ({
  ...jest.requireActual<object>('@/workers/client'),
  engine: { measure: () => Promise.resolve(measured('second')) },
}));

const shop = () => useShop.getState();
const artwork = (id: string): Artwork => shop().artworks.get(id)!;
const fit = (id: string): Fit => shop().fits.get(id)!;
const nothing = Object.fromEntries(ARCHIVED_TABLES.map((table) => [table, []])) as unknown as Records;

function archive(records: Partial<Records>): OpenedArchive {
  return {
    name: 'a.zip',
    records: { ...nothing, ...records },
    originals: new Map(),
    settings: null,
    changes: [],
  };
}

/** A shop with a bit of everything. */
async function furnish(): Promise<void> {
  await openShop();
  for (const id of ['first', 'other']) await keepFile(measured(id), new Blob([id]));
  await keep('designs', designNamed('design', ['first', 'other']));
  await keep('designs', designNamed('sea', [], 1));
  await keep('fits', fitNamed('a', { artworkIds: ['first', 'other'] }));
  await keep('fits', fitNamed('b', { artworkIds: ['other'] }));
  await keep('swatches', { id: 'set', name: 'Set', colours: [] });
  await keep('sheets', newSheet('sheet', 'Sheet 1'));
  await keepBytes('packZips', 'pack', new Blob(['zip']));
  await keep('packs', {
    upfit: 'stored-pack/1',
    id: 'pack',
    manifest: MANIFEST,
    bytes: 3,
    sha256: '',
    orders: [],
  });
  await keep('layouts', {
    upfit: 'layout/2',
    id: 'layout',
    blankId: 'mug-325',
    name: 'Rim',
    usual: true,
    keptAt: 1,
    ...layoutOfFit(fit('b'), () => true),
  });
  await saveDocket(docketOf('a'));
}

const coaster = blankById('coaster');
const offer = {
  ...offersFor({ fit: fitNamed('x'), blank: coaster }, { width: 96, height: 96 }, [coaster], {
    factsOf: () => {
      throw new Error('shows no artwork');
    },
    newId: () => 'new',
  })[0]!,
  faces: [],
};
const docketOf = (fitId: string): StoredDocket => ({
  fitId,
  key: 'k',
  verdict: 'ready',
  measuredAt: 0,
  exact: true,
  findings: [],
  looks: [],
  sizes: [],
});

const MANIFEST = {
  upfit: 'pack/1' as const,
  id: 'pack',
  name: 'Pack',
  shop: 'Shop',
  made: '2026-01-01T00:00:00.000Z',
  notes: '',
  fits: [],
  sheets: [],
  files: [],
};

/** Every act of a shop that is more than one field of one record, and those that once lost something. */
const ACTS: Record<string, () => Promise<unknown>> = {
  'an artwork taken in': () => keepFile(measured('third'), new Blob(['third'])),
  'an artwork taken out': () => removeArtwork(artwork('other')),
  'a file replaced': () => replaceFile(artwork('first'), new File(['second'], 'second.png')),
  'a design of artworks': () => designOf('New', [artwork('first')]),
  'a set of stickers': () => keepSet(fitNamed('set', { artworkIds: ['first'] }), 'Set', artwork('first')),
  'a design off the range': () => removeDesign('design'),
  'a design begun on a blank': () => startDesign('Lamp salve', 'tote'),
  'a design renamed': () => renameDesign('design', 'Gullwick salve'),
  'a design copied with its fits': () => duplicateDesign('design'),
  'a design joined to another': () => joinDesigns('design', 'sea'),
  'artworks moved between designs': () => moveArtworks(['first'], 'design', 'sea'),
  'a row moved': () => moveDesign('sea', 'design'),
  'a version added': () => addVersion('a'),
  'a version named': () => setVersion('a', { name: 'dark letters', colours: ['white'] }),
  'a fit taken off': () => removeFit('a'),
  'fits taken off together': () => takeOffMany(['a', 'b']),
  'an act on many fits': () =>
    doAct(
      ['a', 'b'].map((id) => {
        const now = fit(id);
        const design = shop().designs.get('design')!;
        const next = { ...now, faces: [] };
        return { design, blankId: now.blankId, fit: now, next, why: null, before: null, after: docketOf(id) };
      }),
    ),
  'what is lost taken off a fit': () => dropLostPieces('a'),
  'colours kept': () => saveSwatches({ id: 'new', name: 'New', colours: [] }),
  'colours taken out': () => removeSwatches({ id: 'set', name: 'Set', colours: [] }),
  'a sheet kept': () => saveSheet(newSheet('new', 'Sheet 2')),
  'a sheet taken out': () => removeSheet(newSheet('sheet', 'Sheet 1')),
  'a pack taken out': () => removePack(shop().packs.get('pack')!),
  'a layout kept': () => keepLayout(fit('a'), 'With a'),
  'a layout made on a blank': () => makeLayout('tote', 'Hem'),
  'a layout copied': () => duplicateLayout('layout'),
  'a layout renamed': () => renameLayout('layout', 'Rim'),
  'a layout changed': () =>
    changeLayoutFace('layout', 'wrap', (face) => ({ ...face, pieces: [newFill('fill', '#204060')] })),
  'an artwork of a layout kept on every fit': () => setExample('layout', 'other', null),
  'fits begin bare again': () => setUsual('mug-325', null),
  'a layout taken out': () => removeLayout('layout'),
  'a blank changed': () => changeBlank(BLANKS[0]!, { name: 'Mine' }),
  'a spec kept': () => saveSpec({ ...SPECS[0]!, id: 'own' }),
  'a blank taken out': () => removeBlank('mug-325'),
  'a house made': () => makeRecord('specs', 'Fogbell Print'),
  'a method copied': () => duplicateRecord(METHODS[0]!),
  'a house that came with us changed': () =>
    stateEntries('specs', SPECS[0]!, { bleed: '3 mm' }, { kind: 'assumed' }, MILLIMETRES),
  'a house chosen': () => chooseHouse('mug-325', SPECS[1]!.id),
  'a press chosen': () => choosePress(SPECS[0]!.id, { intent: 'perceptual' }),
  'a fit on another size': () => fitOnOffer(fit('a'), offer),
  'an act kept by name': () => keepAct('Autumn', { act: 'colour', answers: { colour: 'Night' } }),
  'a view kept by name': () => keepView('Pressed ones', { ...WHOLE, columns: 'kind' }),
  'a column added': () => addColumn('tote'),
  'a column taken off': () => removeColumn('shirt'),
  'a setting changed': () => changeSettings({ shopName: 'Other' }),
  'an archive brought in': () => takeArchive(archive({ designs: [{ ...designNamed('theirs') }] }), false),
  'the shop replaced': () => takeArchive(archive({ designs: [{ ...designNamed('theirs') }] }), true),
};

/** What the screens show, as far as it is what is stored. */
function shown(): unknown {
  const {
    artworks,
    designs,
    fits,
    summaries,
    swatches,
    sheets,
    packs,
    layouts,
    specs,
    methods,
    versions,
    settings,
  } = shop();
  const maps = {
    artworks,
    designs,
    fits,
    summaries,
    swatches,
    sheets,
    packs,
    layouts,
    specs,
    methods,
    versions,
  };
  return {
    settings,
    ...Object.fromEntries(Object.entries(maps).map(([name, map]) => [name, [...map].sort()])),
  };
}

beforeEach(async () => {
  jest.spyOn(Date, 'now').mockReturnValue(1_800_000_000_000);
  await emptyStore();
  await furnish();
});
afterEach(() => {
  jest.restoreAllMocks();
  leaveRefused();
});
afterAll(async () => {
  (await database()).close();
});

describe.each(Object.entries(ACTS))('%s', (_, act) => {
  test('refused at any of its writes changes nothing, is told, and is done once there is room', async () => {
    const before = { stored: await dump(), shown: shown() };
    for (let n = 1; ; n++) {
      const refusing = refuseWritesFrom(n);
      const done = act().then(() => true);
      const refused = until(() => useRefused.getState().trouble !== null).then(() => false);
      const through = await Promise.race([done, refused.catch(() => true)]);
      refusing.end();
      if (through) {
        await done;
        expect(useRefused.getState().waiting).toBe(0);
        return;
      }
      expect(useRefused.getState().trouble).toMatch(/storage is full/);
      // A file may have come in before its record was refused.
      const now = await dump();
      expect({ ...now, originals: [] }).toEqual({ ...before.stored, originals: [] });
      expect(now['originals']!.length).toBeGreaterThanOrEqual(2);
      expect(shown()).toEqual(before.shown);
      tryAgain();
      expect(await done).toBe(true);
      expect(useRefused.getState()).toEqual({ waiting: 0, trouble: null });
      // What the screens show is what a shop shows that is opened anew.
      const after = shown();
      await openShop();
      expect(shown()).toEqual(after);
      await emptyStore();
      await furnish();
    }
  });

  test('given up, it is as if it had been stopped', async () => {
    const before = shown();
    const refusing = refuseWritesFrom(1);
    const done = act();
    const ended = expect(done).rejects.toMatchObject({ name: 'AbortError' });
    await until(() => useRefused.getState().trouble !== null);
    leaveRefused();
    await ended;
    refusing.end();
    expect(useRefused.getState()).toEqual({ waiting: 0, trouble: null });
    expect(shown()).toEqual(before);
  });
});

describe('what can be taken back is back to the byte', () => {
  const undone = Object.entries(ACTS).filter(([name]) =>
    /taken out|fit taken off|off a fit|off the range|replaced|brought in|layout kept|blank changed|setting/.test(
      name,
    ),
  );
  test.each(undone)('%s', async (_, act) => {
    const before = { stored: await dump(), shown: shown() };
    const answer = (await act()) as (() => Promise<void>) | { undo: () => Promise<void> };
    const undo = typeof answer === 'function' ? answer : answer.undo;
    if (typeof undo !== 'function') return;
    await undo();
    // The first settings may be written down by now; a file that came in goes a day later.
    const [now, then] = [await dump(), before.stored];
    expect({ ...now, originals: [], settings: [] }).toEqual({ ...then, originals: [], settings: [] });
    expect(now['originals']!.length).toBeGreaterThanOrEqual(then['originals']!.length);
    expect(shown()).toEqual(before.shown);
  });

  test('and says what stands in its way where that was changed since', async () => {
    const undo = await removeArtwork(artwork('other'));
    const faces = [{ faceId: 'wrap', pieces: [] }];
    await keep('fits', { ...fit('a'), faces });
    await expect(undo()).rejects.toThrow('changed since');
    expect(shop().artworks.has('other')).toBe(false);
    expect(fit('a').faces).toEqual(faces);
  });
});

test('a fit on another size brings its column, and beside one that is there it is another version', async () => {
  const there = () => [...shop().fits.values()].filter(({ blankId }) => blankId === 'coaster');
  await fitOnOffer(fit('a'), offer);
  const { undo } = await fitOnOffer(fit('a'), offer);
  expect(there().map(({ version }) => version?.name)).toEqual([undefined, 'version 2']);
  expect(shop().settings.columns).toContain('coaster');
  await undo();
  expect(there()).toHaveLength(1);
});

test('what is kept by name takes the place of one so called; without a name nothing is kept', async () => {
  await keepAct(' Autumn ', { act: 'colour', answers: { colour: 'Night' } });
  await keepAct('Autumn', { act: 'colour', answers: { colour: 'White' } });
  expect(shop().settings.acts).toEqual([{ name: 'Autumn', act: 'colour', answers: { colour: 'White' } }]);
  await expect(keepAct('  ', { act: 'colour', answers: {} })).rejects.toThrow('Type a name');
  await (
    await forgetAct('Autumn')
  )();
  expect(shop().settings.acts).toHaveLength(1);
});

test('a docket for a fit that was taken out meanwhile is not kept', async () => {
  await removeFit('a');
  await saveDocket({
    fitId: 'a',
    key: 'k',
    measuredAt: 0,
    verdict: 'fix',
    exact: true,
    findings: [],
    looks: [],
    sizes: [],
  });
  expect(shop().summaries.has('a')).toBe(false);
});

test('an archive that lacks what its fits need takes nothing, and says which', async () => {
  const before = await dump();
  const broken = archive({ fits: [{ ...fitNamed('c', { designId: 'nowhere' }) }] });
  await expect(takeArchive(broken, false)).rejects.toThrow(/needs a design/);
  expect(await dump()).toEqual(before);
  expect((await readRecords()).designs).toHaveLength(2);
});
