import { MEGABYTE } from '@/core/length/bytes';
import { UpFitError } from '@/core/errors';
import { MOST_ROWS, tableOf, type Table } from '@/core/rows/list';
import type { List } from '@/core/rows/schema';
import { readTable } from '@/files/table';
import { commit, type Kept } from '../shop/commit';

export type { List };

/** A list of names is no larger than this. */
const MOST_BYTES = 8 * MEGABYTE;

/** Reads a table from a file of CSV. Throws with a sentence where it is none. */
export async function readListFile(file: File): Promise<Table> {
  if (file.size > MOST_BYTES)
    throw new UpFitError(
      'too-large',
      `“${file.name}” is over 8 MB, which is more than ${MOST_ROWS} rows of names: split it.`,
    );
  return tableOf(readTable(new Uint8Array(await file.arrayBuffer())));
}

/** Reads a table that was pasted, from a sheet or as CSV. */
export function readPastedList(text: string): Table {
  return tableOf(readTable(new TextEncoder().encode(text)));
}

/** A table whose first row is a row, and its columns have no names: they are called by their number. */
export function withoutHead({ columns, rows }: Table): Table {
  return { columns: columns.map((_, i) => `column ${i + 1}`), rows: [columns, ...rows] };
}

/** Keeps a design's list: another table, or a change to the one it has. */
export function saveList(
  designId: string,
  change: Partial<Omit<List, 'upfit' | 'designId'>>,
): Promise<Kept<void>> {
  return commit(['lists'], async (store) => {
    const before = await store.get('lists', designId);
    const bare: List = { upfit: 'list/1', designId, columns: [], rows: [], matches: {}, pattern: '' };
    store.put('lists', { ...bare, ...before, ...change });
  });
}

/** Changes one cell of a list; rows count from 0. */
export function saveCell(designId: string, row: number, column: number, text: string): Promise<Kept<void>> {
  return changeRows(designId, (rows) =>
    rows.map((cells, i) => (i === row ? cells.map((cell, j) => (j === column ? text : cell)) : cells)),
  );
}

/** Adds an empty row at the end. */
export function addRow(designId: string): Promise<Kept<void>> {
  return changeRows(designId, (rows, { columns }) => [...rows, columns.map(() => '')]);
}

/** Takes one row out. */
export function removeRow(designId: string, row: number): Promise<Kept<void>> {
  return changeRows(designId, (rows) => rows.filter((_, i) => i !== row));
}

function changeRows(
  designId: string,
  change: (rows: List['rows'], list: List) => List['rows'],
): Promise<Kept<void>> {
  return commit(['lists'], async (store) => {
    const list = await store.get('lists', designId);
    if (list) store.put('lists', { ...list, rows: change(list.rows, list) });
  });
}

/** Takes a design's list out. */
export function removeList(designId: string): Promise<Kept<void>> {
  return commit(['lists'], (store) => {
    store.remove('lists', designId);
  });
}
