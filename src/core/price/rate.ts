import * as v from 'valibot';

/** What one currency is worth in another, by hand, with its day. */
export const RateSchema = v.object({
  from: v.pipe(v.string(), v.regex(/^[A-Z]{3}$/)),
  to: v.pipe(v.string(), v.regex(/^[A-Z]{3}$/)),
  rate: v.pipe(v.string(), v.regex(/^\d{1,7}(\.\d{1,8})?$/)),
  day: v.pipe(v.string(), v.isoDate()),
});
export type Rate = v.InferOutput<typeof RateSchema>;
