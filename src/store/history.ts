import { database } from './database';
import type { Store } from './commit';
import type { RecordOf } from './tables';
import { readRecord } from './tables';

/** Edits that can be undone; older ones go. */
export const MOST_STEPS = 500;

/** A fit's edits in order, and which of them it is at. */
export interface History {
  steps: RecordOf<'steps'>[];
  at: number;
}

/** Reads a fit's edits; those that no longer read as a fit are left out. Null where none were kept. */
export async function readHistory(fitId: string): Promise<History | null> {
  const db = await database();
  const look = db.transaction(['steps', 'heads']);
  const [head, stored] = await Promise.all([
    look.objectStore('heads').get(fitId) as Promise<RecordOf<'heads'> | undefined>,
    look.objectStore('steps').getAll(IDBKeyRange.bound([fitId, 0], [fitId, Infinity])) as Promise<unknown[]>,
  ]);
  const steps = stored.flatMap((step) => {
    const read = readRecord('steps', step);
    return read.ok ? [read.record] : [];
  });
  if (!head || !steps.some(({ number }) => number === head.at)) return null;
  return { steps, at: head.at };
}

/** An edit of a fit, as the n-th of its steps, or a way back or forth to one that is kept already. */
export interface Edit {
  fit: RecordOf<'fits'>;
  number: number;
  step: boolean;
}

/**
 * Puts an edit: the fit, its step and where the fit is now. Steps after it, which it takes the place of, go; so do those
 * beyond the most that are kept.
 */
export async function putEdit(store: Store, { fit, number, step }: Edit): Promise<void> {
  // All at once, with what is put over and looked at then: the disk is waited for once, and not for each of them.
  const [later, old] = await Promise.all([
    step ? store.steps(fit.id, number + 1, Number.MAX_SAFE_INTEGER) : [],
    step ? store.steps(fit.id, 0, number - MOST_STEPS - 1) : [],
    store.get('heads', fit.id),
    step && store.get('steps', [fit.id, number]),
  ]);
  for (const gone of [...later, ...old]) store.remove('steps', [fit.id, gone]);
  if (step) store.put('steps', { fitId: fit.id, number, fit });
  store.put('heads', { fitId: fit.id, at: number });
  store.put('fits', fit);
}
