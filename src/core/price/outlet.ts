import * as v from 'valibot';
import { list } from '../bounds';
import { IdSchema, NameSchema } from '../blank/basics';
import { MoneySchema } from './list';

/** A share in percent, as it is written: `8`, `6.5`. */
export const PercentSchema = v.pipe(v.string(), v.regex(/^\d{1,2}(\.\d{1,4})?$/));
const count = (most: number) => v.pipe(v.number(), v.integer(), v.minValue(1), v.maxValue(most));

/** What a place to sell takes of a listing; each null where it sets no limit. */
export const ListingLimitsSchema = v.object({
  title: v.nullable(count(2000)),
  description: v.nullable(count(50_000)),
  tags: v.nullable(count(200)),
  tagLength: v.nullable(count(200)),
  pictures: v.nullable(count(100)),
  /** Pixels across and down of a picture. */
  pictureSize: v.nullable(v.object({ width: count(8000), height: count(8000) })),
  /** MB that a picture may have. */
  pictureBytes: v.nullable(v.pipe(v.number(), v.gtValue(0), v.maxValue(100))),
});
export type ListingLimits = v.InferOutput<typeof ListingLimitsSchema>;

/** A place to sell, as its owner named it: what it costs, and what its listings may be. */
export const OutletSchema = v.object({
  upfit: v.literal('outlet/1'),
  id: IdSchema,
  name: NameSchema,
  currency: v.pipe(v.string(), v.regex(/^[A-Z]{3}$/)),
  /** Of what is asked. */
  feePercent: v.nullable(PercentSchema),
  /** Of each piece sold. */
  feeFixed: v.nullable(MoneySchema),
  /** Tax that is in what is asked. */
  taxPercent: v.nullable(PercentSchema),
  packing: v.nullable(MoneySchema),
  advertising: v.nullable(MoneySchema),
  limits: ListingLimitsSchema,
  /** Who said so, and when. */
  source: v.pipe(v.string(), v.maxLength(200)),
  day: v.nullable(v.pipe(v.string(), v.isoDate())),
  /** Columns of the table of variants that it takes: what each is called, and what goes in it. */
  columns: v.optional(
    list(v.object({ head: v.pipe(v.string(), v.maxLength(80)), holds: v.string() }), 40),
    [],
  ),
});
export type Outlet = v.InferOutput<typeof OutletSchema>;

const NO_LIMITS: ListingLimits = {
  title: null,
  description: null,
  tags: null,
  tagLength: null,
  pictures: null,
  pictureSize: null,
  pictureBytes: null,
};

const outlet = (change: Partial<Outlet> & Pick<Outlet, 'id' | 'name'>): Outlet => ({
  upfit: 'outlet/1',
  currency: 'EUR',
  feePercent: null,
  feeFixed: null,
  taxPercent: null,
  packing: null,
  advertising: null,
  limits: NO_LIMITS,
  source: 'made up, with Up Fit',
  day: '2026-11-29',
  columns: [],
  ...change,
});

/** Places to sell that come with Up Fit, all made up: to be changed, or left for one's own. */
export const OUTLETS: readonly Outlet[] = [
  outlet({
    id: 'counter',
    name: 'Own counter',
    feePercent: '0',
    feeFixed: '0',
    taxPercent: '0',
    packing: '0',
    advertising: '0',
  }),
  outlet({
    id: 'quay-market',
    name: 'Quay Market',
    feePercent: '8',
    feeFixed: '0.20',
    taxPercent: '0',
    packing: '0.35',
    advertising: '0',
    limits: {
      title: 80,
      description: 4000,
      tags: 12,
      tagLength: 18,
      pictures: 10,
      pictureSize: { width: 2000, height: 2000 },
      pictureBytes: 5,
    },
  }),
  outlet({
    id: 'lantern-fair',
    name: 'Lantern Fair',
    feePercent: '12.5',
    feeFixed: '0',
    taxPercent: '0',
    packing: '0.35',
    advertising: '0.50',
    limits: {
      title: 120,
      description: 2000,
      tags: 20,
      tagLength: 30,
      pictures: 6,
      pictureSize: { width: 1600, height: 1200 },
      pictureBytes: 2,
    },
  }),
];

/** A place to sell of which nothing is known yet. */
export function newOutlet(id: string, name: string, currency: string): Outlet {
  return outlet({ id, name, currency, source: '', day: null });
}
