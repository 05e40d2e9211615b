import { keyOfPrice, type Price, type PriceList } from '@/core/price/list';
import { memoOf } from '@/core/memo';
import { keep, takeOut } from '../shop/records';
import type { Shop } from '../shop/shop';

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
