import type { Fit } from '../fit/schema';
import { rank, worst, type Finding, type Remedy, type RuleId, type Verdict } from './finding';
import { ruleName } from './registry';

/** Measures a fit on a reduced copy: by one rule, and by all that a remedy can make worse. */
export type Remeasure = (fit: Fit, rule: RuleId) => Finding[];

/**
 * The remedies of a face's findings that do mend, each tried and measured again over all looks: one that leaves its
 * finding as it was is not offered, and one that makes another finding worse says which.
 */
export function withProvedRemedies(fit: Fit, findings: readonly Finding[], remeasure: Remeasure): Finding[] {
  return findings.map((finding) => {
    if (finding.remedies.length === 0) return finding;
    const before = remeasure(fit, finding.rule);
    return {
      ...finding,
      remedies: finding.remedies.flatMap((remedy) => proved(fit, finding, remedy, before, remeasure)),
    };
  });
}

function proved(
  fit: Fit,
  finding: Finding,
  remedy: Remedy,
  before: readonly Finding[],
  remeasure: Remeasure,
): Remedy[] {
  // What a knife's line becomes is drawn anew from the artwork, which is not done here.
  if (remedy.cut) return [remedy];
  const faces = fit.faces.map((face) =>
    face.faceId === finding.faceId ? { ...face, pieces: remedy.pieces } : face,
  );
  const after = remeasure({ ...fit, faces }, finding.rule);
  const was = verdictOf(before, finding);
  // A reduced copy does not show everything that every pixel does: then nothing can be said against the remedy.
  if (was !== 'ready' && rank(verdictOf(after, finding)) >= rank(was)) return [];
  const worse = rulesIn([...before, ...after])
    .filter((rule) => rule !== finding.rule)
    .filter((rule) => rank(worstOf(after, rule)) > rank(worstOf(before, rule)));
  if (worse.length === 0) return [remedy];
  const names = worse.map((rule) => ruleName(rule).toLowerCase()).join(', ');
  return [
    { ...remedy, label: `${remedy.label}; then ${names} ${worse.length === 1 ? 'needs' : 'need'} a look` },
  ];
}

function rulesIn(findings: readonly Finding[]): RuleId[] {
  return [...new Set(findings.map(({ rule }) => rule))];
}

function worstOf(findings: readonly Finding[], rule: RuleId): Verdict {
  return worst(findings.filter((one) => one.rule === rule));
}

/** How the same thing is judged in other findings: of its piece where it is a piece's. */
function verdictOf(findings: readonly Finding[], { rule, pieceId, unit }: Finding): Verdict {
  const same = findings.filter((one) => one.rule === rule && one.unit === unit);
  const own = same.filter((one) => one.pieceId === pieceId);
  return worst(own.length > 0 ? own : pieceId === undefined ? same : []);
}
