import { UpFitError } from '@/core/errors';
import type { KeptAct } from '@/store/schema';
import { changeSettings } from '../shop/records';

export type { KeptAct };

/** Notes what was done last, so that it can be done to others. */
export async function noteAct(act: KeptAct): Promise<void> {
  await changeSettings({ lastAct: act });
}

/**
 * Keeps an act with its answers under a name, in the place of one of that name; gives back what undoes it. Throws a
 * sentence where it has no name.
 */
export function keepAct(words: string, act: KeptAct): Promise<() => Promise<void>> {
  const name = words.trim();
  if (name === '') throw new UpFitError('bad-argument', 'Type a name to find it by.');
  return changeSettings(({ acts }) => ({
    acts: [...acts.filter((one) => one.name !== name), { name, ...act }].sort((a, b) =>
      a.name.localeCompare(b.name),
    ),
  }));
}

/** Takes a kept act out; gives back what undoes that. */
export function forgetAct(name: string): Promise<() => Promise<void>> {
  return changeSettings(({ acts }) => ({ acts: acts.filter((one) => one.name !== name) }));
}
