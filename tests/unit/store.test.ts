import 'fake-indexeddb/auto';
import type * as Database from '@/store/database';
import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import { openDB } from 'idb';
import { digestOf } from '@/core/digest';
import type { Fit } from '@/core/fit/schema';
import { clearLoose, keepFile, readFile, revert, transact } from '@/store/commit';
import { database, VERSION } from '@/store/database';
import { MOST_STEPS, putEdit, readHistory } from '@/store/history';
import { storedSummary, type StoredDocket, type StoredSummary } from '@/store/schema';
import { readAll, readOne, readOriginal } from '@/store/read';
import { entryOf, FILES, migrated, readRecord, TABLE_NAMES } from '@/store/tables';
import { openShop, useShop } from '@/state/shop/shop';
import { blankById } from '../support/fits';
import { designNamed, dump, emptyStore, fitNamed, refuseWritesFrom } from '../support/shop-store';

const mug = blankById('mug-325');
/** A record of each kind as version 1 wrote it: a later version adds a file beside it, and never changes this one. */
const FIRST = JSON.parse(readFileSync('tests/fixtures/records-1.json', 'utf8')) as Record<string, unknown>;

function withFiles(record: Record<string, unknown>): Record<string, unknown> {
  return Object.fromEntries(
    Object.entries(record).map(([field, value]) => [field, value === 'FILE' ? new Blob(['x']) : value]),
  );
}

const painted = (colour: string): Fit => fitNamed('a', { colour });
const edit = (fit: Fit, number: number, step = true) =>
  transact(['fits', 'steps', 'heads'], (store) => putEdit(store, { fit, number, step }));

beforeEach(async () => {
  await emptyStore();
  await transact(['designs'], (store) => {
    store.put('designs', designNamed('design'));
  });
});
afterAll(async () => {
  (await database()).close();
});

describe('the table of records', () => {
  test('each has a key, a noun, and the version of the store that it came with; what it names is there', () => {
    const names = [...TABLE_NAMES, ...Object.keys(FILES)] as string[];
    for (const name of TABLE_NAMES) {
      const { since, noun, needs, owner, migrations = [] } = entryOf(name);
      expect([name, since >= 1 && since <= VERSION, noun.length > 0]).toEqual([name, true, true]);
      for (const other of [...(needs?.tables ?? []), ...(owner ? [owner] : [])])
        expect(names).toContain(other);
      expect(migrations.every((one) => typeof one === 'function')).toBe(true);
    }
  });

  test.each(TABLE_NAMES.map((name) => [name] as const))(
    'a record of %s as the first version wrote it reads today, with nothing lost',
    (name) => {
      const stored = withFiles(FIRST[name] as Record<string, unknown>);
      const read = readRecord(name, stored);
      expect(read).toMatchObject({ ok: true });
      const { upfit, ...fields } = stored;
      expect(read.ok && read.record).toMatchObject(fields);
      expect(upfit === undefined || (read.ok && 'upfit' in read.record)).toBe(true);
    },
  );

  test('a record of a newer Up Fit, and one that does not read, are told apart', () => {
    expect(readRecord('fits', { id: 'x', upfit: 'fit/9' })).toMatchObject({
      ok: false,
      why: expect.stringContaining('newer Up Fit') as string,
    });
    expect(readRecord('fits', { id: 'x', upfit: 'fit/1' })).toMatchObject({
      ok: false,
      name: 'x',
      why: expect.stringContaining('designId') as string,
    });
  });

  test('a store of every version before is carried over: nothing in it is lost', async () => {
    const { layouts: layout, dockets } = FIRST as unknown as {
      layouts: { blankId: string; keptAt: number };
      dockets: StoredDocket;
    };
    // As it was kept until version 10: under all that it was measured from.
    const docket = { ...dockets, key: '["rules",1]' };
    for (let version = 1; version < VERSION; version++) {
      const name = `before-${version}`;
      const old = await openDB(name, version, {
        upgrade: (db) => {
          for (const table of TABLE_NAMES) {
            const { key, since } = entryOf(table);
            if (since > version) continue;
            const keyThen = table === 'layouts' && version < 10 ? 'blankId' : key;
            const store = db.createObjectStore(
              table,
              keyThen === null ? undefined : { keyPath: keyThen as string },
            );
            if (table === 'designs') void store.put(designNamed('kept'));
            if (table === 'layouts') void store.put(version < 10 ? layout : migrated(table, layout));
            if (table === 'dockets') void store.put(docket);
          }
          for (const [file, { since }] of Object.entries(FILES))
            if (since <= version) db.createObjectStore(file);
        },
      });
      old.close();
      await jest.isolateModulesAsync(async () => {
        const open = jest.spyOn(indexedDB, 'open');
        open.mockImplementation((_, wanted) => IDBFactory.prototype.open.call(indexedDB, name, wanted));
        const anew = (await import('@/store/database')) as typeof Database;
        const db = await anew.database();
        expect([...db.objectStoreNames]).toEqual(
          expect.arrayContaining([...TABLE_NAMES, ...Object.keys(FILES)]),
        );
        expect(await db.get('designs', 'kept')).toEqual(designNamed('kept'));
        const read = readRecord('dockets', await db.get('dockets', docket.fitId));
        const key = digestOf(docket.key);
        expect(read.ok && read.record.key).toBe(key);
        if (version < entryOf('summaries').since) {
          const summary = (await db.get('summaries', docket.fitId)) as StoredSummary;
          expect(summary).toEqual(storedSummary({ ...docket, key, measuredAt: 0 }));
        }
        if (version >= entryOf('layouts').since)
          expect(await db.get('layouts', layout.blankId)).toMatchObject({
            upfit: 'layout/2',
            id: layout.blankId,
            keptAt: layout.keptAt,
          });
        db.close();
        open.mockRestore();
      });
    }
  });
});

