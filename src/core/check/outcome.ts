import { standing, worst, type Finding, type Verdict } from './finding';

/** How a fit does on one look or in one size of the product. */
export interface Outcome {
  id: string;
  name: string;
  verdict: Verdict;
  /** What it fails by, in the words of the range's cells. */
  why: string[];
  /** Of a size, by what hangs on how large its faces are alone. */
  edge?: Verdict | undefined;
}

/** What findings come to together. */
export function outcomeOf(findings: readonly Pick<Finding, 'verdict' | 'accepted' | 'rule'>[]): {
  verdict: Verdict;
  why: string[];
} {
  const open = findings.filter((finding) => standing(finding) !== 'ready');
  return { verdict: worst(findings), why: [...new Set(open.map(({ rule }) => rule))] };
}
