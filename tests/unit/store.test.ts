import 'fake-indexeddb/auto';
import fc from 'fast-check';
import { newFill } from '@/core/fit/place';
import type { Fit } from '@/core/fit/schema';
import { database, put, putArtwork, readAll, readFit, readOriginal, remove } from '@/store/database';
import { MOST_STEPS, readHistory, removeHistory, writeHead, writeStep } from '@/store/history';
import { ARCHIVED_TABLES, writeRecords, type Records } from '@/store/archive';
import { FIRST_SETTINGS, type Artwork } from '@/store/schema';
import { openShop, useShop } from '@/state/shop/shop';
import { blankById, factsOf, fitOf } from '../support/fits';
import { solid } from '../support/pictures';

const mug = blankById('mug-325');
const fitNamed = (id: string, colour = '#204060'): Fit => ({ ...fitOf(mug, [newFill('sea', colour)]), id });

beforeEach(async () => {
  const db = await database();
  for (const name of db.objectStoreNames) await db.clear(name);
});
afterAll(async () => {
  (await database()).close();
});

/** Makes the n-th write from now be refused, as a full disk does. */
function refuseWrite(n: number): jest.SpyInstance {
  const put = IDBObjectStore.prototype.put;
  let count = 0;
  return jest.spyOn(IDBObjectStore.prototype, 'put').mockImplementation(function (
    this: IDBObjectStore,
    ...args: Parameters<typeof put>
  ) {
    if (++count === n) throw new DOMException('full', 'QuotaExceededError');
    return put.apply(this, args);
  });
}

describe('records', () => {
  test('come back as they were put, and a shop with nothing in it has the first settings', async () => {
    expect((await readAll()).settings).toEqual(FIRST_SETTINGS);
    const fit = fitNamed('a');
    await put('fits', fit);
    expect(await readFit('a')).toEqual(fit);
    expect((await readAll()).fits).toEqual([fit]);
    await remove('fits', 'a');
    expect(await readFit('a')).toBeUndefined();
  });

  test('that no longer read stay stored and are named; the others are all there', async () => {
    const db = await database();
    await put('fits', fitNamed('good'));
    await db.put('fits', { id: 'odd', upfit: 'fit/9' } as never);
    await db.put('designs', { id: 'odd' } as never);
    const { fits, unread } = await readAll();
    expect(fits.map(({ id }) => id)).toEqual(['good']);
    expect([...unread].sort()).toEqual(['design', 'fit']);
    expect(await db.get('fits', 'odd')).toEqual({ id: 'odd', upfit: 'fit/9' });
  });

  test('an artwork and its file are kept together, or neither', async () => {
    const facts = factsOf(solid(4, 4));
    const artwork = { upfit: 'artwork/1', id: 'x', facts, steps: [], addedAt: 1 } as unknown as Artwork;
    for (const n of [1, 2]) {
      const refusing = refuseWrite(n);
      await expect(putArtwork(artwork, new Blob(['x']))).rejects.toThrow('full');
      refusing.mockRestore();
      const db = await database();
      expect(await db.count('artworks')).toBe(0);
      expect(await db.count('originals')).toBe(0);
    }
    await expect(readOriginal(facts.sha256)).rejects.toThrow('bring it in again');
  });
});

describe('a fit’s edits', () => {
  test('an edit made after going back takes the place of those that came after', async () => {
    for (let number = 0; number < 5; number++) await writeStep(fitNamed('a', `#00000${number}`), number);
    await writeHead(fitNamed('a', '#000002'), 2);
    await writeStep(fitNamed('a', '#ffffff'), 3);
    const history = await readHistory('a');
    expect(history!.at).toBe(3);
    expect(history!.steps.map(({ number }) => number)).toEqual([0, 1, 2, 3]);
    expect(await readFit('a')).toEqual(fitNamed('a', '#ffffff'));
  });

  test('no more are kept than can be undone, and another fit’s are left alone', async () => {
    await writeStep(fitNamed('b'), 0);
    await writeStep(fitNamed('a'), 0);
    await writeStep(fitNamed('a'), MOST_STEPS + 5);
    expect((await readHistory('a'))!.steps.map(({ number }) => number)).toEqual([MOST_STEPS + 5]);
    await removeHistory('a');
    expect(await readHistory('a')).toBeNull();
    expect((await readHistory('b'))!.steps).toHaveLength(1);
  });

  test('what is refused at any of its writes leaves the fit, its steps and its place as they were', async () => {
    await writeStep(fitNamed('a', '#111111'), 0);
    for (const n of [1, 2, 3]) {
      const refusing = refuseWrite(n);
      await expect(writeStep(fitNamed('a', '#222222'), 1)).rejects.toThrow('full');
      refusing.mockRestore();
      expect(await readFit('a')).toEqual(fitNamed('a', '#111111'));
      const history = await readHistory('a');
      expect([history!.at, history!.steps.length]).toEqual([0, 1]);
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
        await removeHistory('a');
        const kept = [fitNamed('a', '#000000')];
        let at = 0;
        await writeStep(kept[0]!, 0);
        for (const one of acts) {
          if (one.kind === 'edit') {
            const next = fitNamed('a', `#${one.colour.toString(16).padStart(6, '0')}`);
            kept.splice(++at, kept.length, next);
            await writeStep(next, at);
          } else if (one.kind === 'back' && at > 0) {
            await writeHead(kept[--at]!, at);
          } else if (one.kind === 'refused') {
            const refusing = refuseWrite(one.at);
            await expect(writeStep(fitNamed('a', '#abcdef'), at + 1)).rejects.toThrow();
            refusing.mockRestore();
          }
        }
        const history = await readHistory('a');
        expect(history!.at).toBe(at);
        expect(history!.steps.map(({ fit }) => fit)).toEqual(kept);
        expect(await readFit('a')).toEqual(kept[at]);
      }),
      { numRuns: 25 },
    );
  });
});

describe('an archive', () => {
  const nothing = Object.fromEntries(ARCHIVED_TABLES.map((table) => [table, []])) as unknown as Records;

  test('never writes over a file that is kept under its checksum', async () => {
    const db = await database();
    await db.put('originals', new Blob(['mine']), 'abc');
    const files = new Map([
      ['abc', new Blob(['another'])],
      ['def', new Blob(['new'])],
    ]);
    await writeRecords(nothing, files, { replace: false, settings: null });
    const [kept, added] = await Promise.all([db.get('originals', 'abc'), db.get('originals', 'def')]);
    expect([kept!.size, added!.size]).toEqual([4, 3]);
  });

  test('is taken whole or not at all', async () => {
    await put('fits', fitNamed('mine', '#111111'));
    const records = { ...nothing, fits: [fitNamed('a'), fitNamed('b')] as never };
    for (const n of [1, 2, 3]) {
      const refusing = refuseWrite(n);
      await expect(
        writeRecords(records, new Map([['x', new Blob(['x'])]]), { replace: true, settings: null }),
      ).rejects.toThrow('full');
      refusing.mockRestore();
      expect((await readAll()).fits).toEqual([fitNamed('mine', '#111111')]);
    }
  });
});

test('a blank whose house is not here is set aside, and the shop opens without it', async () => {
  const blank = { ...mug.blank, id: 'odd', specId: 'nowhere', version: 1 };
  await put('blanks', { key: 'odd@1', blank } as never);
  expect(await openShop()).toBe(1);
  const { phase, blanks } = useShop.getState();
  expect([phase, blanks.has('odd'), blanks.has('mug-325')]).toEqual(['open', false, true]);
  expect(await (await database()).count('blanks')).toBe(1);
});
