import { create } from 'zustand';
import type { Fit } from '@/core/fit/schema';
import { writeHead, writeStep } from '@/store/history';

/** How an edit stands: on the disk, on its way there, or refused. */
export interface Saving {
  phase: 'saved' | 'saving' | 'refused';
  /** Why it was refused and what to do, in a sentence. */
  trouble: string | null;
}

export const useSaving = create<Saving>(() => ({ phase: 'saved', trouble: null }));

interface Edit {
  fit: Fit;
  number: number;
  /** A step of its own, or a way back or forth to one that is kept already. */
  step: boolean;
}

/** Edits that are not on the disk yet, the oldest first: what is refused stays here and is tried again. */
const waiting: Edit[] = [];
let writing: Promise<boolean> | null = null;

/** Keeps an edit of the open fit; resolves once it is on the disk, or refused. */
export function keepEdit(edit: Edit): Promise<boolean> {
  waiting.push(edit);
  return keepWaiting();
}

/** Work under way that ends in an edit, such as setting type. */
let towards = 0;

/** Does work that ends in an edit: until it has ended, the fit counts as not saved. */
export async function towardsEdit<T>(work: () => Promise<T>): Promise<T> {
  towards++;
  useSaving.setState({ phase: 'saving' });
  try {
    return await work();
  } finally {
    towards--;
    if (!isUnsaved()) useSaving.setState({ phase: 'saved', trouble: null });
  }
}

/** Writes all that waits. False where some of it was refused. */
export function keepWaiting(): Promise<boolean> {
  if (waiting.length === 0) return writing ?? Promise.resolve(true);
  useSaving.setState({ phase: 'saving' });
  writing ??= write().finally(() => (writing = null));
  return writing;
}

async function write(): Promise<boolean> {
  for (let edit = waiting[0]; edit; edit = waiting[0]) {
    try {
      await (edit.step ? writeStep(edit.fit, edit.number) : writeHead(edit.fit, edit.number));
      waiting.shift();
    } catch (error) {
      useSaving.setState({ phase: 'refused', trouble: refusal(error) });
      return false;
    }
  }
  if (!isUnsaved()) useSaving.setState({ phase: 'saved', trouble: null });
  return true;
}

/** Whether an edit would be lost if the page were closed now. */
export function isUnsaved(): boolean {
  return waiting.length > 0 || towards > 0;
}

/** What to do where the browser keeps nothing more. */
export function refusal(error: unknown): string {
  const full = error instanceof DOMException && error.name === 'QuotaExceededError';
  return full
    ? 'Not saved: this browser’s storage is full. Take out artwork you no longer use or free space on the disk, then try again. Until then the edit is on the screen only.'
    : 'Not saved: the browser refused to store it. Leave private browsing or allow this site to store data, then try again. Until then the edit is on the screen only.';
}
