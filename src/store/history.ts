import * as v from 'valibot';
import { FitSchema, type Fit } from '@/core/fit/schema';
import { database } from './database';
import type { StoredStep } from './kept';

/** Edits that can be undone; older ones go. */
export const MOST_STEPS = 500;

/** A fit's edits in order, and which of them it is at. */
export interface History {
  steps: StoredStep[];
  at: number;
}

/** Reads a fit's edits; those that no longer read as a fit are left out. Null where none were kept. */
export async function readHistory(fitId: string): Promise<History | null> {
  const db = await database();
  const look = db.transaction(['steps', 'heads']);
  const [head, stored] = await Promise.all([
    look.objectStore('heads').get(fitId),
    look.objectStore('steps').getAll(rangeOf(fitId)),
  ]);
  const steps = stored.flatMap((step) => {
    const fit = v.safeParse(FitSchema, step.fit);
    return fit.success ? [{ ...step, fit: fit.output }] : [];
  });
  if (!head || !steps.some(({ number }) => number === head.at)) return null;
  return { steps, at: head.at };
}

/**
 * Keeps an edit: the fit, its step and where the fit is now, together or not at all. Steps after it, which it takes the
 * place of, go; so do those beyond the most that are kept.
 */
export async function writeStep(fit: Fit, number: number): Promise<void> {
  await changeHistory((change) => {
    const steps = change.objectStore('steps');
    return [
      steps.delete(rangeOf(fit.id, number + 1)),
      steps.delete(rangeOf(fit.id, 0, number - MOST_STEPS - 1)),
      steps.put({ fitId: fit.id, number, fit }),
      change.objectStore('heads').put({ fitId: fit.id, at: number }),
      change.objectStore('fits').put(fit),
    ];
  });
}

/** Keeps that a fit went back or forth to one of its steps. */
export async function writeHead(fit: Fit, number: number): Promise<void> {
  await changeHistory((change) => [
    change.objectStore('heads').put({ fitId: fit.id, at: number }),
    change.objectStore('fits').put(fit),
  ]);
}

type Change = Awaited<ReturnType<typeof historyChange>>;

async function historyChange() {
  // An answer once the system has it: a crash of the page or the browser loses nothing, and it comes at once.
  return (await database()).transaction(['fits', 'steps', 'heads'], 'readwrite', { durability: 'strict' });
}

/** Makes several writes together; where one is refused, even before it is tried, none of them stays. */
async function changeHistory(writes: (change: Change) => Promise<unknown>[]): Promise<void> {
  const change = await historyChange();
  const done = change.done;
  done.catch(() => undefined);
  try {
    await Promise.all([...writes(change), done]);
  } catch (error) {
    // Refused because it has ended already where the disk itself refused.
    if (change.error === null) change.abort();
    throw error;
  }
}

function rangeOf(fitId: string, from = 0, to = Number.MAX_SAFE_INTEGER): IDBKeyRange {
  return from <= to ? IDBKeyRange.bound([fitId, from], [fitId, to]) : IDBKeyRange.only([fitId, -1]);
}

/** Takes a fit's edits out with it. */
export async function removeHistory(fitId: string): Promise<void> {
  const db = await database();
  const change = db.transaction(['steps', 'heads'], 'readwrite');
  await Promise.all([
    change.objectStore('steps').delete(rangeOf(fitId)),
    change.objectStore('heads').delete(fitId),
    change.done,
  ]);
}
