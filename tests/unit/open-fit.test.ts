import 'fake-indexeddb/auto';
import { newFill } from '@/core/fit/place';
import type { Fit } from '@/core/fit/schema';
import {
  changeFit,
  changePieces,
  openFit,
  piecesOf,
  redo,
  takeOver,
  undo,
  useBench,
  useRole,
} from '@/state/bench/open-fit';
import { FitHold } from '@/state/bench/fit-lock';
import { isUnsaved, keepWaiting, towardsEdit, useSaving } from '@/state/bench/save-queue';
import { openShop, saveFit, useShop } from '@/state/shop/shop';
import { database, readFit } from '@/store/database';
import { blankById, fitOf } from '../support/fits';
import { Locks } from '../support/locks';

const mug = blankById('mug-325');
const colour = () => (piecesOf('wrap')[0] as { colour?: string } | undefined)?.colour;
const paint = (hex: string) => changePieces('wrap', [newFill('sea', hex)]);
const fit: Fit = { ...fitOf(mug, []), id: 'fit', faces: [] };

/** Waits until something holds, in turns of the machine's own and not of a clock. */
async function until(holds: () => boolean): Promise<void> {
  for (let turn = 0; turn < 2_000 && !holds(); turn++) await new Promise((next) => setImmediate(next));
  expect(holds()).toBe(true);
}

beforeAll(() => {
  Object.defineProperty(globalThis, 'navigator', { value: { locks: new Locks() }, configurable: true });
});
beforeEach(async () => {
  const db = await database();
  for (const name of db.objectStoreNames) await db.clear(name);
  await openShop();
  await saveFit(fit);
  await openFit('fit');
});
afterEach(async () => {
  await openFit(null);
});
afterAll(async () => {
  (await database()).close();
});

test('each change is one step, on the disk when it is told so, and shown everywhere', async () => {
  expect(useRole.getState().role).toBe('writing');
  await paint('#112233');
  await paint('#445566');
  expect(colour()).toBe('#445566');
  expect(useShop.getState().fits.get('fit')).toEqual(useBench.getState().fit);
  expect(await readFit('fit')).toEqual(useBench.getState().fit);
  await undo();
  expect(colour()).toBe('#112233');
  expect(await readFit('fit')).toEqual(useBench.getState().fit);
  await undo();
  expect(colour()).toBeUndefined();
  await redo();
  await redo();
  expect(colour()).toBe('#445566');
});

test('what changes nothing is no step', async () => {
  await paint('#112233');
  const { number } = useBench.getState();
  await paint('#112233');
  await changeFit((so) => ({ ...so, faces: so.faces.map((face) => ({ ...face })) }));
  expect(useBench.getState().number).toBe(number);
});

test('put away and opened again, it can be undone and redone as before', async () => {
  await paint('#112233');
  await paint('#445566');
  await undo();
  await openFit(null);
  expect(useBench.getState().fit).toBeNull();
  await openShop();
  await openFit('fit');
  expect(colour()).toBe('#112233');
  await redo();
  expect(colour()).toBe('#445566');
  await undo();
  await undo();
  expect(colour()).toBeUndefined();
});

test('what the browser refuses stays on the screen, is told, and is kept on the next try', async () => {
  await paint('#112233');
  const refusing = jest.spyOn(IDBObjectStore.prototype, 'put').mockImplementation(() => {
    throw new DOMException('full', 'QuotaExceededError');
  });
  await paint('#445566');
  await paint('#778899');
  expect(useSaving.getState()).toMatchObject({
    phase: 'refused',
    trouble: expect.stringContaining('storage is full') as string,
  });
  expect(isUnsaved()).toBe(true);
  expect(colour()).toBe('#778899');
  refusing.mockRestore();
  expect((await readFit('fit'))!.faces[0]!.pieces).toMatchObject([{ colour: '#112233' }]);
  expect(await keepWaiting()).toBe(true);
  expect(useSaving.getState()).toEqual({ phase: 'saved', trouble: null });
  expect(await readFit('fit')).toEqual(useBench.getState().fit);
  await undo();
  expect(colour()).toBe('#445566');
});

test('work that ends in an edit counts as not saved from its first moment', async () => {
  let finish: () => void = () => undefined;
  const work = towardsEdit(() => new Promise<void>((done) => (finish = done)));
  expect([isUnsaved(), useSaving.getState().phase]).toEqual([true, 'saving']);
  finish();
  await work;
  expect([isUnsaved(), useSaving.getState().phase]).toEqual([false, 'saved']);
  await expect(towardsEdit(() => Promise.reject(new Error('no font')))).rejects.toThrow('no font');
  expect(isUnsaved()).toBe(false);
});

test('a fit that another tab holds is followed, changes nothing here, and is taken over when it is let go', async () => {
  await openFit(null);
  // Letting go is told in a turn of its own.
  await new Promise((next) => setImmediate(next));
  const heard: string[] = [];
  const other = new FitHold('fit', {
    onRole: (role) => heard.push(role),
    onChanged: () => undefined,
    finish: () => Promise.resolve(),
  });
  expect(await other.open()).toBe('writing');
  await openFit('fit');
  expect(useRole.getState().role).toBe('following');
  await paint('#112233');
  expect(colour()).toBeUndefined();
  takeOver();
  await until(() => useRole.getState().role === 'writing');
  await until(() => heard.at(-1) === 'following');
  await paint('#112233');
  expect(colour()).toBe('#112233');
  other.close();
});
