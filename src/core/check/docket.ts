import type { ResolvedBlank } from '../blank/resolve';
import type { Fit } from '../fit/schema';
import type { ProductLook } from './context';
import { findingsOf, looksOf, type DocketOptions } from './face-findings';
import { standing, worst, type Finding, type Verdict } from './finding';
import { outcomeOf, type Outcome } from './outcome';
import { RULES } from './registry';
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

/**
 * Measures every face of a fit by every rule, on every look and in every size of the product. `known` is what all rules
 * found on the faces as they are, in any order, where that was measured before.
 */
export function makeDocket(
  blank: ResolvedBlank,
  fit: Fit,
  options: DocketOptions,
  known?: readonly Finding[],
): Docket {
  const own = known ? inOrder(blank, known) : findingsOf(blank, fit, options);
  const exact = options.coarse === undefined;
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

/** As the docket lists them: by faces, and on each by rules. */
function inOrder({ faces }: ResolvedBlank, findings: readonly Finding[]): Finding[] {
  const place = ({ faceId, rule }: Finding) =>
    faces.findIndex(({ id }) => id === faceId) * RULES.length + RULES.findIndex(({ id }) => id === rule);
  return [...findings].sort((a, b) => place(a) - place(b));
}

function onLook({ id, name }: ProductLook, findings: readonly Finding[]): Outcome {
  const on = findings.map((finding) => {
    const own = finding.byLook?.find((one) => one.id === id)?.verdict ?? finding.verdict;
    return { ...finding, verdict: finding.accepted && own === finding.verdict ? standing(finding) : own };
  });
  return { id, name, ...outcomeOf(on) };
}
