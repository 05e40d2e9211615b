import * as v from 'valibot';
import { IdSchema } from '../blank/basics';
import type { Facts } from '../artwork/facts';
import type { Method } from '../blank/schema';

/** Which rendition a blank, or else a printing method, gets, by the ids of all of them. */
export const GoesSchema = v.object({
  blanks: v.record(IdSchema, v.string()),
  methods: v.record(IdSchema, v.string()),
});
export type Goes = v.InferOutput<typeof GoesSchema>;

/** Soft share up to which a method that prints soft pixels badly is content. */
const HARD = 0.001;

/**
 * The rendition of an artwork that a printing method wants, by what was measured in each: few enough inks, nothing
 * soft where that prints badly, no ground where the product is to show through. The full one, which comes first,
 * where it will do or no other does better. `said` says which it is for the blank or
 * the method, whatever was measured.
 */
export function renditionFor<A extends { id?: string; facts: Facts }>(
  method: Method,
  family: readonly A[],
  said: { goes: Goes; blankId: string } | null = null,
): A {
  const wanted = said && (said.goes.blanks[said.blankId] ?? said.goes.methods[method.id]);
  const asked = wanted && family.find(({ id }) => id === wanted);
  if (asked) return asked;
  const faults = ({ facts }: A) => {
    const { inks, softPrintsBadly } = method.limits;
    return (
      Number(inks !== null && (facts.inks ?? Infinity) > inks) +
      Number(softPrintsBadly && facts.alpha.softShare > HARD) +
      Number(method.knockout && !facts.alpha.present)
    );
  };
  return family.reduce((best, one) => (faults(one) < faults(best) ? one : best));
}
