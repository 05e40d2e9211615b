import Big from 'big.js';
import * as v from 'valibot';
import { keyOfPrice, MoneySchema, PriceSchema, type Price } from './list';

export const PRICE_COLUMNS = [
  'house',
  'blank',
  'size',
  'method',
  'from',
  'price',
  'setup',
  'postage',
  'currency',
  'day',
] as const;
/** Columns that a list may have besides. */
export const MORE_COLUMNS = ['material', 'side', 'more'] as const;
export type PriceColumn = (typeof PRICE_COLUMNS)[number] | (typeof MORE_COLUMNS)[number];

/** A list's lines as the rows of a table, its head first: what `readPrices` reads. */
export function pricesTable(prices: readonly Price[]): string[][] {
  const columns = [...PRICE_COLUMNS, ...MORE_COLUMNS];
  return [[...columns], ...prices.map((price) => columns.map((column) => String(price[column] ?? '')))];
}

/** What is wrong with a list, by the row as a table shows it (the head is row 1) and the column. */
export interface PriceTrouble {
  row: number;
  column: PriceColumn;
  message: string;
}

/** Reads the rows of a table, its head first, as a price list; every fault is told by row and column. */
export function readPrices(table: readonly (readonly string[])[]): {
  prices: Price[];
  troubles: PriceTrouble[];
} {
  const head = (table[0] ?? []).map((word) => word.trim().toLowerCase());
  const missing = PRICE_COLUMNS.filter((column) => !head.includes(column));
  if (missing.length > 0) {
    const message = `The table has no column ${missing.join(', ')}: its first row names them.`;
    return { prices: [], troubles: [{ row: 1, column: missing[0]!, message }] };
  }
  const troubles: PriceTrouble[] = [];
  const lines = table.slice(1).flatMap((cells, i) => {
    if (cells.every((cell) => cell.trim() === '')) return [];
    const row = i + 2;
    const cell = (column: PriceColumn) => (cells[head.indexOf(column)] ?? '').trim();
    const before = troubles.length;
    const tell = (column: PriceColumn, message: string) => {
      troubles.push({ row, column, message: `Row ${row}, ${column}: ${message}` });
    };
    const money = (column: PriceColumn): string | null => {
      const text = cell(column);
      if (text === '') return null;
      const why = moneyTrouble(text);
      if (why !== null) tell(column, why);
      return text;
    };
    const from = cell('from') === '' ? 1 : Number(cell('from'));
    if (!v.is(PriceSchema.entries.from, from))
      tell('from', `“${cell('from')}” is no quantity: write a whole number from 1.`);
    if (cell('blank') === '') tell('blank', 'say which blank it is for.');
    if (!v.is(PriceSchema.entries.currency, cell('currency')))
      tell('currency', `“${cell('currency')}” is no currency: write three letters, as EUR.`);
    if (!v.is(PriceSchema.entries.day, cell('day')))
      tell('day', `“${cell('day')}” is no day: write year, month and day, as 2026-11-28.`);
    const price: Price = {
      ...{ house: cell('house'), blank: cell('blank'), size: cell('size'), method: cell('method') },
      ...{ from, price: money('price'), setup: money('setup'), postage: money('postage') },
      ...{ currency: cell('currency'), day: cell('day') },
      ...{ material: cell('material'), side: money('side'), more: money('more') },
    };
    return troubles.length > before ? [] : [{ row, price }];
  });
  return { prices: lines.map(({ price }) => price), troubles: [...troubles, ...clashes(lines)] };
}

/** Why words are no sum of money; null where they are. */
function moneyTrouble(text: string): string | null {
  if (v.safeParse(MoneySchema, text).success) return null;
  if (text.startsWith('-')) return `“${text}” is below zero: a price is not.`;
  if (/^\d+,\d+$/.test(text)) return `“${text}” has a comma: write ${text.replace(',', '.')}.`;
  return `“${text}” is no sum: write a number with a point, as 4.10.`;
}

/** Quantities that are priced twice, larger ones that cost more, and two currencies for one thing. */
function clashes(lines: readonly { row: number; price: Price }[]): PriceTrouble[] {
  const groups = new Map<string, { row: number; price: Price }[]>();
  for (const line of lines) {
    const key = keyOfPrice(line.price);
    groups.set(key, [...(groups.get(key) ?? []), line]);
  }
  return [...groups.values()].flatMap((group) => {
    const sorted = [...group].sort((a, b) => a.price.from - b.price.from || a.row - b.row);
    return sorted.slice(1).flatMap(({ row, price }, i): PriceTrouble[] => {
      const before = sorted[i]!;
      const told = (column: PriceColumn, message: string) => [
        { row, column, message: `Row ${row}, ${column}: ${message}` },
      ];
      if (price.from === before.price.from)
        return told('from', `row ${before.row} prices ${price.blank} from ${price.from} already: leave one.`);
      if (price.currency !== before.price.currency)
        return told(
          'currency',
          `row ${before.row} is in ${before.price.currency}: keep one currency a blank.`,
        );
      if (price.price !== null && before.price.price !== null && Big(price.price).gt(before.price.price))
        return told(
          'price',
          `${price.price} from ${price.from} is more than ${before.price.price} from ${before.price.from}.`,
        );
      return [];
    });
  });
}
