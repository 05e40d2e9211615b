import * as v from 'valibot';
import { list } from '../bounds';
import { MoneySchema } from '../price/list';

const Words = (most: number) => v.pipe(v.string(), v.maxLength(most));

/** How a fit is listed where it is sold: its words, what is asked for it, its variants' numbers. */
export const ListingSchema = v.object({
  upfit: v.literal('listing/1'),
  fitId: v.string(),
  title: Words(2000),
  description: Words(50_000),
  tags: list(Words(200), 200),
  attributes: list(v.object({ name: Words(200), value: Words(500) }), 60),
  /** What the buyer pays for one; null while nobody has said. */
  asking: v.nullable(MoneySchema),
  /** {design} {blank} {colour} {size} {row} stand for what they say. */
  sku: Words(200),
  /** How many are there, by the variant's key; those of a number that nobody said are not in it. */
  stock: v.record(v.string(), v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(1_000_000))),
});
export type Listing = v.InferOutput<typeof ListingSchema>;

/** What the shop says of its listings, once for all. */
export const ListingWordsSchema = v.object({
  title: Words(2000),
  description: Words(50_000),
  tags: Words(4000),
  alt: Words(2000),
  /** Words that are another's: told wherever they stand. */
  notOurs: list(Words(100), 500),
  /** What a blank is of, and how it is looked after, by its id: written once. */
  blanks: v.record(v.string(), v.object({ material: Words(500), care: Words(1000) })),
});
export type ListingWords = v.InferOutput<typeof ListingWordsSchema>;

export const FIRST_LISTING_WORDS: ListingWords = {
  title: '{design} {blank}',
  description:
    '{design}, printed on {blank}.\n\nThe print is {size}.\nColours: {colours}.\nMaterial: {material}.\nCare: {care}.\nPrinted by {method}.',
  tags: '{design}, {blank}, gift',
  alt: '{design} on {blank} in {colour}, {view}',
  notOurs: [],
  blanks: {},
};

/** What a variant is numbered by where nobody says otherwise. */
export const FIRST_SKU = '{design}-{blank}-{colour}-{size}';
