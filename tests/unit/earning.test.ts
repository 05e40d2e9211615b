import Big from 'big.js';
import fc from 'fast-check';
import { linesFor, unclear } from '@/core/price/choose';
import { cents } from '@/core/price/cost';
import { askingFor, earningOf, ENDINGS, marginOf, rateBetween, sayMoney, sayShare } from '@/core/price/earn';
import type { Price } from '@/core/price/list';
import { pricesTable, readPrices } from '@/core/price/table';
import { newOutlet, OUTLETS, OutletSchema, type Outlet } from '@/core/price/outlet';
import {
  breakEven,
  costAgainstQuantity,
  inksCompared,
  inksEarning,
  marginAgainstAsking,
} from '@/core/price/series';
import * as v from 'valibot';

/** What one piece earns at a place to sell, what must be asked for it, and what charts draw of that. */

const line = (change: Partial<Price> = {}): Price => ({
  ...{ house: 'Harl', blank: 'mug-325', size: '', method: '', from: 1, price: '4.10', setup: null },
  ...{ postage: '2.90', currency: 'EUR', day: '2026-11-28', material: '', side: null, more: null, ...change },
});
const MUG = [line(), line({ from: 12, price: '3.40' })];
const FEE: Outlet = {
  ...newOutlet('market', 'Market', 'EUR'),
  ...{ feePercent: '8', feeFixed: '0', taxPercent: '0', packing: '0', advertising: '0' },
};
const one = { quantity: 1, inks: 0, sides: 1 };
const at = (asking: string | null, needs = one, outlet = FEE, lines = MUG) =>
  earningOf(lines, needs, outlet, { asking, rates: [] });

test('a mug at 14.50 with a fee of 8 %: 6.34 and 43.7 %; of 24 pieces 7.04 and 48.6 %', () => {
  const alone = at('14.50');
  expect([cents(alone.profit), sayShare(marginOf(alone))]).toEqual(['6.34', '43.7 %']);
  const many = at('14.50', { ...one, quantity: 24 });
  expect([cents(many.profit), sayShare(marginOf(many))]).toEqual(['7.04', '48.6 %']);
});

test('fixed fees, tax within what is asked, packing and advertising are all of it', () => {
  const outlet = { ...FEE, feeFixed: '0.20', taxPercent: '19', packing: '0.35', advertising: '0.50' };
  const { fee, tax, cost, profit } = at('11.90', one, outlet);
  expect([fee, tax, cost].map((sum) => cents(sum))).toEqual(['1.15', '1.90', '7.85']);
  expect(cents(profit)).toBe('1.00');
});

test('what is missing is unknown, and so is what hangs on it: never nothing', () => {
  const found = at('14.50', one, { ...FEE, packing: null }, [line({ postage: null })]);
  expect(found.unknown).toEqual(['postage', 'packing']);
  expect([found.cost, found.profit, found.lowest]).toEqual([null, null, null]);
  expect(sayMoney(found.profit, 'EUR')).toBe('unknown');
  expect(found.unit).not.toBeNull();
  expect(at('14.50', one, FEE, []).unknown).toContain('price');
});

test('another currency wants a rate by hand, of the latest day; turned round where only the other way is said', () => {
  const lines = [line({ currency: 'USD' })];
  const own = (rates: Parameters<typeof rateBetween>[0]) =>
    earningOf(lines, one, FEE, { asking: '14.50', rates });
  expect(own([]).unknown).toContain('rate');
  const rates = [
    { from: 'USD', to: 'EUR', rate: '0.90', day: '2026-01-01' },
    { from: 'USD', to: 'EUR', rate: '0.95', day: '2026-06-01' },
  ];
  expect(cents(own(rates).cost)).toBe('6.65');
  expect(
    rateBetween([{ from: 'EUR', to: 'USD', rate: '1.25', day: '2026-01-01' }], 'USD', 'EUR')!.toFixed(2),
  ).toBe('0.80');
});

test('a further side, and the postage of each further piece of a parcel', () => {
  const lines = [line({ side: '1.50', postage: '4.00', more: '0.50' })];
  const { unit, postage } = at('20', { quantity: 5, inks: 0, sides: 2 }, FEE, lines);
  expect([cents(unit), cents(postage)]).toEqual(['5.60', '1.20']);
});

