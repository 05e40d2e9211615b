import { withCopies, type Cell } from '@/core/fit/copies';
import type { Design, Fit } from '@/core/fit/schema';
import type { Store } from '@/store/commit';
import { FIRST_SETTINGS, storedSummary, type Settings, type StoredDocket } from '@/store/schema';
import type { RecordOf, TableName } from '@/store/tables';
import { commit, type Kept } from './commit';

/** Keeps one record as it is. */
export async function keep<T extends TableName>(table: T, record: RecordOf<T>): Promise<Kept<void>> {
  return commit([table], (store) => {
    store.put(table, record);
  });
}

/** Takes one record out, with what belongs to it; gives back what undoes it. */
export async function takeOut(table: TableName, key: string): Promise<() => Promise<void>> {
  const { undo } = await commit([table], (store) => {
    store.remove(table, key);
  });
  return undo;
}

export async function saveDesign(design: Design): Promise<void> {
  await keep('designs', design);
}

export async function saveFit(fit: Fit): Promise<void> {
  await keep('fits', fit);
}

/** Keeps how many of a fit are ordered in one colour and size; nothing is asked of its docket. */
export async function setCopies(fitId: string, cell: Cell, copies: number): Promise<void> {
  await commit(['fits'], async (store) => {
    const fit = await store.get('fits', fitId);
    if (fit) store.put('fits', { ...fit, copies: withCopies(fit.copies ?? [], cell, copies) });
  });
}

/** Takes a fit out with its edits and its docket; gives back what undoes it. */
export function removeFit(fitId: string): Promise<() => Promise<void>> {
  return takeOut('fits', fitId);
}

/** Takes a design off the range with its fits; gives back what undoes it. */
export async function removeDesign(designId: string): Promise<() => Promise<void>> {
  const { undo } = await commit(['designs', 'fits'], async (store) => {
    for (const fit of await store.all('fits')) if (fit.designId === designId) store.remove('fits', fit.id);
    store.remove('designs', designId);
  });
  return undo;
}

/** Puts a docket and its summary, which go together. */
export function putDocket(store: Store, docket: StoredDocket): void {
  store.put('dockets', docket);
  store.put('summaries', storedSummary(docket));
}

/** Keeps a docket, unless its fit was taken out meanwhile. */
export async function saveDocket(docket: StoredDocket): Promise<void> {
  await commit(['dockets', 'summaries'], async (store) => {
    if (await store.get('fits', docket.fitId)) putDocket(store, docket);
  });
}

/** Changes settings, from what they are on the disk; gives back what undoes it. */
export async function changeSettings(
  change: Partial<Settings> | ((settings: Settings) => Partial<Settings>),
): Promise<() => Promise<void>> {
  const { undo } = await commit(['settings'], async (store) => {
    const before = (await store.get('settings', 'settings')) ?? FIRST_SETTINGS;
    store.put('settings', { ...before, ...(typeof change === 'function' ? change(before) : change) });
  });
  return undo;
}
