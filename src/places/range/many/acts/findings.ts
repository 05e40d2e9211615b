import { RULE_IDS, type RuleId } from '@/core/check/finding';
import { ruleName } from '@/core/check/registry';
import type { OpenFinding } from '@/core/check/summary';
import type { Fit } from '@/core/fit/schema';
import { acceptLooks, mend } from '@/core/many/findings';
import { currentSummary, keptDocket } from '@/state/bench/dockets';
import type { Target } from '@/state/many/preview';
import { today } from '@/state/today';
import { toFit, type Choices, type ManyAct } from './act';

/** The findings of a fit as they are on its docket; none where that no longer holds. */
const findingsOf = async (fit: Fit) => (await keptDocket(fit))?.findings ?? [];

type Wanted = (finding: OpenFinding) => boolean;
const isAny: Wanted = () => true;
const isLook: Wanted = ({ verdict }) => verdict === 'look';

function stands({ fit }: Target, wanted: Wanted): OpenFinding[] {
  return (fit && currentSummary(fit)?.findings.filter(wanted)) ?? [];
}

/** The rules that something stands by, with how many of the targets. */
function rulesOf(targets: readonly Target[], wanted: Wanted): Choices {
  const rules = targets.map((target) => new Set(stands(target, wanted).map(({ rule }) => rule)));
  return RULE_IDS.flatMap((rule) => {
    const count = rules.filter((own) => own.has(rule)).length;
    return count === 0 ? [] : [[rule, `${ruleName(rule)} · ${count}`] as const];
  });
}

export const MEND: ManyAct = {
  name: 'Mend one finding…',
  done: 'mended',
  // Those without a remedy among them too: they are told why they are left as they are.
  takes: (target) => stands(target, isAny).length > 0,
  asks: [
    {
      id: 'rule',
      label: 'what stands against them',
      kind: 'choice',
      choices: (targets) => {
        const mendable = new Set(
          targets.flatMap((target) => stands(target, isAny).flatMap((one) => (one.mendable ? one.rule : []))),
        );
        return rulesOf(targets, ({ rule }) => mendable.has(rule));
      },
    },
  ],
  change: toFit(async ({ fit }, { rule }) => mend(fit, await findingsOf(fit), rule as RuleId)),
};

export const ACCEPT: ManyAct = {
  name: 'Accept a Look, for one reason…',
  done: 'accepted',
  takes: (target) => stands(target, isLook).length > 0,
  asks: [
    {
      id: 'rule',
      label: 'what is accepted',
      kind: 'choice',
      choices: (targets) => rulesOf(targets, isLook),
    },
    { id: 'reason', label: 'why it is right as it is', kind: 'words', most: 300 },
  ],
  change: toFit(async ({ fit }, { rule, reason = '' }) =>
    acceptLooks(fit, await findingsOf(fit), rule as RuleId, { reason: reason.trim(), date: today() }),
  ),
};
