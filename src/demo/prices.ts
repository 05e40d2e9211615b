import { shippedBlanks } from '@/core/blank/library';
import { FIRST_SKU, type Listing } from '@/core/listing/schema';
import type { Price, PriceList } from '@/core/price/list';
import type { Fit } from '@/core/fit/schema';

/** What houses ask the counter, all made up: blank, quantity, price, set-up an ink, postage; some of it nobody has said. */
const ASKED: readonly (readonly [
  blank: string,
  from: number,
  price: string | null,
  setup: string | null,
  postage: string | null,
])[] = [
  ['mug-325', 1, '4.10', null, '2.90'],
  ['mug-325', 12, '3.40', null, '2.90'],
  ['mug-325', 48, '2.95', null, '2.10'],
  ['tumbler-470', 1, '8.60', null, '3.40'],
  ['tumbler-470', 10, '7.80', null, '3.40'],
  ['tumbler-taper-480', 1, '7.90', null, null],
  ['shirt', 1, '9.20', '18.00', '3.10'],
  ['shirt', 20, '7.40', '18.00', '3.10'],
  ['shirt', 40, '6.60', '18.00', '2.60'],
  ['sticker-75', 10, '0.62', null, '0.18'],
  ['sticker-75', 100, '0.38', null, '0.09'],
];

/** What the counter asks for its things, by blank. */
const ASKING: Readonly<Record<string, string>> = {
  'mug-325': '14.50',
  'tumbler-470': '24.00',
  'tumbler-taper-480': '22.50',
  shirt: '24.95',
  'sticker-75': '2.50',
};

/** The price list of the demo shop. */
export function demoPrices(): PriceList {
  const houses = new Map(shippedBlanks().map(({ blank, spec }) => [blank.id, spec.house]));
  return {
    upfit: 'prices/1',
    id: 'counter-prices',
    name: 'What the houses asked this autumn',
    source: 'their letters, in the lamp room',
    lines: ASKED.map(([blank, from, price, setup, postage]): Price => ({
      ...{ house: houses.get(blank) ?? '', blank, size: '', method: '', from, price, setup, postage },
      ...{ currency: 'EUR', day: '2026-10-02', material: '', side: null, more: null },
    })),
  };
}

/** What the demo's fits are asked for; no word of their listings is written yet. */
export function demoListings(fits: readonly Fit[]): Listing[] {
  return fits.flatMap((fit): Listing[] => {
    const asking = ASKING[fit.blankId];
    if (asking === undefined) return [];
    return [
      {
        ...{ upfit: 'listing/1', fitId: fit.id, title: '', description: '', tags: [], attributes: [] },
        ...{ asking, sku: FIRST_SKU, stock: {} },
      },
    ];
  });
}
