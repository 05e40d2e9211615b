import * as v from 'valibot';
import { NameSchema } from '@/core/blank/basics';
import { UpFitError } from '@/core/errors';

/** A name as it is kept; throws with a sentence where it is none. */
export function wantedName(typed: string): string {
  const name = v.safeParse(NameSchema, typed);
  if (!name.success)
    throw new UpFitError(
      'bad-argument',
      typed.trim() === '' ? 'Type a name for it.' : 'A name has 120 letters at most: type a shorter one.',
    );
  return name.output;
}

/** A name that none of those taken is: `Lamp, copy`, `Lamp, copy 2`. */
export function freeName(name: string, taken: readonly string[]): string {
  const used = new Set(taken);
  if (!used.has(name)) return name;
  const copy = `${name.slice(0, 105)}, copy`;
  for (let n = 1; ; n++) {
    const next = n === 1 ? copy : `${copy} ${n}`;
    if (!used.has(next)) return next;
  }
}
