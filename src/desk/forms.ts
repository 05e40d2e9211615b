import * as v from 'valibot';
import { BlankSchema, HouseSpecSchema, MethodSchema } from '@/core/blank/schema';

// The desk reads what it is sent by its own understanding of it, and shares nothing with who sends.

const Hash = v.pipe(v.string(), v.regex(/^[0-9a-f]{64}$/));
const Whole = v.pipe(v.number(), v.integer(), v.minValue(0));

const Words = v.pipe(v.string(), v.maxLength(300));

export const OrderForm = v.object({
  key: v.pipe(v.string(), v.regex(/^[0-9a-f-]{8,64}$/)),
  lines: v.pipe(
    v.array(
      v.object({
        fitId: Words,
        size: v.nullable(Words),
        colour: Words,
        what: v.optional(v.nullable(Words), null),
        quantity: v.pipe(v.number(), v.integer(), v.minValue(1), v.maxValue(100_000)),
        sides: v.pipe(v.array(v.object({ faceId: Words, path: Words })), v.maxLength(200)),
      }),
    ),
    v.minLength(1),
    v.maxLength(1000),
  ),
  notes: v.pipe(v.string(), v.maxLength(5000)),
  bytes: v.pipe(Whole, v.minValue(1)),
  sha256: Hash,
});
export type OrderForm = v.InferOutput<typeof OrderForm>;

const PrintForm = v.object({
  path: v.string(),
  faceId: v.string(),
  mirrored: v.boolean(),
  /** Graded sizes that it is for, by name. */
  sizes: v.optional(v.array(v.string())),
  /** mm of what is cut to shape: such a product has no size before. */
  cut: v.optional(v.object({ width: v.number(), height: v.number() })),
});

const SheetForm = v.object({ path: v.string(), transfer: v.boolean() });
export type PackedSheet = v.InferOutput<typeof SheetForm>;

export const ManifestForm = v.object({
  fits: v.array(
    v.object({
      fitId: v.string(),
      house: v.optional(Words, ''),
      /** What it is called by its customer. */
      design: v.optional(Words, ''),
      blank: v.optional(Words, ''),
      blankId: v.string(),
      specId: v.string(),
      /** A blank that is none of ours, as the customer measured it. */
      measured: v.optional(BlankSchema),
      /** A house that its customer wrote down, and its method where that is written too. */
      spec: v.optional(HouseSpecSchema),
      method: v.optional(MethodSchema),
      prints: v.array(PrintForm),
    }),
  ),
  sheets: v.optional(v.array(SheetForm), []),
  files: v.array(v.object({ path: v.string(), bytes: Whole, sha256: Hash })),
});
export type ManifestForm = v.InferOutput<typeof ManifestForm>;
export type PackedFit = ManifestForm['fits'][number];

const FindingForm = v.object({
  path: v.string(),
  verdict: v.picklist(['ready', 'look', 'fix']),
  reasons: v.array(v.string()),
});
export type FileFinding = v.InferOutput<typeof FindingForm>;

/** What became of reading a pack: whether all of it can be printed, and if not, why. */
export const TakenForm = v.object({
  taken: v.boolean(),
  sha256: v.string(),
  reasons: v.array(v.string()),
  findings: v.array(FindingForm),
  /** Each line as it was understood. */
  lines: v.optional(v.array(v.string()), []),
  /** How the house numbers its orders, where it says. */
  orderNumbers: v.optional(v.string()),
});
export type Taken = v.InferOutput<typeof TakenForm>;

export type Answer = Omit<Taken, 'taken' | 'orderNumbers'> & { number: string | null };
