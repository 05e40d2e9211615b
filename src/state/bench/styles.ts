import { styleOf } from '@/core/type/style';
import type { Lettering } from '@/core/type/schema';
import { withNamed, without } from '../many/named';
import { changeSettings } from '../shop/records';

/** Keeps how words are set under a name; gives back what undoes it. Rejects with a sentence where it has no name. */
export function keepStyle(name: string, lettering: Lettering): Promise<() => Promise<void>> {
  return changeSettings(({ styles }) => ({ styles: withNamed(styles, styleOf(name, lettering)) }));
}

/** Takes a kept style out; words that were set by it stay as they are. */
export function forgetStyle(name: string): Promise<() => Promise<void>> {
  return changeSettings(({ styles }) => ({ styles: without(styles, name) }));
}
