import type { Changed } from '@/core/many/changed';
import type { Fit } from '@/core/fit/schema';
import type { Settings, Target } from '@/state/many/preview';
import { useShop } from '@/state/shop/shop';

/** What an act asks before it can be worked out. Of several that are ticked, the answer has one a line; an artwork can be a new file. */
export interface ActAsk {
  id: string;
  label: string;
  kind: 'colour' | 'words' | 'length' | 'choice' | 'several' | 'artwork';
  /** Of a list: what can be chosen for these targets. */
  choices?: (targets: readonly Target[]) => Choices;
  /** How much may be written. */
  most?: number;
}

export type Choices = (readonly [value: string, name: string])[];
export type Answers = Readonly<Record<string, string>>;

/** Something that is done to many fits at once. */
export interface ManyAct {
  /** As it is offered. */
  name: string;
  /** What it did, in words that go after a number of fits. */
  done: string;
  takes: (target: Target) => boolean;
  asks: readonly ActAsk[];
  /** `targets` are all that it is done to. */
  change: (target: Target, answers: Answers, targets: readonly Target[]) => Promise<Changed> | Changed;
  /** Whom it is done to besides what is chosen. */
  reaches?: (targets: readonly Target[]) => Target[];
  /** What it changes of the settings. */
  settings?: (targets: readonly Target[], answers: Answers) => (settings: Settings) => Settings;
}

export type FittedTarget = Target & { fit: Fit };

export const isFitted = (target: Target): target is FittedTarget => target.fit !== null;

/** Does something to a target's fit; a target that has none says so. */
export function toFit(
  act: (target: FittedTarget, answers: Answers, targets: readonly Target[]) => Promise<Changed> | Changed,
): ManyAct['change'] {
  return (target, answers, targets) =>
    isFitted(target) ? act(target, answers, targets) : { why: 'It is not fitted yet.' };
}

/** Every text or id that targets have, each once with how many fits have it, the most first. */
export function counted(
  targets: readonly Target[],
  of: (fit: Fit) => Iterable<string>,
  named: (one: string) => string = (one) => one,
): Choices {
  const counts = new Map<string, number>();
  for (const { fit } of targets)
    for (const one of new Set(fit ? of(fit) : [])) counts.set(one, (counts.get(one) ?? 0) + 1);
  return [...counts].sort((a, b) => b[1] - a[1]).map(([one, count]) => [one, `${named(one)} · ${count}`]);
}

export const factsOf = (id: string) => useShop.getState().artworks.get(id)!.facts;
export const newId = () => crypto.randomUUID();
