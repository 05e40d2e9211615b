import type { Piece } from '../fit/schema';
import { rank, worst, type Finding, type Remedy, type RuleId, type Verdict } from './finding';
import { ruleName } from './registry';

/** Measures a face with certain pieces on a reduced copy: by one rule, and by all that a remedy can make worse. */
export type Remeasure = (pieces: readonly Piece[], rule: RuleId) => Finding[];

/**
 * The remedies of a face's findings that do mend, each tried and measured again over all looks: one that leaves its
 * finding as it was is not offered, and one that makes another finding worse says which.
 */
export function withProvedRemedies(
  pieces: readonly Piece[],
  findings: readonly Finding[],
  remeasure: Remeasure,
): Finding[] {
  const known = new Map<RuleId, Finding[]>();
  const beforeOf = (rule: RuleId): Finding[] => {
    let before = known.get(rule);
    if (!before) known.set(rule, (before = remeasure(pieces, rule)));
    return before;
  };
  return findings.map((finding) => ({
    ...finding,
    remedies: finding.remedies.flatMap((remedy) =>
      proved(finding, remedy, () => beforeOf(finding.rule), remeasure),
    ),
  }));
}

function proved(
  finding: Finding,
  remedy: Remedy,
  measuredBefore: () => Finding[],
  remeasure: Remeasure,
): Remedy[] {
  // What a knife's line becomes is drawn anew from the artwork, and plates are made of every pixel, which is not done here.
  if (remedy.cut || remedy.plates) return [remedy];
  const before = measuredBefore();
  const after = remeasure(remedy.pieces, finding.rule);
  const was = verdictOf(before, finding);
  // A reduced copy does not show everything that every pixel does: then nothing can be said against the remedy.
  if (was !== 'ready' && rank(verdictOf(after, finding)) >= rank(was)) return [];
  const worse = rulesIn([...before, ...after])
    .filter((rule) => rule !== finding.rule)
    .filter((rule) => rank(worstOf(after, rule)) > rank(worstOf(before, rule)));
  if (worse.length === 0) return [remedy];
  const names = worse.map((rule) => ruleName(rule).toLowerCase());
  return [{ ...remedy, label: `${remedy.label}; makes worse: ${names.join(', ')}`, worsens: names }];
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
