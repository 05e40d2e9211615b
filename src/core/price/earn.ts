import Big from 'big.js';
import { all, cents, known, partsOf, shareOf, unknownOf, type Needs, type Parts } from './cost';
import type { Price } from './list';
import type { Outlet } from './outlet';
import type { Rate } from './rate';

/** What stands in the way of a sum, each in the words of its field. */
export type Unknown =
  'price' | 'setup' | 'postage' | 'rate' | 'fee' | 'fixed fee' | 'tax' | 'packing' | 'advertising';

/** What one piece costs and earns at a place to sell, in its currency, exactly; null where something is unknown. */
export interface Earning {
  currency: string;
  unit: Big | null;
  setup: Big | null;
  postage: Big | null;
  /** What packing and advertising cost. */
  extras: Big | null;
  /** Made, sent, packed, advertised. */
  cost: Big | null;
  asking: Big | null;
  fee: Big | null;
  tax: Big | null;
  profit: Big | null;
  unknown: Unknown[];
  /** The least that may be asked without a loss, in whole cents; null where something is unknown or fees take all. */
  lowest: Big | null;
}

const HUNDRED = Big(100);

/** The share of what is asked that fees and the tax within it take. */
function takenShare({ feePercent, taxPercent }: Outlet): Big | null {
  const [fee, tax] = [known(feePercent), known(taxPercent)];
  return fee && tax && fee.div(HUNDRED).plus(tax.div(HUNDRED.plus(tax)));
}

/** What one of a currency is in another; null where nobody has said. */
export function rateBetween(rates: readonly Rate[], from: string, to: string): Big | null {
  if (from === to || from === '') return Big(1);
  const day = (a: Rate, b: Rate) => b.day.localeCompare(a.day);
  const [there] = rates.filter((one) => one.from === from && one.to === to).sort(day);
  if (there) return Big(there.rate);
  const [back] = rates.filter((one) => one.from === to && one.to === from).sort(day);
  return back && Big(back.rate).gt(0) ? Big(1).div(back.rate) : null;
}

/** What one piece costs and earns by the lines that are for it, at a place to sell. */
export function earningOf(
  prices: readonly Price[],
  needs: Needs,
  outlet: Outlet,
  { asking: asked, rates }: { asking: string | null; rates: readonly Rate[] },
): Earning {
  const parts = partsOf(prices, needs);
  const rate = rateBetween(rates, parts.currency, outlet.currency);
  const inOwn = (sum: Big | null) => sum && rate && sum.times(rate);
  const extras = all(known(outlet.packing), known(outlet.advertising));
  const made = inOwn(parts.cost);
  const cost = all(made, extras);
  const asking = known(asked);
  const [percent, fixed, tax] = [known(outlet.feePercent), known(outlet.feeFixed), known(outlet.taxPercent)];
  const fee = asking && percent && fixed && asking.times(percent).div(HUNDRED).plus(fixed);
  const within = asking && tax && asking.times(tax).div(HUNDRED.plus(tax));
  const earning = {
    currency: outlet.currency,
    unit: inOwn(parts.unit),
    setup: inOwn(parts.setup),
    postage: inOwn(parts.postage),
    extras,
    cost,
    asking,
    fee,
    tax: within,
    profit: asking && fee && within && cost && asking.minus(fee).minus(within).minus(cost),
    unknown: unknownIn(parts, rate, outlet),
  };
  return { ...earning, lowest: askingFor(earning, outlet, { profit: '0' }) };
}

function unknownIn(parts: Parts, rate: Big | null, outlet: Outlet): Unknown[] {
  const field = (value: string | null, name: Unknown) => (value === null ? [name] : []);
  return [
    ...unknownOf(parts),
    ...(rate === null ? (['rate'] as const) : []),
    ...field(outlet.feePercent, 'fee'),
    ...field(outlet.feeFixed, 'fixed fee'),
    ...field(outlet.taxPercent, 'tax'),
    ...field(outlet.packing, 'packing'),
    ...field(outlet.advertising, 'advertising'),
  ];
}

/** What asked prices may end in. */
export const ENDINGS = ['any', '.00', '.50', '.90', '.95', '.99'] as const;
export type Ending = (typeof ENDINGS)[number];

/**
 * What must be asked for a profit of one piece, or for a margin as a share of it in percent: rounded up to whole cents, or to
 * the next sum with an ending. Null where something is unknown, or where no sum is enough.
 */
export function askingFor(
  { cost }: Pick<Earning, 'cost'>,
  outlet: Outlet,
  wanted: { profit: string } | { margin: string },
  ending: Ending = 'any',
): Big | null {
  const [taken, fixed] = [takenShare(outlet), known(outlet.feeFixed)];
  if (!cost || !taken || !fixed) return null;
  const margin = 'margin' in wanted ? Big(wanted.margin).div(HUNDRED) : Big(0);
  const left = Big(1).minus(taken).minus(margin);
  if (left.lte(0)) return null;
  const sum = cost.plus(fixed).plus('profit' in wanted ? wanted.profit : 0);
  return endingIn(sum.div(left), ending);
}

/** The least sum that is no less, and ends so. */
function endingIn(sum: Big, ending: Ending): Big {
  const up = sum.round(2, Big.roundUp);
  if (ending === 'any') return up;
  const whole = up.round(0, Big.roundDown);
  const at = whole.plus(`0${ending}`);
  return at.gte(up) ? at : at.plus(1);
}

/** Profit as a share of what is asked, to four places; null where something is unknown. */
export function marginOf({ profit, asking }: Pick<Earning, 'profit' | 'asking'>): string | null {
  return profit && asking?.gt(0) ? shareOf(profit, asking) : null;
}

/** A sum with its currency, or that it is unknown. */
export function sayMoney(sum: Big | null, currency: string): string {
  const words = cents(sum);
  return words === null ? 'unknown' : `${withMinus(words)} ${currency}`.trim();
}

/** A share in percent, with one decimal. */
export function sayShare(share: string | null): string {
  if (share === null) return 'unknown';
  return `${withMinus(Big(share).times(HUNDRED).round(1, Big.roundHalfUp).toFixed(1))} %`;
}

/** What is below zero with a minus as it is printed. */
function withMinus(number: string): string {
  return number.replace(/^-/, '−');
}
