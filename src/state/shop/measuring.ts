import type { Answer } from '@/core/measuring/answers';
import type { ThingId } from '@/core/measuring/things';
import type { Settings } from '@/store/schema';
import { changeSettings, useShop } from './shop';

export type Draft = NonNullable<Settings['draft']>;

/** What is being measured: kept as it is typed, so that nobody measures twice. */
export function changeDraft(change: Partial<Draft>): void {
  const { draft } = useShop.getState().settings;
  void changeSettings({ draft: { thingId: 'narrowing', name: '', answers: {}, ...draft, ...change } });
}

export function answerStep(stepId: string, answer: Answer): void {
  const { draft } = useShop.getState().settings;
  changeDraft({ answers: { ...draft?.answers, [stepId]: answer } });
}

/** Begins with another thing; readings that both ask for stay. */
export function measureThing(thingId: ThingId): void {
  changeDraft({ thingId });
}

export function clearDraft(): Promise<void> {
  return changeSettings({ draft: null });
}
