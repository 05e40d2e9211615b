import { UpFitError } from '../errors';

/** Rows that are filled at once. */
export const MOST_ROWS = 5_000;

/** A table with named columns: each row's words by column. Rows count from 1, without the head. */
export interface Table {
  columns: string[];
  rows: string[][];
}

/** A table that fills slots. */
export interface Rows extends Table {
  /** Columns that no slot is called by. */
  unused: string[];
}

/** Something about a row that its owner should know: which column it stands in, and what to do. */
export interface RowProblem {
  column: string;
  message: string;
}

/**
 * A table's rows for slots of these names: columns are matched by name, whatever their case. Throws a sentence where the
 * head names no column for a slot.
 */
export function rowsFor(table: readonly (readonly string[])[], slots: readonly string[]): Rows {
  const columns = headOf(table);
  const missing = slots.filter((slot) => columnOf(columns, slot) < 0);
  if (missing.length > 0) {
    const said = columns.filter((name) => name !== '').map((name) => `“${name}”`);
    throw new UpFitError(
      'bad-argument',
      `The list has no column “${missing.join('”, “')}”: its first row names ${said.length > 0 ? said.join(', ') : 'none'}. Name the columns there as the slots are called.`,
    );
  }
  const list = tableOf(table);
  const used = new Set(slots.map((slot) => columnOf(list.columns, slot)));
  return { ...list, unused: list.columns.filter((name, i) => name !== '' && !used.has(i)) };
}

/**
 * Cells as a table whose columns the first row names. Empty rows at the end are none; one in the middle is a row. Throws a
 * sentence where two columns have one name, and where there are no rows or too many.
 */
export function tableOf(cells: readonly (readonly string[])[]): Table {
  const columns = headOf(cells);
  const body = cells.slice(1);
  const twice = columns.find((name, i) => name !== '' && columnOf(columns, name) < i);
  if (twice !== undefined)
    throw new UpFitError('bad-argument', `Two columns are called “${twice}”: name each by its own name.`);
  let end = body.length;
  while (end > 0 && body[end - 1]!.every((cell) => cell.trim() === '')) end--;
  if (end === 0) throw new UpFitError('bad-argument', 'The list has a head and no rows under it: add some.');
  if (end > MOST_ROWS)
    throw new UpFitError(
      'too-large',
      `The list has ${end} rows, and ${MOST_ROWS} are filled at once: split it.`,
    );
  return { columns, rows: body.slice(0, end).map((row) => columns.map((_, i) => row[i] ?? '')) };
}

function headOf([head = []]: readonly (readonly string[])[]): string[] {
  return head.map((cell, i) => (i === 0 ? cell.replace(/^\ufeff/, '') : cell).trim());
}

/** Where a column stands, by its name; -1 where there is none. */
export function columnOf(columns: readonly string[], name: string): number {
  const wanted = plain(name);
  return columns.findIndex((column) => plain(column) === wanted);
}

/** For each row, the row before it that fills the slots alike, counted from 1; null where none does, or it is empty. */
export function doubledRows(
  { columns, rows }: Table,
  slots: readonly string[],
  columnFor = (slot: string) => columnOf(columns, slot),
): (number | null)[] {
  const seen = new Map<string, number>();
  const at = slots.map(columnFor);
  return rows.map((cells, i) => {
    const words = at.map((column) => plain(cells[column] ?? ''));
    if (words.every((word) => word === '')) return null;
    const key = JSON.stringify(words);
    const before = seen.get(key) ?? null;
    if (before === null) seen.set(key, i + 1);
    return before;
  });
}

/** A file's name by a pattern: {row}, {design}, and a column's name stand for what they say. */
export function rowName(
  pattern: string,
  { columns }: Pick<Table, 'columns'>,
  cells: readonly string[],
  row: number,
  design: string,
): string {
  return pattern.replace(/\{([^{}]+)\}/g, (whole, name: string) => {
    const column = columnOf(columns, name);
    if (column >= 0) return cells[column] ?? '';
    if (plain(name) === 'row') return String(row);
    return plain(name) === 'design' ? design : whole;
  });
}

/** What of a pattern stands for nothing that the list has. */
export function unknownParts(pattern: string, { columns }: Pick<Table, 'columns'>): string[] {
  const parts = [...pattern.matchAll(/\{([^{}]+)\}/g)].map(([, name]) => name!);
  return parts.filter((name) => columnOf(columns, name) < 0 && !['row', 'design'].includes(plain(name)));
}

function plain(text: string): string {
  return text.normalize('NFC').trim().toLowerCase();
}
