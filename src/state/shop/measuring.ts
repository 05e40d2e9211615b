import * as v from 'valibot';
import { create } from 'zustand';
import type { Answer } from '@/core/measuring/answers';
import type { ThingId } from '@/core/measuring/things';
import { SettingsSchema, type Settings } from '@/store/schema';
import { changeSettings } from './records';
import { useShop } from './shop';

export type Draft = NonNullable<Settings['draft']>;

/** What is being measured, as it is typed: on the screen at once, and on the disk a moment later. */
export const useDraft = create<{ draft: Draft | null }>(() => ({ draft: useShop.getState().settings.draft }));

/** Where the newest draft waits until it is on the disk: a window closed or loaded again meanwhile loses nothing. */
export const WAITING = 'up-fit draft on its way';
const WaitingSchema = v.object({ draft: SettingsSchema.entries.draft });

/** The newest draft that nothing is writing yet; one typed over it before its turn is never written. */
let newest: { draft: Draft | null } | null = null;
let writing: Promise<void> | null = null;

useShop.subscribe(({ settings, phase }, before) => {
  if (writing === null && settings.draft !== before.settings.draft)
    useDraft.setState({ draft: settings.draft });
  if (phase !== 'open' || before.phase === 'open') return;
  const left = leftWaiting();
  if (left) void set(left.draft);
});

/** What was on its way when the window was closed; `null` where all of it had arrived. */
function leftWaiting(): { draft: Draft | null } | null {
  const text = sessionStorage.getItem(WAITING);
  if (text === null) return null;
  try {
    return v.parse(WaitingSchema, JSON.parse(text));
  } catch {
    return null;
  }
}

function set(draft: Draft | null): Promise<void> {
  useDraft.setState({ draft });
  newest = { draft };
  sessionStorage.setItem(WAITING, JSON.stringify(newest));
  writing ??= write().finally(() => (writing = null));
  return writing;
}

async function write(): Promise<void> {
  while (newest) {
    const { draft } = newest;
    newest = null;
    await changeSettings({ draft });
  }
  sessionStorage.removeItem(WAITING);
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
