import { create } from 'zustand';
import type { Answer } from '@/core/measuring/answers';
import type { ThingId } from '@/core/measuring/things';
import type { Settings } from '@/store/schema';
import { changeSettings } from './records';
import { useShop } from './shop';

export type Draft = NonNullable<Settings['draft']>;

/** What is being measured, as it is typed: on the screen at once, and on the disk a moment later. */
export const useDraft = create<{ draft: Draft | null }>(() => ({ draft: useShop.getState().settings.draft }));

/** Writes under way: until they have ended, what is typed here is newer than what is stored. */
let writing = 0;

useShop.subscribe(({ settings }, before) => {
  if (writing === 0 && settings.draft !== before.settings.draft) useDraft.setState({ draft: settings.draft });
});

async function set(draft: Draft | null): Promise<void> {
  useDraft.setState({ draft });
  writing++;
  try {
    await changeSettings({ draft });
  } finally {
    writing--;
  }
}

/** Keeps what is typed, so that nobody measures twice. */
export function changeDraft(change: Partial<Draft>): void {
  const { draft } = useDraft.getState();
  void set({ thingId: 'narrowing', name: '', answers: {}, ...draft, ...change });
}

export function answerStep(stepId: string, answer: Answer): void {
  const { draft } = useDraft.getState();
  changeDraft({ answers: { ...draft?.answers, [stepId]: answer } });
}

/** Begins with another thing; readings that both ask for stay. */
export function measureThing(thingId: ThingId): void {
  changeDraft({ thingId });
}

export function clearDraft(): Promise<void> {
  return set(null);
}
