import { accept } from '../check/acceptance';
import { isOpen, type Finding, type RuleId } from '../check/finding';
import { ruleName } from '../check/registry';
import { remedied } from '../check/remedy';
import type { Fit } from '../fit/schema';
import type { Changed } from './changed';

/** The findings of a rule that still stand against a fit. */
export function against(findings: readonly Finding[], rule: RuleId): Finding[] {
  return findings.filter((finding) => finding.rule === rule && isOpen(finding));
}

/** Takes the first remedy that a rule's findings have, one a face: another would undo it. */
export function mend(fit: Fit, findings: readonly Finding[], rule: RuleId): Changed {
  const own = against(findings, rule);
  if (own.length === 0) return { why: `Nothing stands against it by ${ruleName(rule).toLowerCase()}.` };
  const remedies = new Map(
    own.flatMap(({ faceId, remedies: [first] }) => (first ? [[faceId, first] as const] : [])).reverse(),
  );
  if (remedies.size === 0) return { why: own[0]!.message };
  return { fit: [...remedies].reduce((so, [faceId, remedy]) => remedied(so, faceId, remedy), fit) };
}

/** Accepts what a person should decide of a rule, for one reason; a Fix is accepted one by one, on the bench. */
export function acceptLooks(
  fit: Fit,
  findings: readonly Finding[],
  rule: RuleId,
  { reason, date }: { reason: string; date: string },
): Changed {
  const looks = against(findings, rule).filter(({ verdict }) => verdict === 'look');
  if (looks.length === 0) return { why: `No Look stands against it by ${ruleName(rule).toLowerCase()}.` };
  return { fit: looks.reduce((so, finding) => accept(so, finding, reason, date), fit) };
}
