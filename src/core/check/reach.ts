import type { Outcome } from './outcome';
import type { RuleId, Verdict } from './finding';
import { ruleName } from './registry';

/** Those that are not Ready, the ones that fail by the same together; why, in the names that rules have on the docket. */
export function failing(
  outcomes: readonly Outcome[],
): { names: string[]; verdict: Verdict; why: string[] }[] {
  const groups = new Map<string, { names: string[]; verdict: Verdict; why: string[] }>();
  for (const { name, verdict, why } of outcomes) {
    if (verdict === 'ready') continue;
    const key = `${verdict} ${why.join(' ')}`;
    const rules = why.map((rule) => ruleName(rule as RuleId).toLowerCase());
    const group = groups.get(key) ?? { names: [], verdict, why: rules };
    group.names.push(name);
    groups.set(key, group);
  }
  return [...groups.values()];
}
