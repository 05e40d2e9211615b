import type { Design, Fit } from '@/core/fit/schema';
import { newFill, newPiece } from '@/core/fit/place';
import type { Raster } from '@/core/raster/raster';
import { database } from '@/store/database';
import type { ArtworkResult } from '@/workers/messages';
import { blankById, faceOf, factsOf, fitOf } from './fits';
import { solid } from './pictures';

const mug = blankById('mug-325');

/** Every record and file of the store, by table; files as their size. */
export async function dump(): Promise<Record<string, unknown[]>> {
  const db = await database();
  const names = [...db.objectStoreNames].filter((name) => name !== 'loose');
  const entries = await Promise.all(
    names.map(async (name) => {
      const [keys, values] = await Promise.all([db.getAllKeys(name), db.getAll(name) as Promise<unknown[]>]);
      return [
        name,
        values.map((value, i) => [keys[i], value instanceof Blob ? `${value.size} bytes` : value]),
      ] as const;
    }),
  );
  return Object.fromEntries(entries);
}

export async function emptyStore(): Promise<void> {
  const db = await database();
  for (const name of db.objectStoreNames) await db.clear(name);
}

/** What the engine would say of a file whose checksum is `sha256`. */
export function measured(
  sha256: string,
  name = `${sha256}.png`,
  picture: Raster = solid(4, 4),
): ArtworkResult {
  return { facts: { ...factsOf(picture), sha256, name }, preview: new Blob([sha256]) };
}

export function designNamed(id: string, artworkIds: readonly string[] = [], order = 0): Design {
  return {
    upfit: 'design/1',
    id,
    name: id,
    order,
    artworks: artworkIds.map((artworkId) => ({ artworkId, role: 'motif' })),
  };
}

/** A fit of a design on a mug, that shows artworks on a coloured ground. */
export function fitNamed(
  id: string,
  { designId = 'design', artworkIds = [] as readonly string[], colour = '#204060' } = {},
): Fit {
  const shown = artworkIds.map((artworkId, i) =>
    newPiece(`${id}-${i}`, artworkId, factsOf(solid(4, 4)), 'motif', faceOf(mug)),
  );
  return { ...fitOf(mug, [newFill('sea', colour), ...shown]), id, designId };
}

/** Makes the n-th write from now on, and every one after it, be refused, as a full disk does; gives back what ends that. */
export function refuseWritesFrom(n: number): { end: () => void; seen: () => number } {
  const { put, delete: remove } = IDBObjectStore.prototype;
  let count = 0;
  const full = () => {
    if (++count >= n) throw new DOMException('full', 'QuotaExceededError');
  };
  const spies = [
    jest.spyOn(IDBObjectStore.prototype, 'put').mockImplementation(function (this: IDBObjectStore, ...args) {
      full();
      return put.apply(this, args);
    }),
    jest.spyOn(IDBObjectStore.prototype, 'delete').mockImplementation(function (
      this: IDBObjectStore,
      ...args
    ) {
      full();
      return remove.apply(this, args);
    }),
  ];
  return {
    end: () => {
      for (const spy of spies) spy.mockRestore();
    },
    seen: () => count,
  };
}

/** Waits until something holds, in turns of the machine's own and not of a clock. */
export async function until(holds: () => boolean): Promise<void> {
  for (let turn = 0; turn < 5_000 && !holds(); turn++) await new Promise((next) => setImmediate(next));
  expect(holds()).toBe(true);
}
