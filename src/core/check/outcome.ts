import * as v from 'valibot';
import { list } from '../bounds';
import { isOpen, VERDICTS, worst, type Finding, type Verdict } from './finding';

/** How a fit does on one look or in one size of the product. */
export const OutcomeSchema = v.object({
  id: v.string(),
  name: v.string(),
  verdict: v.picklist(VERDICTS),
  /** What it fails by, as rules' ids. */
  why: list(v.string()),
  /** Of a size, by what hangs on how large its faces are alone. */
  edge: v.optional(v.picklist(VERDICTS)),
});
export type Outcome = v.InferOutput<typeof OutcomeSchema>;

/** What findings come to together. */
export function outcomeOf(findings: readonly Pick<Finding, 'verdict' | 'accepted' | 'rule'>[]): {
  verdict: Verdict;
  why: string[];
} {
  const open = findings.filter(isOpen);
  return { verdict: worst(findings), why: [...new Set(open.map(({ rule }) => rule))] };
}
