import { ENGINES } from '@/workers/client';

/** Does work to each of some things, in their order, as many at a time as there are engines, until it is stopped. */
export async function eachByEngines<T>(
  things: readonly T[],
  signal: AbortSignal,
  work: (thing: T, index: number) => Promise<void>,
): Promise<void> {
  const waiting = [...things.entries()];
  const one = async () => {
    for (let next = waiting.shift(); next && !signal.aborted; next = waiting.shift())
      await work(next[1], next[0]);
  };
  await Promise.all(Array.from({ length: ENGINES }, one));
}
