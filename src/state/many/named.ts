import { UpFitError } from '@/core/errors';

interface Named {
  name: string;
}

/** Things kept by name with one more, in the place of one of that name, by name. Throws a sentence where it has none. */
export function withNamed<T extends Named>(all: readonly T[], one: T): T[] {
  const name = one.name.trim();
  if (name === '') throw new UpFitError('bad-argument', 'Type a name to find it by.');
  return [...without(all, name), { ...one, name }].sort((a, b) => a.name.localeCompare(b.name));
}

export function without<T extends Named>(all: readonly T[], name: string): T[] {
  return all.filter((one) => one.name !== name);
}
