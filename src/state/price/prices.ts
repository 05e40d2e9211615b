import { UpFitError } from '@/core/errors';
import {
  keyOfPrice,
  MORE_COLUMNS,
  PRICE_COLUMNS,
  pricesTable,
  readPrices,
  type Price,
  type PriceColumn,
  type PriceList,
  type PriceTrouble,
} from '@/core/price/list';
import { newOutlet, OUTLETS, type Outlet } from '@/core/price/outlet';
import { memoOf } from '@/core/memo';
import { freeIdAmong, safeName } from '@/core/pack/names';
import { readTable } from '@/files/table';
import { unparse } from 'papaparse';
import { saveAs } from '../handover/download';
import { changeSettings, keep, takeOut } from '../shop/records';
import { useShop, type Shop } from '../shop/shop';

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

/** Keeps a price list, new or changed. */
export async function savePrices(list: PriceList): Promise<void> {
  await keep('prices', list);
}

/** A new price list with these lines. */
export async function addPrices(name: string, source: string, lines: readonly Price[]): Promise<PriceList> {
  const list: PriceList = { upfit: 'prices/1', id: crypto.randomUUID(), name, source, lines: [...lines] };
  await savePrices(list);
  return list;
}

/** Takes a price list out; gives back what undoes it. */
export function removePrices({ id }: PriceList): Promise<() => Promise<void>> {
  return takeOut('prices', id);
}

/** Hands a price list to the browser's downloads, as CSV that is read again. */
export function exportPrices({ name, lines }: PriceList): void {
  saveAs(new Blob(['\ufeff', unparse(pricesTable(lines))], { type: 'text/csv' }), `${safeName(name)}.csv`);
}

const known = memoOf<Shop['prices'], 'lines', ReadonlyMap<string, readonly Price[]>>(1);

/** The lines of all lists that are for a blank of any of these names: of what two lists price alike the one of the later day. */
export function pricesOf({ prices }: Pick<Shop, 'prices'>, names: readonly string[]): readonly Price[] {
  const byBlank = known(prices, 'lines', () => {
    const latest = new Map<string, Price>();
    for (const { lines } of prices.values())
      for (const line of lines) {
        const key = `${keyOfPrice(line)}/${line.from}`;
        const before = latest.get(key);
        if (!before || before.day < line.day) latest.set(key, line);
      }
    const groups = new Map<string, Price[]>();
    for (const line of latest.values()) {
      const key = line.blank.toLowerCase();
      groups.set(key, [...(groups.get(key) ?? []), line]);
    }
    return groups;
  });
  return [...new Set(names.map((name) => name.toLowerCase()))].flatMap((name) => byBlank.get(name) ?? []);
}

/** What two lists price both, in words. */
export function twiceIn({ prices }: Pick<Shop, 'prices'>): string[] {
  const first = new Map<string, { list: string; line: Price }>();
  const said = new Set<string>();
  for (const { name, lines } of prices.values())
    for (const line of lines) {
      const key = keyOfPrice(line);
      const before = first.get(key);
      if (!before) first.set(key, { list: name, line });
      else if (before.list !== name)
        said.add(
          `“${before.list}” and “${name}” both price ${line.blank}${line.house ? ` of ${line.house}` : ''}: the line of the later day counts. Take it out of one.`,
        );
    }
  return [...said];
}

/** Places to sell: those that come with Up Fit, as they were changed, and the seller's own. */
export function outletsIn({ outlets }: Pick<Shop, 'outlets'>): readonly Outlet[] {
  const shipped = new Set(OUTLETS.map(({ id }) => id));
  return [
    ...OUTLETS.map((outlet) => outlets.get(outlet.id) ?? outlet),
    ...[...outlets.values()].filter(({ id }) => !shipped.has(id)),
  ];
}

/** The place to sell that costs are reckoned for. */
export function outletIn(shop: Pick<Shop, 'outlets' | 'settings'>): Outlet {
  const all = outletsIn(shop);
  return all.find(({ id }) => id === shop.settings.outletId) ?? all[0]!;
}

export function isShippedOutlet(id: string): boolean {
  return OUTLETS.some((one) => one.id === id);
}

/** Keeps what a place to sell takes and allows. */
export async function saveOutlet(outlet: Outlet): Promise<void> {
  await keep('outlets', outlet);
}

/** A place to sell of the seller's own, of which nothing is known yet. */
export async function addOutlet(name: string): Promise<Outlet> {
  const shop = useShop.getState();
  const id = freeIdAmong(name, new Set(outletsIn(shop).map((one) => one.id)));
  const outlet = newOutlet(id, name.trim(), outletIn(shop).currency);
  await saveOutlet(outlet);
  return outlet;
}

/** Takes a place to sell out; one that came with Up Fit is as it came. Gives back what undoes it. */
export function removeOutlet({ id }: Outlet): Promise<() => Promise<void>> {
  return takeOut('outlets', id);
}

/** Chooses what costs are reckoned for. */
export async function reckonFor(change: { outletId?: string; quantity?: number }): Promise<void> {
  await changeSettings(change);
}

/** Lines under a heading that nobody has said: what is asked of a house. */
export function priceQuestions(lines: readonly Price[], { blanks }: Pick<Shop, 'blanks'>): string[] {
  const all = [...blanks.values()];
  return lines.flatMap((line) => {
    const blank = all.find(({ blank: { id, name } }) =>
      [id, name].some((one) => one.toLowerCase() === line.blank.toLowerCase()),
    );
    // A method without screens or films has no set-up of an ink.
    const screens = blank === undefined || blank.method.limits.inks !== null;
    const what = [line.blank, line.size, line.method].filter(Boolean).join(', ');
    const ask = (field: 'price' | 'setup' | 'postage', words: string) =>
      line[field] === null ? [`${line.house || 'The house'}: ${words} ${what}, from ${line.from}?`] : [];
    return [
      ...ask('price', 'what is the price of'),
      ...(screens ? ask('setup', 'what is the set-up of each ink for') : []),
      ...ask('postage', 'what is the postage of'),
    ];
  });
}
