import { unparse } from 'papaparse';
import type { Verdict } from '@/core/check/finding';
import type { Fit } from '@/core/fit/schema';
import type { ZipFile } from '@/files/zip';
import { isStopped } from '@/workers/client';
import { makeZip } from '@/workers/zip-client';
import { uniqueNames } from '@/core/pack/names';
import { rowAsVersion } from '@/core/rows/slots';
import { docketKey, measured, type StoredDocket } from '../bench/dockets';
import { eachByEngines } from '../engine/each';
import { saveAs } from '../handover/download';
import { makePrintFiles } from '../handover/print';
import { sentence } from '../sentence';
import { commit, type Kept } from '../shop/commit';
import { blankOf } from '../shop/library';
import { putDocket } from '../shop/records';
import { useShop } from '../shop/shop';

/** A row that can be made: its number from 1, the fit that it is, and what its file is called, without its ending. */
export interface RowFit {
  row: number;
  fit: Fit;
  name: string;
}

/** How a row's fit stands, or why it could not be measured. */
export type RowStanding = { docket: StoredDocket } | { why: string };

/**
 * Measures rows' fits at every pixel, as many at a time as there are engines; `onStanding` hears of each. What cannot be
 * measured says why and leaves the others. Ends early where it is stopped.
 */
export async function measureRows(
  rows: readonly RowFit[],
  { signal, onStanding }: { signal: AbortSignal; onStanding: (row: RowFit, standing: RowStanding) => void },
): Promise<void> {
  await eachByEngines(rows, signal, async (row) => {
    try {
      const docket = await measured(row.fit, { signal });
      onStanding(row, docket ? { docket } : { why: 'Something it needs is no longer here.' });
    } catch (error) {
      if (!isStopped(error)) onStanding(row, { why: sentence(error) });
    }
  });
}

/** What came of making rows' files. */
export interface RowsMade {
  files: ZipFile[];
  made: { row: number; names: string[] }[];
  failed: { row: number; why: string }[];
}

/** Makes the print files of rows, in their order; what fails is told and leaves the others. Stopped, what is made stays. */
export async function makeRows(
  rows: readonly RowFit[],
  { signal, onProgress }: { signal: AbortSignal; onProgress: (done: number) => void },
): Promise<RowsMade> {
  const all: RowsMade = { files: [], made: [], failed: [] };
  let done = 0;
  const files = new Map<number, ZipFile[]>();
  await eachByEngines(rows, signal, async ({ row, fit, name }) => {
    try {
      const prints = await makePrintFiles(fit, '', 'faces', {}, { signal });
      if (!prints) return;
      const alone = prints.files.length === 1;
      const named = prints.files.map(({ name: own, file, faceId }) => ({
        path: `${alone ? name : `${name}_${faceId}`}${own.slice(own.lastIndexOf('.'))}`,
        data: file,
      }));
      files.set(row, named);
    } catch (error) {
      if (isStopped(error)) return;
      all.failed.push({ row, why: sentence(error) });
    }
    onProgress(++done);
  });
  for (const { row } of rows) {
    const own = files.get(row);
    if (!own) continue;
    all.files.push(...own);
    all.made.push({ row, names: own.map(({ path }) => path) });
  }
  return all;
}

/** Hands made files to the browser's downloads: one alone as it is, several in a zip with a table of what became of every row. */
export async function saveRows(
  title: string,
  made: RowsMade,
  list: { columns: readonly string[]; rows: readonly (readonly string[])[] },
  said: (row: number) => { verdict: Verdict | null; problems: string },
): Promise<void> {
  const [first] = made.files;
  if (made.files.length === 1 && first) {
    saveAs(first.data, first.path);
    return;
  }
  const namesOf = new Map(made.made.map(({ row, names }) => [row, names]));
  const table = list.rows.map((cells, i) => {
    const { verdict, problems } = said(i + 1);
    return [i + 1, ...cells, verdict ?? '', (namesOf.get(i + 1) ?? []).join(' '), problems];
  });
  const csv = unparse([['row', ...list.columns, 'verdict', 'file', 'what stands against it'], ...table]);
  const { zip } = await makeZip(
    // A mark at its beginning, by which programs of tables know its letters.
    [...made.files, { path: 'rows.csv', data: new Blob(['\ufeff', csv], { type: 'text/csv' }) }],
    { path: 'list.json', head: { upfit: 'rows/1' } },
  );
  saveAs(zip, `${title}.zip`);
}

/** Keeps rows as versions of their fit, each called by its name, with what was measured of them, as one act; gives their ids, in order. */
export function keepRowsAsVersions(
  rows: readonly { fit: Fit; name: string; docket: StoredDocket }[],
): Promise<Kept<string[]>> {
  return commit(['fits', 'dockets', 'summaries'], async (store) => {
    const shop = useShop.getState();
    const taken = (await store.all('fits')).flatMap(({ version }) => version?.name ?? []);
    const names = uniqueNames([...taken, ...rows.map(({ name }) => name)]).slice(taken.length);
    const ids = rows.map(() => crypto.randomUUID());
    for (const [i, { fit, docket }] of rows.entries()) {
      const kept = rowAsVersion(fit, names[i]!, ids[i]!);
      const blank = blankOf(kept, shop);
      store.put('fits', kept);
      // What it measures does not hang on what it is called.
      if (blank) putDocket(store, { ...docket, fitId: kept.id, key: docketKey(kept, blank, shop) });
    }
    return ids;
  });
}
