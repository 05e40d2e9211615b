import * as v from 'valibot';
import { list } from '../bounds';
import { NameSchema } from '../blank/basics';

/** A decimal number as it is written, without a sign; kept as words, so that no cent is lost. */
export const MoneySchema = v.pipe(v.string(), v.regex(/^\d{1,9}(\.\d{1,6})?$/));
const Words = v.pipe(v.string(), v.trim(), v.maxLength(120));

/** One line of a price list: what a house asks for a blank from a quantity on. Empty is what nobody has said. */
export const PriceSchema = v.object({
  house: Words,
  blank: Words,
  size: Words,
  method: Words,
  /** The quantity from which the price holds. */
  from: v.pipe(v.number(), v.integer(), v.minValue(1), v.maxValue(1_000_000)),
  /** Of one piece. */
  price: v.nullable(MoneySchema),
  /** Of each ink or screen, once an order. */
  setup: v.nullable(MoneySchema),
  /** Of one piece. */
  postage: v.nullable(MoneySchema),
  /** Of each further piece of one parcel, where that is not the first one's. */
  more: v.optional(v.nullable(MoneySchema), null),
  /** Of each further printed side or place, of one piece. */
  side: v.optional(v.nullable(MoneySchema), null),
  material: v.optional(Words, ''),
  currency: v.pipe(v.string(), v.regex(/^[A-Z]{3}$/)),
  /** Since when: `2026-11-28`. */
  day: v.pipe(v.string(), v.isoDate()),
});
export type Price = v.InferOutput<typeof PriceSchema>;

/** A price list as it is kept: who said so, and when. */
export const PriceListSchema = v.object({
  upfit: v.literal('prices/1'),
  id: v.string(),
  name: NameSchema,
  source: v.pipe(v.string(), v.maxLength(200)),
  lines: list(PriceSchema, 20_000),
});
export type PriceList = v.InferOutput<typeof PriceListSchema>;

/** The words by which prices belong to one thing of one house. */
export const keyOfPrice = ({ house, blank, size, method, material }: Price): string =>
  JSON.stringify([house, blank, size, method, material].map((word) => word.toLowerCase()));
