import { unparse } from 'papaparse';
import { UpFitError } from '@/core/errors';
import { safeName } from '@/core/pack/names';
import type { Price, PriceList } from '@/core/price/list';
import {
  MORE_COLUMNS,
  PRICE_COLUMNS,
  pricesTable,
  readPrices,
  type PriceColumn,
  type PriceTrouble,
} from '@/core/price/table';
import { readTable } from '@/files/table';
import { saveAs } from '../handover/download';

/** A price list's columns, in order. */
export const COLUMNS: readonly PriceColumn[] = [...PRICE_COLUMNS, ...MORE_COLUMNS];

/** A file of prices larger than this is none. */
const MOST_BYTES = 20_000_000;

/** A table from a CSV, its first row its head. Throws with a sentence where it is none. */
export async function priceTable(file: File): Promise<string[][]> {
  if (file.size > MOST_BYTES)
    throw new UpFitError('too-large', `“${file.name}” is over 20 MB: bring in the prices alone.`);
  const table = readTable(new Uint8Array(await file.arrayBuffer())).filter((row) =>
    row.some((cell) => cell.trim() !== ''),
  );
  if (table.length < 2)
    throw new UpFitError('unreadable', `“${file.name}” has no rows under its first: save the table as CSV.`);
  return table;
}

/** The columns of a table that say what a price list's columns want, by their heads: −1 where none does. */
export function matchedBy(head: readonly string[]): Record<PriceColumn, number> {
  const names = head.map((word) => word.trim().toLowerCase());
  return Object.fromEntries(COLUMNS.map((column) => [column, names.indexOf(column)])) as Record<
    PriceColumn,
    number
  >;
}

/** A table read as prices, with its columns matched so; what no column says stands empty, or is said for all rows. */
export function readMatched(
  table: readonly (readonly string[])[],
  match: Readonly<Record<PriceColumn, number>>,
  forAll: Readonly<Partial<Record<PriceColumn, string>>> = {},
): { prices: Price[]; troubles: PriceTrouble[] } {
  return readPrices([
    COLUMNS,
    ...table.slice(1).map((row) => COLUMNS.map((column) => row[match[column]] ?? forAll[column] ?? '')),
  ]);
}

/** Hands a price list to the browser's downloads, as CSV that is read again. */
export function exportPrices({ name, lines }: PriceList): void {
  saveAs(new Blob(['\ufeff', unparse(pricesTable(lines))], { type: 'text/csv' }), `${safeName(name)}.csv`);
}