describe('records', () => {
  test('that do not read stay stored, are named with why, and the others are all there', async () => {
    const db = await database();
    await transact(['fits'], (store) => {
      store.put('fits', fitNamed('good'));
    });
    await db.put('fits', { id: 'odd', upfit: 'fit/9' });
    await db.put('designs', { id: 'strange' });
    const { stored, aside } = await readAll();
    expect(stored.fits.map(({ id }) => id)).toEqual(['good']);
    expect(aside.map(({ table, name }) => [table, name]).sort()).toEqual([
      ['designs', 'strange'],
      ['fits', 'odd'],
    ]);
    expect(await db.get('fits', 'odd')).toEqual({ id: 'odd', upfit: 'fit/9' });
  });

  test('a blank whose house is not here is set aside, and the shop opens without it', async () => {
    const blank = { ...mug.blank, id: 'odd', specId: 'nowhere', version: 1 };
    await (await database()).put('blanks', { key: 'odd@1', blank });
    await openShop();
    const { phase, blanks, aside } = useShop.getState();
    expect([phase, blanks.has('odd'), blanks.has('mug-325')]).toEqual(['open', false, true]);
    expect(aside).toMatchObject([{ table: 'blanks', name: mug.blank.name }]);
  });

  test('fields that a newer Up Fit wrote stay when the record is written again; one left out goes', async () => {
    const db = await database();
    await db.put('fits', { ...fitNamed('a'), soldIn: ['m'], shine: 0.5 });
    await transact(['fits'], async (store) => {
      const { soldIn, ...fit } = (await store.get('fits', 'a'))!;
      expect(soldIn).toEqual(['m']);
      store.put('fits', { ...fit, colourId: 'black' });
    });
    expect(await db.get('fits', 'a')).toEqual({ ...fitNamed('a'), colourId: 'black', shine: 0.5 });
  });
});

describe('an act', () => {
  test('sees what it wrote, and is all or nothing', async () => {
    await transact(['fits'], async (store) => {
      store.put('fits', fitNamed('a'));
      store.put('fits', fitNamed('b'));
      store.remove('fits', 'a');
      expect(await store.get('fits', 'a')).toBeUndefined();
      expect((await store.all('fits')).map(({ id }) => id)).toEqual(['b']);
    });
    const before = await dump();
    await expect(
      transact(['fits'], (store) => {
        store.put('fits', fitNamed('c'));
        throw new Error('no');
      }),
    ).rejects.toThrow('no');
    expect(await dump()).toEqual(before);
  });

  test('writes no record that would not read again, and says what of it does not', async () => {
    const before = await dump();
    const endless = fitNamed('a', { artworkIds: [] });
    endless.faces[0]!.pieces.push({ ...endless.faces[0]!.pieces[0]!, colour: 'red' } as never);
    await expect(
      transact(['fits'], (store) => {
        store.put('fits', endless);
      }),
    ).rejects.toThrow(/In this fit, faces\.0\.pieces\.1\.colour does not read\. Nothing was changed\./);
    expect(await dump()).toEqual(before);
  });

  test('leaves no record without what it needs', async () => {
    await expect(
      transact(['fits'], (store) => {
        store.put('fits', fitNamed('a', { designId: 'nowhere' }));
      }),
    ).rejects.toThrow('needs a design');
    await transact(['fits'], (store) => {
      store.put('fits', fitNamed('a'));
    });
    await expect(
      transact(['designs'], (store) => {
        store.remove('designs', 'design');
      }),
    ).rejects.toThrow('still needs');
    await expect(
      transact(['artworks'], (store) => {
        store.put('artworks', { facts: { sha256: 'x', name: 'x' } } as never);
      }),
    ).rejects.toThrow();
    expect((await readAll()).stored.designs).toHaveLength(1);
  });

  test('takes what belongs to a record out with it, and back with it', async () => {
    await edit(painted('#111111'), 0);
    await edit(painted('#222222'), 1);
    await edit(fitNamed('b'), 0);
    const before = await dump();
    const { changes } = await transact(['fits'], (store) => {
      store.remove('fits', 'a');
    });
    expect(await readHistory('a')).toBeNull();
    expect((await readHistory('b'))!.steps).toHaveLength(1);
    await revert(changes);
    expect(await dump()).toEqual(before);
  });

  test('is taken back field by field: what else was changed since stays', async () => {
    await transact(['fits'], (store) => {
      store.put('fits', fitNamed('a'));
    });
    const recolour = async (colourId: string) =>
      (
        await transact(['fits'], async (store) => {
          store.put('fits', { ...(await store.get('fits', 'a'))!, colourId });
        })
      ).changes;
    const first = await recolour('black');
    await transact(['fits'], async (store) => {
      store.put('fits', { ...(await store.get('fits', 'a'))!, stateId: 'hot' });
    });
    await revert(first);
    expect(await readOne('fits', 'a')).toEqual({ ...fitNamed('a'), stateId: 'hot' });
    const second = await recolour('black');
    await recolour('red');
    await expect(revert(second)).rejects.toThrow('changed since');
    expect((await readOne('fits', 'a'))!.colourId).toBe('red');
  });
});

