import type { ResolvedBlank } from '../blank/resolve';
import type { Fit } from '../fit/schema';
import type { ProductLook } from './context';
import { findingsOf, looksOf, type DocketOptions } from './face-findings';
import { standing, worst, type Finding, type Verdict } from './finding';
import { outcomeOf, type Outcome } from './outcome';
import { sizesOf } from './sizes';

/** All findings of a fit, in the docket's order, and whether they come from every pixel. */
export interface Docket {
  verdict: Verdict;
  /** False where a reduced copy was measured, while the exact numbers are on their way. */
  exact: boolean;
  findings: Finding[];
  /** Every colour, or state, of the product; empty where there is one. */
  looks: Outcome[];
  /** Every graded size; empty where there is one, and where a reduced copy was measured. */
  sizes: Outcome[];
}

/** Measures every face of a fit by every rule, on every look and in every size of the product. */
export function makeDocket(blank: ResolvedBlank, fit: Fit, options: DocketOptions): Docket {
  const exact = options.coarse === undefined;
  const own = findingsOf(blank, fit, options);
  const looks = looksOf(blank, fit, options);
  const graded = blank.blank.sizes.length > 1 && exact ? sizesOf(blank, fit, options, own) : null;
  const findings = [...own, ...(graded?.findings ?? [])];
  return {
    verdict: worst(findings),
    exact,
    findings,
    looks: looks.length > 1 ? looks.map((look) => onLook(look, own)) : [],
    sizes: graded?.outcomes ?? [],
  };
}

function onLook({ id, name }: ProductLook, findings: readonly Finding[]): Outcome {
  const on = findings.map((finding) => {
    const own = finding.byLook?.find((one) => one.id === id)?.verdict ?? finding.verdict;
    return { ...finding, verdict: finding.accepted && own === finding.verdict ? standing(finding) : own };
  });
  return { id, name, ...outcomeOf(on) };
}
