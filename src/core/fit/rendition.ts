import type { Facts } from '../artwork/facts';
import type { Method } from '../blank/schema';

/** Soft share up to which a method that prints soft pixels badly is content. */
const HARD = 0.001;

/**
 * The rendition of an artwork that a printing method wants, by what was measured in each: few enough inks, nothing
 * soft where that prints badly, no ground where the product is to show through. The full one, which comes first,
 * where it will do or no other does better. `goes` says by the method's id which it is, whatever was measured.
 */
export function renditionFor<A extends { id?: string; facts: Facts }>(
  method: Method,
  family: readonly A[],
  goes: Readonly<Record<string, string>> = {},
): A {
  const said = family.find(({ id }) => id !== undefined && id === goes[method.id]);
  if (said) return said;
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