test('what must be asked for a margin or a profit is enough, and a cent less is not; it ends as wanted', () => {
  const money = fc.integer({ min: 1, max: 5000 }).map((sum) => (sum / 100).toFixed(2));
  fc.assert(
    fc.property(
      money,
      fc.integer({ min: 0, max: 30 }),
      fc.integer({ min: 0, max: 25 }),
      fc.integer({ min: 0, max: 40 }),
      money,
      (price, fee, tax, margin, profit) => {
        const outlet = { ...FEE, feePercent: String(fee), taxPercent: String(tax), feeFixed: '0.15' };
        const lines = [line({ price })];
        for (const wanted of [{ margin: String(margin) }, { profit }]) {
          const found = at(null, one, outlet, lines);
          const sum = askingFor(found, outlet, wanted)!;
          const earned = (asked: Big) => at(asked.toFixed(2), one, outlet, lines);
          const holds = (asked: Big) => {
            const { profit: left, asking } = earned(asked);
            return 'margin' in wanted
              ? left!.gte(asking!.times(margin).div(100).minus('0.000001'))
              : left!.gte(Big(profit).minus('0.000001'));
          };
          expect(holds(sum)).toBe(true);
          if (sum.gt('0.02')) expect(holds(sum.minus('0.02'))).toBe(false);
          for (const ending of ENDINGS.slice(1)) {
            const rounded = askingFor(found, outlet, wanted, ending)!;
            expect(rounded.toFixed(2).endsWith(ending)).toBe(true);
            expect(rounded.gte(sum) && rounded.minus(sum).lt(1)).toBe(true);
          }
        }
      },
    ),
    { numRuns: 60 },
  );
});

test('fees that take all leave no price that is enough', () => {
  expect(askingFor(at(null), FEE, { margin: '95' })).toBeNull();
  expect(cents(at(null).lowest)).toBe('7.61');
});

describe('inks', () => {
  const SHIRT = [line({ blank: 'shirt', price: '6.60', setup: '18.00', postage: '2.60' })];

  test('five to three at 18.00 a screen over 40 shirts: 0.90 less apiece', () => {
    expect(inksCompared(SHIRT, { quantity: 40, sides: 1 }, [5, 3]).less).toBe('0.90');
    expect(inksCompared([line({ setup: null })], { quantity: 40, sides: 1 }, [5, 3]).less).toBeNull();
  });

  test('sold for 1.00 more, five pay over three from 36 pieces on; of 35 they do not', () => {
    const asked = { asking: '24.00', more: '1.00', rates: [], inks: [5, 3] as const };
    const free = { ...FEE, feePercent: '0' };
    expect(breakEven(SHIRT, { ...one, inks: 5 }, free, asked)).toBe(36);
    const earned = inksEarning(SHIRT, { ...one, inks: 5 }, free, asked, 72);
    for (const { quantity, earned: sums } of earned) {
      const [more, fewer] = sums.map(Number) as [number, number];
      expect([quantity, more >= fewer]).toEqual([quantity, quantity >= 36]);
    }
    expect(breakEven(SHIRT, { ...one, inks: 5 }, free, { ...asked, more: '0' })).toBeNull();
  });
});

describe('what charts draw', () => {
  test('the margin grows with what is asked, is below nothing under the lowest price and not above it', () => {
    const points = marginAgainstAsking(MUG, one, FEE, { asking: '14.50', rates: [] });
    const values = points.map(({ value }) => value!);
    expect(values).toEqual([...values].sort((a, b) => a - b));
    const lowest = Number(at(null).lowest);
    for (const { at: asked, value } of points) expect(value! >= -0.2).toBe(asked >= lowest - 0.005);
    expect(marginAgainstAsking([], one, FEE, { asking: null, rates: [] })).toEqual([]);
  });

  test('the cost steps down at each break, and the one before it is there', () => {
    const points = costAgainstQuantity(MUG, one, 50);
    const said = new Map(points.map((point) => [point.at, point.said]));
    expect([said.get(1), said.get(11), said.get(12), said.get(50)]).toEqual(['7.00', '7.00', '6.30', '6.30']);
    expect(costAgainstQuantity([line({ from: 10 })], one, 20)[0]).toMatchObject({
      value: null,
      said: 'unknown',
    });
  });
});

describe('lines for a thing', () => {
  test('by any of its names; the house’s own before those for every house; what is unclear is said', () => {
    const lines = [
      line({ house: '', price: '5.00' }),
      line(),
      line({ blank: 'Mug 325 ml', house: 'Fogbell' }),
    ];
    const wanted = { blank: ['mug-325', 'Mug 325 ml'], house: ['harl'] };
    expect(linesFor(lines, wanted)).toEqual([lines[1]]);
    expect(linesFor(lines, { ...wanted, house: ['Nobody'] })).toEqual([lines[0]]);
    expect(unclear(linesFor(lines, { blank: wanted.blank }))).toMatchObject({ by: 'house' });
  });

  test('a list written as a table reads back the same, with every further column', () => {
    const lines = [
      line({ side: '1.50', more: '0.40', material: 'stoneware' }),
      line({ from: 12, price: null }),
    ];
    expect(readPrices(pricesTable(lines))).toEqual({ prices: lines, troubles: [] });
  });
});

test('places to sell that come with Up Fit read by their own schema; a new one has everything unknown', () => {
  for (const outlet of OUTLETS) expect(v.is(OutletSchema, outlet)).toBe(true);
  const { unknown } = at('14.50', one, newOutlet('a', 'A', 'EUR'));
  expect(unknown).toEqual(['fee', 'fixed fee', 'tax', 'packing', 'advertising']);
  for (const bad of [
    { feePercent: '-8' },
    { feePercent: '100.5' },
    { packing: '1,50' },
    { currency: 'euro' },
  ])
    expect(v.is(OutletSchema, { ...FEE, ...bad })).toBe(false);
});
