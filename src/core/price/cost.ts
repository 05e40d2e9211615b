import Big from 'big.js';
import type { Price } from './list';

/** What is asked of one thing at a quantity, and what it is sold for. */
export interface CostAsked {
  quantity: number;
  /** Inks, one screen each, on each side; null where it is not said. */
  inks: number | null;
  sides: number;
  /** What the buyer pays for one, and the share of it that the place of sale takes, 0 to 1. */
  asking: string | null;
  fee: string | null;
}

/** Sums for one piece, in decimal words of two places; null where something it depends on is unknown. */
export interface Cost {
  currency: string;
  unit: string | null;
  setup: string | null;
  postage: string | null;
  cost: string | null;
  asking: string | null;
  fee: string | null;
  profit: string | null;
  /** Profit as a share of what is asked, to four places. */
  margin: string | null;
  /** What nobody has said, by name: none of it is taken for nothing. */
  unknown: ('price' | 'setup' | 'postage')[];
  /** Quantities from which one piece costs otherwise. */
  breaks: { from: number; unit: string | null }[];
}

/** Half a cent is rounded up, as people do. */
export const cents = (sum: Big | null): string | null => sum && sum.round(2, Big.roundHalfUp).toFixed(2);
export const known = (words: string | null): Big | null => (words === null ? null : Big(words));
/** One sum as a share of another, to four places. */
export const shareOf = (part: Big, whole: Big): string =>
  part.div(whole).round(4, Big.roundHalfUp).toFixed(4);
export const all = (...sums: (Big | null)[]): Big | null =>
  sums.reduce<Big | null>((total, sum) => total && sum && total.plus(sum), Big(0));

/** A piece's share of the set-up; without a number of inks it is nothing only where nothing is asked for one. */
function setupOf(each: Big | null, { inks, sides, quantity }: Needs): Big | null {
  if (inks === 0 || (inks === null && (each === null || each.eq(0)))) return Big(0);
  return inks === null || each === null ? null : each.times(inks * sides).div(quantity);
}

/** How much of a thing is made, of how many inks, on how many sides. */
export type Needs = Pick<CostAsked, 'quantity' | 'inks' | 'sides'>;

/** What one piece costs, exactly, part by part; null is what nobody has said. */
export interface Parts {
  currency: string;
  unit: Big | null;
  setup: Big | null;
  postage: Big | null;
  cost: Big | null;
  /** The lines by their quantities. */
  lines: readonly Price[];
}

/**
 * What one piece costs by the lines of a price list that are for it. Set-up is asked for each ink on each side, once an
 * order; postage for each piece, or for the first and each further one of a parcel; a further side for each piece.
 */
export function partsOf(prices: readonly Price[], needs: Needs): Parts {
  const { quantity, sides } = needs;
  const lines = [...prices].sort((a, b) => a.from - b.from);
  // Fewer than the first line is for are not priced.
  const line = lines.findLast(({ from }) => from <= quantity);
  const bare = known(line?.price ?? null);
  const side = known(line?.side ?? null);
  const unit = bare && side ? bare.plus(side.times(sides - 1)) : bare;
  const setup = setupOf(known(line?.setup ?? null), needs);
  const first = known(line?.postage ?? null);
  const more = known(line?.more ?? null);
  const postage = first && more ? first.plus(more.times(quantity - 1)).div(quantity) : first;
  return {
    currency: (line ?? lines[0])?.currency ?? '',
    unit,
    setup,
    postage,
    cost: all(unit, setup, postage),
    lines,
  };
}

/** What is unknown of a piece's cost, by name. */
export function unknownOf({ unit, setup, postage }: Parts): Cost['unknown'] {
  return [
    ...(unit === null ? (['price'] as const) : []),
    ...(setup === null ? (['setup'] as const) : []),
    ...(postage === null ? (['postage'] as const) : []),
  ];
}

/** What one piece costs and earns; the sums are exact, and rounded to cents only when they are said. */
export function costOf(prices: readonly Price[], asked: CostAsked): Cost {
  const parts = partsOf(prices, asked);
  const { currency, unit, setup, postage, cost, lines } = parts;
  const asking = known(asked.asking);
  const fee = asking && (asked.fee === null ? Big(0) : asking.times(asked.fee));
  const profit = asking && fee && cost && asking.minus(fee).minus(cost);
  return {
    currency,
    unit: cents(unit),
    setup: cents(setup),
    postage: cents(postage),
    cost: cents(cost),
    asking: cents(asking),
    fee: cents(fee),
    profit: cents(profit),
    margin: profit && asking.gt(0) ? shareOf(profit, asking) : null,
    unknown: unknownOf(parts),
    breaks: lines.map(({ from, price }) => ({ from, unit: cents(known(price)) })),
  };
}
