import { inOneOrder } from '@/core/key-order';
import { create } from 'zustand';
import type { Fit } from '@/core/fit/schema';
import { Conflict, type Store } from '@/store/commit';
import { beforeLeaving } from '@/store/database';
import { putEdit, type Edit } from '@/store/history';
import { commit, tryAgain, useRefused } from '../shop/commit';

/** How the open fit's edits stand: on the disk, on their way there, or refused and tried again. */
export interface Saving {
  phase: 'saved' | 'saving' | 'refused';
  /** Why it was refused and what to do, in a sentence. */
  trouble: string | null;
}

export const useSaving = create<Saving>(() => ({ phase: 'saved', trouble: null }));

/** Who makes edits, as listeners to changes know it. */
export const BY_BENCH = 'bench';

/** The fit on the disk is not the one that an edit was made to: it was changed in another window. */
export class ChangedElsewhere extends Conflict {
  constructor() {
    super('This fit was changed in another window: your edit is made to what it is now.');
  }
}

/** Edits that are not on the disk yet, and work under way that ends in one, such as setting type. */
let waiting = 0;
let towards = 0;
/** Ends with the last edit: they are written one after another. */
let queue: Promise<unknown> = Promise.resolve();

/** Whether an edit would be lost if the page were closed now. */
export function isUnsaved(): boolean {
  return waiting > 0 || towards > 0;
}

function look(): void {
  const { trouble } = useRefused.getState();
  if (waiting > 0 && trouble !== null) useSaving.setState({ phase: 'refused', trouble });
  else useSaving.setState({ phase: isUnsaved() ? 'saving' : 'saved', trouble: null });
}
useRefused.subscribe(look);

/**
 * Keeps an edit of the open fit that was made to `base`; resolves once it is on the disk, however long that is refused.
 * Throws ChangedElsewhere where the fit is another there.
 */
export function keepEdit(edit: Edit, base: Fit): Promise<void> {
  waiting++;
  look();
  const kept = queue
    .then(() => writeEdit(edit, base))
    .finally(() => {
      waiting--;
      look();
    });
  queue = kept.catch(() => undefined);
  return kept;
}

async function writeEdit(edit: Edit, base: Fit): Promise<void> {
  const act = async (store: Store) => {
    // Asked for before anything is put, and together with what that needs to know.
    const [stored] = await Promise.all([store.get('fits', edit.fit.id), putEdit(store, edit)]);
    if (!stored) throw new Conflict('This fit was taken out in another window: undo that there to go on.');
    if (said(stored) !== said(base)) throw new ChangedElsewhere();
  };
  await commit(['fits', 'steps', 'heads'], act, { by: BY_BENCH });
}

function said(fit: Fit): string {
  return inOneOrder(fit);
}

beforeLeaving(keepWaiting);

/** Does work that ends in an edit: until it has ended, the fit counts as not saved. */
export async function towardsEdit<T>(work: () => Promise<T>): Promise<T> {
  towards++;
  look();
  try {
    return await work();
  } finally {
    towards--;
    look();
  }
}

/** Tries what was refused again; answers once every edit so far is on the disk. */
export async function keepWaiting(): Promise<void> {
  tryAgain();
  await queue;
}
