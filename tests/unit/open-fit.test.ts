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
import { keep, saveDesign, saveFit } from '@/state/shop/records';
import { openShop, useShop } from '@/state/shop/shop';
import { database } from '@/store/database';
import { transact } from '@/store/commit';
import { readOne } from '@/store/read';
import { blankById, fitOf } from '../support/fits';
import { Locks } from '../support/locks';
import { designNamed, emptyStore, until } from '../support/shop-store';

const mug = blankById('mug-325');
const colour = () => (piecesOf('wrap')[0] as { colour?: string } | undefined)?.colour;
const paint = (hex: string) => changePieces('wrap', [newFill('sea', hex)]);
const fit: Fit = { ...fitOf(mug, []), id: 'fit', faces: [] };

const stored = () => readOne('fits', 'fit');

beforeAll(() => {
  Object.defineProperty(globalThis, 'navigator', { value: { locks: new Locks() }, configurable: true });
});
beforeEach(async () => {
  await emptyStore();
  await openShop();
  await saveDesign(designNamed('design'));
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
  expect(await stored()).toEqual(useBench.getState().fit);
  await undo();
  expect(colour()).toBe('#112233');
  expect(await stored()).toEqual(useBench.getState().fit);
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
  const kept = Promise.all([paint('#445566'), paint('#778899')]);
  await until(() => useSaving.getState().phase === 'refused');
  expect(useSaving.getState()).toMatchObject({
    phase: 'refused',
    trouble: expect.stringContaining('storage is full') as string,
  });
  expect(isUnsaved()).toBe(true);
  expect(colour()).toBe('#778899');
  refusing.mockRestore();
  expect((await stored())!.faces[0]!.pieces).toMatchObject([{ colour: '#112233' }]);
  await keepWaiting();
  await kept;
  expect(useSaving.getState()).toEqual({ phase: 'saved', trouble: null });
  expect(await stored()).toEqual(useBench.getState().fit);
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

describe('a fit that is changed elsewhere while it is open', () => {
  const elsewhere = (change: (fit: Fit) => Fit) =>
    transact(['fits'], async (store) => {
      store.put('fits', change((await store.get('fits', 'fit'))!));
    });

  test('by another place of this window: it is shown at once, as a step that can be undone', async () => {
    await paint('#112233');
    await keep('fits', { ...useBench.getState().fit!, colourId: 'black' });
    await until(() => useBench.getState().fit?.colourId === 'black');
    await undo();
    expect(useBench.getState().fit).toMatchObject({ colourId: fit.colourId });
    expect(colour()).toBe('#112233');
  });

  test('by another window, not heard of yet: the edit is made to what it is now, and nothing of either is lost', async () => {
    await paint('#112233');
    await elsewhere((so) => ({ ...so, colourId: 'black' }));
    await Promise.all([paint('#445566'), paint('#778899')]);
    expect([useBench.getState().fit!.colourId, colour()]).toEqual(['black', '#778899']);
    expect(await stored()).toEqual(useBench.getState().fit);
    await undo();
    await undo();
    expect([useBench.getState().fit!.colourId, colour()]).toEqual(['black', '#112233']);
  });

  test('taken out: it is put away, and an edit that was under way says why it is not kept', async () => {
    await paint('#112233');
    await transact(['fits'], (store) => {
      store.remove('fits', 'fit');
    });
    await expect(paint('#445566')).rejects.toThrow('taken out');
    expect(useBench.getState().fit).toBeNull();
    expect(await stored()).toBeUndefined();
  });
});
