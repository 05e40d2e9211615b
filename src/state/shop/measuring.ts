import type { Answer } from '@/core/measuring/answers';
import type { ThingId } from '@/core/measuring/things';
import type { Settings } from '@/store/schema';
import { changeSettings } from './records';

export type Draft = NonNullable<Settings['draft']>;

const NO_DRAFT: Draft = { thingId: 'narrowing', name: '', answers: {} };

/** What is being measured: kept as it is typed, so that nobody measures twice. */
export function changeDraft(change: Partial<Draft>): void {
  void changeSettings(({ draft }) => ({ draft: { ...NO_DRAFT, ...draft, ...change } }));
}

export function answerStep(stepId: string, answer: Answer): void {
  void changeSettings(({ draft }) => ({
    draft: { ...NO_DRAFT, ...draft, answers: { ...draft?.answers, [stepId]: answer } },
  }));
}

/** Begins with another thing; readings that both ask for stay. */
export function measureThing(thingId: ThingId): void {
  changeDraft({ thingId });
}

export async function clearDraft(): Promise<void> {
  await changeSettings({ draft: null });
}
