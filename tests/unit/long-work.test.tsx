import { act, renderHook } from '@testing-library/react';
import { useWork, type WorkAsked } from '@/places/shell/useWork';
import { toast } from '@/ui/toast';

jest.mock('@/ui/toast', () => ({ toast: jest.fn() }));
const said = jest.mocked(toast);

/** Work that ends when it is told to: well, or with a reason. */
function workUnder(options: Parameters<typeof useWork>[0]) {
  const hook = renderHook(() => useWork<number>(options));
  let asked!: WorkAsked<number>;
  let end!: (error?: Error) => void;
  let done!: Promise<void>;
  act(() => {
    done = hook.result.current.run(0, (given) => {
      asked = given;
      return new Promise((well, ill) => {
        end = (error) => {
          if (error) ill(error);
          else well();
        };
      });
    });
  });
  return { hook, asked, end: (error?: Error) => act(() => (end(error), done)) };
}

beforeEach(() => said.mockClear());

test('work tells how far it is, and nothing once it is done', async () => {
  const { hook, asked, end } = workUnder({});
  expect(hook.result.current.progress).toBe(0);
  act(() => {
    asked.onProgress(0.5);
  });
  expect(hook.result.current.progress).toBe(0.5);
  await end();
  expect([hook.result.current.progress, hook.result.current.trouble]).toEqual([null, null]);
});

test('what is in its way is said on its page; as a message where that has no place for it', async () => {
  const here = workUnder({});
  await here.end(new TypeError('gone'));
  expect(here.hook.result.current.trouble).toMatch(/\w/);
  expect(said).not.toHaveBeenCalled();
  const bare = workUnder({ place: false });
  await bare.end(new TypeError('gone'));
  expect([bare.hook.result.current.trouble, said.mock.calls.length]).toEqual([null, 1]);
});

test('it ends with its page; what outlives that goes on, and is heard of by a message', async () => {
  const ends = workUnder({});
  ends.hook.unmount();
  expect(ends.asked.signal.aborted).toBe(true);
  await ends.end(new DOMException('Stopped.', 'AbortError'));
  expect(said).not.toHaveBeenCalled();
  const goes = workUnder({ outlives: true });
  goes.hook.unmount();
  expect(goes.asked.signal.aborted).toBe(false);
  await goes.end(new TypeError('gone'));
  expect(said).toHaveBeenCalledTimes(1);
});

test('stopped, it is no trouble', async () => {
  const { hook, asked, end } = workUnder({});
  hook.result.current.stop();
  expect(asked.signal.aborted).toBe(true);
  await end(new DOMException('Stopped.', 'AbortError'));
  expect([hook.result.current.trouble, said.mock.calls.length]).toEqual([null, 0]);
});
