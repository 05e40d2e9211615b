import * as v from 'valibot';

// The desk reads what it is sent by its own understanding of it, and shares nothing with who sends.

const Hash = v.pipe(v.string(), v.regex(/^[0-9a-f]{64}$/));
const Whole = v.pipe(v.number(), v.integer(), v.minValue(0));

export const OrderForm = v.object({
  key: v.pipe(v.string(), v.regex(/^[0-9a-f-]{8,64}$/)),
  lines: v.pipe(
    v.array(
      v.object({
        fitId: v.string(),
        size: v.nullable(v.string()),
        colour: v.string(),
        quantity: v.pipe(v.number(), v.integer(), v.minValue(1)),
        sides: v.array(v.object({ faceId: v.string(), path: v.string() })),
      }),
    ),
    v.minLength(1),
  ),
  notes: v.string(),
  bytes: Whole,
  sha256: Hash,
});
export type OrderForm = v.InferOutput<typeof OrderForm>;

const PrintForm = v.object({
  path: v.string(),
  faceId: v.string(),
  mirrored: v.boolean(),
  /** mm of what is cut to shape: such a product has no size before. */
  cut: v.optional(v.object({ width: v.number(), height: v.number() })),
});

const SheetForm = v.object({ path: v.string(), transfer: v.boolean() });
export type PackedSheet = v.InferOutput<typeof SheetForm>;

export const ManifestForm = v.object({
  fits: v.array(
    v.object({
      fitId: v.string(),
      blankId: v.string(),
      specId: v.string(),
      prints: v.array(PrintForm),
    }),
  ),
  sheets: v.optional(v.array(SheetForm), []),
  files: v.array(v.object({ path: v.string(), bytes: Whole, sha256: Hash })),
});
export type ManifestForm = v.InferOutput<typeof ManifestForm>;
export type PackedFit = ManifestForm['fits'][number];

export interface FileFinding {
  path: string;
  verdict: 'ready' | 'look' | 'fix';
  reasons: string[];
}

export interface Answer {
  number: string | null;
  sha256: string;
  reasons: string[];
  findings: FileFinding[];
}
