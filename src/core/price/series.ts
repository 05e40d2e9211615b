import Big from 'big.js';
import { cents, partsOf, type Needs } from './cost';
import { earningOf, marginOf } from './earn';
import type { Rate } from './rate';
import type { Price } from './list';
import type { Outlet } from './outlet';

/** A point of a chart: where it stands, and what is there; null where that is unknown. */
export interface Point {
  at: number;
  value: number | null;
  /** What it is as it is said. */
  said: string;
}

const number = (words: string | null): number | null => (words === null ? null : Number(words));

/** Margin in percent against what is asked: some sums from the lowest without a loss to well above what is asked now. */
export function marginAgainstAsking(
  prices: readonly Price[],
  needs: Needs,
  outlet: Outlet,
  { asking, rates }: { asking: string | null; rates: readonly Rate[] },
  steps = 24,
): Point[] {
  const now = earningOf(prices, needs, outlet, { asking, rates });
  if (!now.lowest) return [];
  const own = now.asking ? [now.asking] : [];
  const from = [now.lowest.times('0.8'), ...own.map((sum) => sum.times('0.9'))].reduce((a, b) =>
    a.lt(b) ? a : b,
  );
  const to = [now.lowest.times('2.5'), ...own.map((sum) => sum.times('1.2'))].reduce((a, b) =>
    a.gt(b) ? a : b,
  );
  return Array.from({ length: steps + 1 }, (_, i) => {
    const sum = from.plus(to.minus(from).times(i).div(steps)).round(2, Big.roundHalfUp);
    const share = marginOf(earningOf(prices, needs, outlet, { asking: sum.toFixed(2), rates }));
    const value = share === null ? null : Number(Big(share).times(100));
    return {
      at: Number(sum),
      value,
      said: value === null ? 'unknown' : `${Big(share!).times(100).round(1, Big.roundHalfUp).toFixed(1)} %`,
    };
  });
}

/** What one piece costs, set-up and postage in it, at every quantity up to one: each break is a step. */
export function costAgainstQuantity(prices: readonly Price[], needs: Needs, most: number): Point[] {
  return quantitiesTo(prices, most).map((quantity) => {
    const said = cents(partsOf(prices, { ...needs, quantity }).cost);
    return { at: quantity, value: number(said), said: said ?? 'unknown' };
  });
}

/** How two numbers of inks compare over a number of pieces. */
export interface InksCompared {
  quantity: number;
  /** What one piece costs with each; null where unknown. */
  costs: readonly [string | null, string | null];
  /** By how much less one piece costs with fewer; null where unknown. */
  less: string | null;
}

/** What fewer inks save a piece at one quantity. */
export function inksCompared(
  prices: readonly Price[],
  needs: Omit<Needs, 'inks'>,
  [more, fewer]: readonly [number, number],
): InksCompared {
  const [a, b] = [more, fewer].map((inks) => partsOf(prices, { ...needs, inks }).cost);
  return {
    quantity: needs.quantity,
    costs: [cents(a ?? null), cents(b ?? null)],
    less: a && b ? cents(a.minus(b)) : null,
  };
}

/** What an order of some pieces earns in all with two numbers of inks, at each quantity. */
export interface OrderEarned {
  quantity: number;
  /** With the more and the fewer inks; null where unknown. */
  earned: readonly [string | null, string | null];
}

/**
 * What orders earn with more inks, each piece sold for so much more, against fewer: at some quantities up to one. The
 * set-up of every ink is paid once an order.
 */
export function inksEarning(
  prices: readonly Price[],
  needs: Needs,
  outlet: Outlet,
  asked: { asking: string; more: string; rates: readonly Rate[]; inks: readonly [number, number] },
  most: number,
): OrderEarned[] {
  const [more, fewer] = asked.inks;
  const total = (quantity: number, inks: number, asking: Big): string | null => {
    const { profit } = earningOf(prices, { ...needs, quantity, inks }, outlet, {
      asking: asking.toFixed(2),
      rates: asked.rates,
    });
    return profit && profit.times(quantity).round(2, Big.roundHalfUp).toFixed(2);
  };
  return quantitiesTo(prices, most).map((quantity) => ({
    quantity,
    earned: [
      total(quantity, more, Big(asked.asking).plus(asked.more)),
      total(quantity, fewer, Big(asked.asking)),
    ],
  }));
}

/** The least quantity from which more inks earn no less; null where they never do up to so many, or it is unknown. */
export function breakEven(
  prices: readonly Price[],
  needs: Needs,
  outlet: Outlet,
  asked: Parameters<typeof inksEarning>[3],
  most = 100_000,
): number | null {
  const pays = (quantity: number): boolean => {
    const [more, fewer] = asked.inks;
    const each = (inks: number, asking: Big) =>
      earningOf(prices, { ...needs, quantity, inks }, outlet, {
        asking: asking.toFixed(2),
        rates: asked.rates,
      }).profit;
    const [a, b] = [each(more, Big(asked.asking).plus(asked.more)), each(fewer, Big(asked.asking))];
    return a !== null && b !== null && a.gte(b);
  };
  // The set-up of more inks weighs less with every piece: once it pays, it does for all more.
  if (!pays(most)) return null;
  let [low, high] = [0, most];
  while (high - low > 1) {
    const middle = Math.floor((low + high) / 2);
    if (pays(middle)) high = middle;
    else low = middle;
  }
  return high;
}

/** So many quantities are drawn one by one; of more, so many steps. */
const DRAWN = 120;

/** Quantities that show every break of a list: each with the one before it, and those between, up to one. */
function quantitiesTo(prices: readonly Price[], most: number): number[] {
  const quantities = new Set<number>([1, most]);
  for (const { from } of prices)
    for (const at of [from - 1, from]) if (at >= 1 && at <= most) quantities.add(at);
  for (let i = 1; i <= DRAWN; i++) quantities.add(Math.max(1, Math.round((most * i) / DRAWN)));
  return [...quantities].sort((a, b) => a - b);
}
