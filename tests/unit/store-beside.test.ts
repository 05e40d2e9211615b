import 'fake-indexeddb/auto';
import type * as Database from '@/store/database';
import { openDB } from 'idb';
import { transact } from '@/store/commit';
import { beforeLeaving, onStanding, VERSION } from '@/store/database';
import { designNamed, fitNamed } from '../support/shop-store';

describe('beside another Up Fit', () => {
  test('a newer one is let in once what was being saved is saved; this one says so and writes nothing more', async () => {
    const heard: string[] = [];
    onStanding((state) => heard.push(state));
    let saved = false;
    await transact(['designs'], (store) => {
      store.put('designs', designNamed('design'));
    });
    beforeLeaving(async () => {
      await transact(['fits'], (store) => {
        store.put('fits', fitNamed('last'));
      });
      saved = true;
    });
    const newer = await openDB('up-fit', VERSION + 1);
    expect(saved).toBe(true);
    expect(await newer.get('fits', 'last')).toEqual(fitNamed('last'));
    expect(heard).toContain('left');
    await expect(
      transact(['fits'], (store) => {
        store.put('fits', fitNamed('late'));
      }),
    ).rejects.toThrow('reload this one');
    newer.close();
  });

  test('one that is older than what is stored says so; an open that failed is not kept', async () => {
    await jest.isolateModulesAsync(async () => {
      const old = (await import('@/store/database')) as typeof Database;
      await expect(old.database()).rejects.toThrow('newer Up Fit');
      await new Promise((done) => (indexedDB.deleteDatabase('up-fit').onsuccess = done));
      (await old.database()).close();
    });
  });

  test('it waits while an older one holds the store, says so, and goes on by itself', async () => {
    await new Promise((done) => (indexedDB.deleteDatabase('up-fit').onsuccess = done));
    const older = await openDB('up-fit', VERSION - 1);
    await jest.isolateModulesAsync(async () => {
      const own = (await import('@/store/database')) as typeof Database;
      const heard: string[] = [];
      let waits: () => void = () => undefined;
      const waiting = new Promise<void>((told) => (waits = told));
      own.onStanding((state) => {
        heard.push(state);
        if (state === 'waiting') waits();
      });
      const opening = own.database();
      await waiting;
      older.close();
      (await opening).close();
      expect(heard).toEqual(['waiting', 'open']);
    });
  });
});
