import * as v from 'valibot';
import { FitSchema, type Fit } from '@/core/fit/schema';
import { database, together } from './database';
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
export function writeStep(fit: Fit, number: number): Promise<void> {
  return together(['fits', 'steps', 'heads'], (change, also) => {
    const steps = change.objectStore('steps');
    also(steps.delete(rangeOf(fit.id, number + 1)));
    also(steps.delete(rangeOf(fit.id, 0, number - MOST_STEPS - 1)));
    also(steps.put({ fitId: fit.id, number, fit }));
    also(change.objectStore('heads').put({ fitId: fit.id, at: number }));
    also(change.objectStore('fits').put(fit));
  });
}

/** Keeps that a fit went back or forth to one of its steps. */
export function writeHead(fit: Fit, number: number): Promise<void> {
  return together(['fits', 'heads'], (change, also) => {
    also(change.objectStore('heads').put({ fitId: fit.id, at: number }));
    also(change.objectStore('fits').put(fit));
  });
}

function rangeOf(fitId: string, from = 0, to = Number.MAX_SAFE_INTEGER): IDBKeyRange {
  return from <= to ? IDBKeyRange.bound([fitId, from], [fitId, to]) : IDBKeyRange.only([fitId, -1]);
}

/** Takes a fit's edits out with it. */
export function removeHistory(fitId: string): Promise<void> {
  return together(['steps', 'heads'], (change, also) => {
    also(change.objectStore('steps').delete(rangeOf(fitId)));
    also(change.objectStore('heads').delete(fitId));
  });
}
