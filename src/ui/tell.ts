import { create } from 'zustand';
import { toast, untoast } from './toast';

/** Something done that can be taken back, by the sentence that said so. */
export interface Done {
  id: number;
  sentence: string;
  undo: () => Promise<void>;
}

/** So many acts can be taken back, the last first, while this window is open. */
const MOST = 40;

/** What was done in this window and can be taken back, the last first. */
export const useDone = create<{ done: readonly Done[] }>(() => ({ done: [] }));

let count = 0;

/** Says what was done, with a way to take it back; why that cannot be done any more is told where all errors are. */
export function tellDone(sentence: string, undo: () => Promise<void>): void {
  const one: Done = { id: ++count, sentence, undo };
  useDone.setState(({ done }) => ({ done: [one, ...done].slice(0, MOST) }));
  toast(sentence, {
    id: toastOf(one),
    duration: 10_000,
    action: { label: 'Undo', onClick: () => void takeBack(one) },
  });
}

/** Takes back what was done, whether or not the message that said so is still there. */
export async function takeBack(one: Done): Promise<void> {
  if (!useDone.getState().done.includes(one)) return;
  useDone.setState(({ done }) => ({ done: done.filter((other) => other !== one) }));
  untoast(toastOf(one));
  await one.undo();
}

function toastOf({ id }: Done): string {
  return `done ${id}`;
}
