import 'fake-indexeddb/auto';
import { answerStep, changeDraft, clearDraft, useDraft, WAITING } from '@/state/shop/measuring';
import { openShop, useShop } from '@/state/shop/shop';

const kept = new Map<string, string>();
Object.defineProperty(globalThis, 'sessionStorage', {
  value: {
    getItem: (key: string) => kept.get(key) ?? null,
    setItem: (key: string, value: string) => void kept.set(key, value),
    removeItem: (key: string) => void kept.delete(key),
  },
});

const written = () =>
  new Promise<void>((done) => {
    const look = () => {
      if (!kept.has(WAITING)) done();
      else setImmediate(look);
    };
    look();
  });
const top = () => useDraft.getState().draft?.answers.top?.text;
const typed = (text: string) => {
  answerStep('top', { text, mode: 'round', second: '' });
};
/** What a window loaded again begins with. */
async function reloaded(): Promise<void> {
  useShop.setState({ phase: 'opening' });
  await openShop();
}

beforeEach(async () => {
  await openShop();
});
afterEach(async () => {
  await clearDraft();
});

test('letters typed faster than they are written end as the last of them, on the screen and on the disk', async () => {
  for (const text of ['9', '9 5', '9 5/8', '9 5/8 in']) typed(text);
  expect(top()).toBe('9 5/8 in');
  await written();
  await reloaded();
  expect(useShop.getState().settings.draft?.answers.top?.text).toBe('9 5/8 in');
  expect(top()).toBe('9 5/8 in');
});

test('a window loaded again before anything was written goes on with what was typed', async () => {
  typed('248 mm');
  changeDraft({ name: 'Kiln cup' });
  // The old window is gone with what it had not written; only what the browser keeps for the tab is there.
  const left = kept.get(WAITING)!;
  await clearDraft();
  kept.set(WAITING, left);
  await reloaded();
  expect(useDraft.getState().draft).toMatchObject({ name: 'Kiln cup', answers: { top: { text: '248 mm' } } });
  await written();
  expect(useShop.getState().settings.draft?.name).toBe('Kiln cup');
});

test.each(['{', '{"draft":7}', '{"draft":{"thingId":"a spoon","name":"","answers":{}}}'])(
  'what does not read as a draft (%s) is left out',
  async (text) => {
    kept.set(WAITING, text);
    await reloaded();
    expect(useDraft.getState().draft).toBeNull();
  },
);
