import type { Facts } from '@/core/artwork/facts';
import type { ResolvedBlank } from '@/core/blank/resolve';
import type { Verdict } from '@/core/check/finding';
import { suitabilityOf } from '@/core/check/suitability';

type Counts = Record<Verdict, number>;

/** Counts hold as long as the facts and the library are the same. */
const known = new WeakMap<Facts, { blanks: ReadonlyMap<string, ResolvedBlank>; counts: Counts }>();

/** For how many blanks an artwork has pixels enough at target, at floor, and not, fitted whole to the first face. */
export function countSuitability(facts: Facts, blanks: ReadonlyMap<string, ResolvedBlank>): Counts {
  const before = known.get(facts);
  if (before?.blanks === blanks) return before.counts;
  const counts: Counts = { ready: 0, look: 0, fix: 0 };
  for (const { faces } of blanks.values()) counts[suitabilityOf(facts, faces[0]!).verdict]++;
  known.set(facts, { blanks, counts });
  return counts;
}