describe('files', () => {
  test('are never written over, and go a day after nothing refers to them', async () => {
    await keepFile('originals', 'abc', new Blob(['mine']));
    await keepFile('originals', 'abc', new Blob(['another']));
    expect((await readOriginal('abc')).size).toBe(4);
    const day = 24 * 60 * 60 * 1000;
    const now = Date.now();
    expect(await clearLoose(now + day - 60_000)).toBe(0);
    expect(await clearLoose(now + day + 60_000)).toBe(1);
    await expect(readOriginal('abc')).rejects.toThrow('bring it in again');
  });

  test('stay for as long as a record refers to them, one that does not read among those', async () => {
    const sha = 'ab'.repeat(32);
    await keepFile('originals', sha, new Blob(['mine']));
    await (await database()).put('artworks', { id: 'odd', facts: { sha256: sha }, upfit: 'artwork/9' });
    expect(await clearLoose(Date.now() + 1e12)).toBe(0);
    await (await database()).delete('artworks', 'odd');
    expect(await clearLoose(Date.now())).toBe(0);
    expect(await clearLoose(Date.now() + 1e12)).toBe(1);
    expect(await readFile('originals', sha)).toBeUndefined();
  });
});

describe('a fit’s edits', () => {
  test('an edit made after going back takes the place of those that came after', async () => {
    for (let number = 0; number < 5; number++) await edit(painted(`#00000${number}`), number);
    await edit(painted('#000002'), 2, false);
    await edit(painted('#ffffff'), 3);
    const history = await readHistory('a');
    expect(history!.at).toBe(3);
    expect(history!.steps.map(({ number }) => number)).toEqual([0, 1, 2, 3]);
    expect(await readOne('fits', 'a')).toEqual(painted('#ffffff'));
  });

  test('no more are kept than can be undone, and another fit’s are left alone', async () => {
    await edit(fitNamed('b'), 0);
    await edit(painted('#000000'), 0);
    await edit(painted('#000000'), MOST_STEPS + 5);
    expect((await readHistory('a'))!.steps.map(({ number }) => number)).toEqual([MOST_STEPS + 5]);
    expect((await readHistory('b'))!.steps).toHaveLength(1);
  });

  test('what is refused at any of its writes leaves the fit, its steps and its place as they were', async () => {
    await edit(painted('#111111'), 0);
    const before = await dump();
    for (let n = 1; ; n++) {
      const refusing = refuseWritesFrom(n);
      const done = await edit(painted('#222222'), 1).then(
        () => true,
        (error: unknown) => (error as DOMException).name,
      );
      refusing.end();
      if (done === true) {
        expect(n).toBeGreaterThan(3);
        break;
      }
      expect(done).toBe('QuotaExceededError');
      expect(await dump()).toEqual(before);
    }
  });

  test('any run of edits, ways back and refusals leaves what a list of them would hold', async () => {
    const act = fc.oneof(
      fc.record({ kind: fc.constant('edit' as const), colour: fc.integer({ min: 0, max: 0xffffff }) }),
      fc.record({ kind: fc.constant('back' as const) }),
      fc.record({ kind: fc.constant('refused' as const), at: fc.integer({ min: 1, max: 3 }) }),
    );
    await fc.assert(
      fc.asyncProperty(fc.array(act, { maxLength: 12 }), async (acts) => {
        await transact(['fits'], (store) => {
          store.remove('fits', 'a');
        });
        const kept = [painted('#000000')];
        let at = 0;
        await edit(kept[0]!, 0);
        for (const one of acts) {
          if (one.kind === 'edit') {
            const next = painted(`#${one.colour.toString(16).padStart(6, '0')}`);
            kept.splice(++at, kept.length, next);
            await edit(next, at);
          } else if (one.kind === 'back' && at > 0) {
            await edit(kept[--at]!, at, false);
          } else if (one.kind === 'refused') {
            const refusing = refuseWritesFrom(one.at);
            await expect(edit(painted('#abcdef'), at + 1)).rejects.toThrow();
            refusing.end();
          }
        }
        const history = await readHistory('a');
        expect(history!.at).toBe(at);
        expect(history!.steps.map(({ fit }) => fit)).toEqual(kept);
        expect(await readOne('fits', 'a')).toEqual(kept[at]);
      }),
      { numRuns: 25 },
    );
  });
});
