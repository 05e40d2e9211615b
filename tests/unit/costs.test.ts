import { shippedBlanks } from '@/core/blank/library';
import type { Price, PriceList } from '@/core/price/list';
import { demoListings, demoPrices } from '@/demo/prices';
import { newFill } from '@/core/fit/place';
import { earningOfFit, earningsIn, inksOf, sayPrices } from '@/state/price/earning';
import { matchedBy, priceTable, readMatched } from '@/state/price/price-table';
import { priceQuestions, pricesOf, twiceIn } from '@/state/price/prices';
import { useShop } from '@/state/shop/shop';
import { blankById, factsOf, fitOf, pieceAt } from '../support/fits';
import { paint } from '../support/pictures';

/** Price lists as the shop keeps them: what they say of a blank, what two of them say, what nobody has said. */

const line = (change: Partial<Price> = {}): Price => ({
  ...{ house: 'Harl Kiln Works', blank: 'mug-325', size: '', method: '', from: 1, price: '4.10' },
  ...{ setup: null, postage: '2.90', currency: 'EUR', day: '2026-10-02' },
  ...{ material: '', side: null, more: null, ...change },
});
const list = (id: string, lines: Price[]): [string, PriceList] => [
  id,
  { upfit: 'prices/1', id, name: id, source: '', lines },
];
const mug = blankById('mug-325');
const blanks = new Map(shippedBlanks().map((blank) => [blank.blank.id, blank]));

test('of what two lists price alike the later day counts, and both are told', () => {
  const prices = new Map([
    list('spring', [
      line({ price: '4.50', day: '2026-04-01' }),
      line({ from: 12, price: '3.90', day: '2026-04-01' }),
    ]),
    list('autumn', [line()]),
  ]);
  expect(pricesOf({ prices }, ['MUG-325']).map(({ from, price }) => [from, price])).toEqual([
    [1, '4.10'],
    [12, '3.90'],
  ]);
  expect(twiceIn({ prices })).toEqual([
    '“spring” and “autumn” both price mug-325 of Harl Kiln Works: the line of the later day counts. Take it out of one.',
  ]);
  expect(twiceIn({ prices: new Map([list('autumn', [line(), line({ from: 12 })])]) })).toEqual([]);
});

test('a blank says what one costs with its breaks; nothing where no list has it', () => {
  const prices = new Map([list('a', [line({ blank: mug.blank.name }), line({ from: 12, price: null })])]);
  expect(sayPrices(mug, { prices: new Map([list('a', [line(), line({ from: 12, price: '3.40' })])]) })).toBe(
    '4.10 EUR, 3.40 from 12',
  );
  expect(sayPrices(mug, { prices })).toBe('4.10 EUR, unknown from 12');
  expect(sayPrices(blankById('shirt'), { prices })).toBeNull();
});

test('what nobody has said is asked of the house: a set-up only where a method has screens', () => {
  const questions = priceQuestions([line({ postage: null }), line({ blank: 'somewhere else' })], { blanks });
  expect(questions).toEqual([
    'Harl Kiln Works: what is the postage of mug-325, from 1?',
    'Harl Kiln Works: what is the set-up of each ink for somewhere else, from 1?',
  ]);
});

test('a table’s columns are matched by their heads, and what none says is said for all rows', async () => {
  const file = new File(['Blank;PRICE;Note\nmug-325;4.10;blue\n;;\nmug-325;x;'], 'a.csv');
  const table = await priceTable(file);
  expect(table).toHaveLength(3);
  const match = matchedBy(table[0]!);
  expect([match.blank, match.price, match.house]).toEqual([0, 1, -1]);
  const { prices, troubles } = readMatched(table, match, {
    currency: 'EUR',
    day: '2026-10-02',
    house: 'Harl',
  });
  expect(prices).toMatchObject([{ blank: 'mug-325', price: '4.10', house: 'Harl', from: 1 }]);
  expect(troubles.map(({ message }) => message)).toEqual([
    'Row 3, price: “x” is no sum: write a number with a point, as 4.10.',
  ]);
  await expect(priceTable(new File(['Blank;Price\n'], 'b.csv'))).rejects.toThrow(
    /has no rows under its first/,
  );
});

test('inks are those of the side that has most of them; of a photograph nobody knows how many', () => {
  const facts = factsOf(paint(4, 4, () => [0, 0, 0, 255]));
  const artwork = (id: string, inks: number | null, hexes: string[]) => [
    id,
    { facts: { ...facts, inks, palette: hexes.map((hex) => ({ hex, share: 0.5 })) } },
  ];
  const artworks = new Map([
    artwork('two', 2, ['#102030', '#a02020', '#ffffff']),
    artwork('photo', null, ['#808080']),
  ] as never) as unknown as Parameters<typeof inksOf>[1]['artworks'];
  const on = (...ids: string[]) =>
    fitOf(
      mug,
      ids.map((artworkId, i) => pieceAt(40, 40, 20, 20, { id: String(i), artworkId })),
    );
  expect(inksOf(on('two', 'two'), { artworks })).toBe(2);
  expect(inksOf(on('two', 'photo'), { artworks })).toBeNull();
  expect(inksOf(on(), { artworks })).toBe(0);
});

test('the demo’s prices read, name its houses, and leave something unsaid', () => {
  const { lines } = demoPrices();
  expect(lines.every(({ house, blank }) => blanks.get(blank)?.spec.house === house)).toBe(true);
  expect(priceQuestions(lines, { blanks }).length).toBeGreaterThan(0);
  expect(demoListings([fitOf(mug, [])])[0]).toMatchObject({ asking: '14.50', title: '' });
});

test('what a range earns is reckoned together as each fit alone: sizes, sides, inks and prices apart', () => {
  const design = { upfit: 'design/1' as const, id: 'design', name: 'A design', order: 0, artworks: [] };
  const shop = {
    ...useShop.getState(),
    designs: new Map([[design.id, design]]),
    prices: new Map([list('all', demoPrices().lines)]),
  };
  const fill = (hex: string) => newFill(`fill ${hex}`, hex);
  const fits = ['mug-325', 'shirt', 'shirt-screen', 'tumbler-470', 'sticker-75'].flatMap((id) => {
    const blank = blankById(id);
    const sizes = blank.blank.sizes.length > 0 ? blank.blank.sizes.map((size) => size.id) : [null];
    return sizes.flatMap((sizeId) =>
      [['#102030'], ['#102030', '#f0e0d0'], []].map((colours, i) => ({
        ...fitOf(blank, colours.map(fill)),
        id: `${id} ${sizeId} ${i}`,
        designId: design.id,
        sizeId,
      })),
    );
  });
  const together = earningsIn(shop);
  const alone = fits.map((fit) => earningOfFit(fit, shop));
  // Twice, and from the other end: what was reckoned before must not be another's.
  expect(fits.map(together)).toEqual(alone);
  expect([...fits].reverse().map(together).reverse()).toEqual(alone);
  expect(new Set(alone.map((one) => JSON.stringify(one?.earning))).size).toBeGreaterThan(5);
});
