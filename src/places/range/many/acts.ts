import { RULE_IDS, type RuleId } from '@/core/check/finding';
import { ruleName } from '@/core/check/registry';
import { acceptLooks, against, colourGround, inColour, mend, swapOne, type Changed } from '@/core/many/acts';
import { artworkIdsOf } from '@/core/fit/schema';
import { currentDocket } from '@/state/bench/dockets';
import type { Target } from '@/state/many/preview';
import { blankOf } from '@/state/shop/library';
import { begunFit } from '@/state/shop/range';
import { useShop } from '@/state/shop/shop';
import { today } from '@/state/today';

/** What an act asks before it can be worked out: by its name, in words or out of a list. */
export interface ActAsk {
  id: string;
  label: string;
  kind: 'colour' | 'words' | 'choice';
  /** Of a list: what can be chosen for these targets. */
  choices?: (targets: readonly Target[]) => (readonly [value: string, name: string])[];
}

/** Something that is done to many fits at once. */
export interface ManyAct {
  /** As it is offered. */
  name: string;
  /** What it did, in words that go after a number of fits. */
  done: string;
  takes: (target: Target) => boolean;
  asks: readonly ActAsk[];
  change: (target: Target, answers: Readonly<Record<string, string>>) => Promise<Changed> | Changed;
}

const isFitted = ({ fit }: Target) => fit !== null;

/** Does something to a target's fit; a target that has none says so. */
function toFit(
  act: (
    target: Target & { fit: NonNullable<Target['fit']> },
    answers: Readonly<Record<string, string>>,
  ) => Changed,
): ManyAct['change'] {
  return (target, answers) => {
    const { fit } = target;
    return fit ? act({ ...target, fit }, answers) : { why: 'It is not fitted yet.' };
  };
}

const findingsOf = (fit: NonNullable<Target['fit']>) => currentDocket(fit)?.findings ?? [];

/** Whether something of a rule stands against a target that can be mended, or accepted. */
function stands({ fit }: Target, rule: RuleId, which: 'mended' | 'accepted'): boolean {
  const own = fit ? against(findingsOf(fit), rule) : [];
  return own.some(({ verdict, remedies }) =>
    which === 'accepted' ? verdict === 'look' : remedies.length > 0,
  );
}

/** The rules that something stands by, with how many of the targets. */
function rulesOf(targets: readonly Target[], which: 'mended' | 'accepted'): (readonly [RuleId, string])[] {
  return RULE_IDS.flatMap((rule) => {
    const count = targets.filter((target) => stands(target, rule, which)).length;
    return count === 0 ? [] : [[rule, `${ruleName(rule)} · ${count}`] as const];
  });
}

const artworkName = (id: string) => useShop.getState().artworks.get(id)?.facts.name ?? id;

export const ACTS = {
  fit: {
    name: 'Fit them, as their blanks begin',
    done: 'fitted',
    takes: ({ fit }) => fit === null,
    asks: [],
    change: async ({ design, blankId }) => ({ fit: await begunFit(design.id, blankId) }),
  },
  ground: {
    name: 'Change the colour of their ground…',
    done: 'on another ground',
    takes: isFitted,
    asks: [{ id: 'colour', label: 'colour of the ground', kind: 'colour' }],
    change: toFit(({ fit }, { colour = '' }) => colourGround(fit, colour, () => crypto.randomUUID())),
  },
  swap: {
    name: 'Swap an artwork for another…',
    done: 'with the other artwork',
    takes: ({ fit }) => fit !== null && artworkIdsOf(fit).length > 0,
    asks: [
      {
        id: 'from',
        label: 'instead of',
        kind: 'choice',
        choices: (targets) =>
          [...new Set(targets.flatMap(({ fit }) => (fit ? artworkIdsOf(fit) : [])))].map((id) => [
            id,
            artworkName(id),
          ]),
      },
      {
        id: 'to',
        label: 'comes',
        kind: 'choice',
        choices: () => [...useShop.getState().artworks.values()].map(({ id, facts }) => [id, facts.name]),
      },
    ],
    change: toFit(({ fit }, { from = '', to = '' }) => {
      const { artworks } = useShop.getState();
      if (from === to) return { why: 'It is the same artwork.' };
      return swapOne(fit, from, to, (id) => artworks.get(id)!.facts);
    }),
  },
  mend: {
    name: 'Mend one finding…',
    done: 'mended',
    takes: (target) => RULE_IDS.some((rule) => stands(target, rule, 'mended')),
    asks: [
      {
        id: 'rule',
        label: 'what stands against them',
        kind: 'choice',
        choices: (targets) => rulesOf(targets, 'mended'),
      },
    ],
    change: toFit(({ fit }, { rule }) => mend(fit, findingsOf(fit), rule as RuleId)),
  },
  accept: {
    name: 'Accept a Look, for one reason…',
    done: 'accepted',
    takes: (target) => RULE_IDS.some((rule) => stands(target, rule, 'accepted')),
    asks: [
      {
        id: 'rule',
        label: 'what is accepted',
        kind: 'choice',
        choices: (targets) => rulesOf(targets, 'accepted'),
      },
      { id: 'reason', label: 'why it is right as it is', kind: 'words' },
    ],
    change: toFit(({ fit }, { rule, reason = '' }) =>
      acceptLooks(fit, findingsOf(fit), rule as RuleId, { reason, date: today() }),
    ),
  },
  colour: {
    name: 'Another product colour…',
    done: 'in that colour',
    takes: isFitted,
    asks: [
      {
        id: 'colour',
        label: 'product colour',
        kind: 'choice',
        choices: (targets) => {
          const shop = useShop.getState();
          const names = targets.flatMap(({ fit }) =>
            fit ? (blankOf(fit, shop)?.blank.colours.map(({ name }) => name) ?? []) : [],
          );
          return [...new Set(names)].map((name) => [name, name]);
        },
      },
    ],
    change: toFit(({ fit }, { colour = '' }) => {
      const blank = blankOf(fit, useShop.getState());
      return blank ? inColour(fit, blank, colour) : { why: 'Its blank is no longer here.' };
    }),
  },
} satisfies Record<string, ManyAct>;

export type ActId = keyof typeof ACTS;
