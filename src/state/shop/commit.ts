import { create } from 'zustand';
import { revert, transact, type Change, type Store } from '@/store/commit';
import { readBack } from '@/store/read';
import type { Key, TableName } from '@/store/tables';
import { show, shownAs, type ShownChange } from './shop';

/** Acts that the browser refused to store: they wait, and are tried again. */
export const useRefused = create<{ waiting: number; trouble: string | null }>(() => ({
  waiting: 0,
  trouble: null,
}));

/** What became of an act. */
export interface Kept<R> {
  result: R;
  /** Takes it back; throws with a sentence where something stands in the way. */
  undo: () => Promise<void>;
}

interface CommitOptions {
  signal?: AbortSignal;
  /** Who did it: listeners tell their own acts by it. */
  by?: string;
}

type Listener = (changes: readonly ShownChange[], by: string | undefined) => void;
const listeners = new Set<Listener>();

/** Hears of every change of a record, made in this window or in another, once it is shown. */
export function onChange(listener: Listener): () => void {
  listeners.add(listener);
  return () => listeners.delete(listener);
}

/**
 * Does an act on the store, then on the screen, then in the other windows: the one way to change what is stored. What
 * the browser refuses is told and tried again until there is room; given up, it is as if it had been stopped.
 */
export async function commit<R>(
  touches: readonly TableName[],
  act: (store: Store) => Promise<R> | R,
  { signal, by }: CommitOptions = {},
): Promise<Kept<R>> {
  const { result, changes } = await patiently(() => transact(touches, act), signal);
  publish(changes, by);
  return {
    result,
    undo: async () => {
      const undone = await patiently(() => revert(changes));
      publish(undone.changes, undefined);
    },
  };
}

interface Message {
  changed: { table: TableName; key: Key }[];
}

let channel: BroadcastChannel | null = null;

/** Tells other windows of what is changed here, and shows what they change; gives back what ends that. */
export function followOthers(): () => void {
  const own = (channel = new BroadcastChannel('up-fit/changes'));
  own.addEventListener('message', ({ data }: MessageEvent<Message>) => {
    void follow(data.changed);
  });
  return () => {
    own.close();
    channel = null;
  };
}

function publish(changes: readonly Change[], by: string | undefined): void {
  if (changes.length === 0) return;
  tell(changes, by);
  channel?.postMessage({ changed: changes.map(({ table, key }) => ({ table, key })) } satisfies Message);
}

function tell(changes: readonly Omit<ShownChange, 'before'>[], by: string | undefined): void {
  const shown = changes.map((change) => ({ ...change, before: shownAs(change) }));
  show(changes);
  for (const listener of listeners) listener(shown, by);
}

/** Shows what another window changed, as it is on the disk by now. */
async function follow(changed: Message['changed']): Promise<void> {
  tell(await readBack(changed), undefined);
}

/** How often what was refused is tried again by itself, in ms. */
const AGAIN = 5_000;
/** Tries to come: each can be begun now, or left. */
const tries = new Set<{ again: () => void; leave: () => void }>();

/** Does what the browser may refuse, until it takes it or it is given up. */
export async function patiently<T>(work: () => Promise<T>, signal?: AbortSignal): Promise<T> {
  let waits = false;
  try {
    for (;;) {
      try {
        return await work();
      } catch (error) {
        if (!isRefusal(error)) throw error;
        if (!waits) {
          waits = true;
          useRefused.setState(({ waiting }) => ({ waiting: waiting + 1 }));
        }
        useRefused.setState({ trouble: refusal(error) });
        await nextTry(signal);
      }
    }
  } finally {
    if (waits) {
      useRefused.setState(({ waiting, trouble }) => ({
        waiting: waiting - 1,
        trouble: waiting === 1 ? null : trouble,
      }));
      // There is room again: the others need not wait for their time.
      tryAgain();
    }
  }
}

function nextTry(signal?: AbortSignal): Promise<void> {
  signal?.throwIfAborted();
  return new Promise((resolve, reject) => {
    const end = () => {
      clearTimeout(timer);
      tries.delete(own);
      signal?.removeEventListener('abort', own.leave);
    };
    const own = {
      again: () => {
        end();
        resolve();
      },
      leave: () => {
        end();
        reject(new DOMException('Stopped.', 'AbortError'));
      },
    };
    const timer = setTimeout(own.again, AGAIN);
    tries.add(own);
    signal?.addEventListener('abort', own.leave);
  });
}

/** Tries everything again that was refused. */
export function tryAgain(): void {
  for (const one of [...tries]) one.again();
}

/** Leaves everything undone that was refused. */
export function leaveRefused(): void {
  for (const one of [...tries]) one.leave();
}

/** Whether the browser refused to store something, and not Up Fit: it may take it later. */
function isRefusal(error: unknown): boolean {
  return error instanceof DOMException && error.name !== 'AbortError' && error.name !== 'DataCloneError';
}

/** What to do where the browser keeps nothing more. */
export function refusal(error: unknown): string {
  const full = error instanceof DOMException && error.name === 'QuotaExceededError';
  return full
    ? 'Not saved: this browser’s storage is full. Take out artwork you no longer use or free space on the disk; it is tried again by itself.'
    : 'Not saved: the browser refused to store it. Leave private browsing or allow this site to store data; it is tried again by itself.';
}
