import type { KeptAct } from '@/store/schema';
import { changeSettings } from '../shop/records';
import { withNamed, without } from './named';

export type { KeptAct };

/** Notes what was done last, so that it can be done to others. */
export async function noteAct(act: KeptAct): Promise<void> {
  await changeSettings({ lastAct: act });
}

/** Keeps an act with its answers under a name; gives back what undoes it. Rejects with a sentence where it has no name. */
export function keepAct(name: string, act: KeptAct): Promise<() => Promise<void>> {
  return changeSettings(({ acts }) => ({ acts: withNamed(acts, { name, ...act }) }));
}

/** Takes a kept act out; gives back what undoes that. */
export function forgetAct(name: string): Promise<() => Promise<void>> {
  return changeSettings(({ acts }) => ({ acts: without(acts, name) }));
}
