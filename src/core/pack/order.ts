import * as v from 'valibot';
import { VERDICTS } from '../check/finding';

/** One line of an order: a fit of the pack, how many, and which file goes on which side. */
export const OrderLineSchema = v.object({
  fitId: v.string(),
  size: v.nullable(v.string()),
  colour: v.string(),
  /** The sticker, of a set. */
  what: v.optional(v.nullable(v.string()), null),
  quantity: v.pipe(v.number(), v.integer(), v.minValue(1), v.maxValue(100_000)),
  /** Paths of print files in the pack, by the face that each goes on. */
  sides: v.array(v.object({ faceId: v.string(), path: v.string() })),
});
export type OrderLine = v.InferOutput<typeof OrderLineSchema>;

/** An order as it is sent with a pack. `key` stays the same however often it is sent: a desk takes it once. */
export const OrderSchema = v.object({
  upfit: v.literal('order/1'),
  key: v.pipe(v.string(), v.regex(/^[0-9a-f-]{8,64}$/)),
  lines: v.pipe(v.array(OrderLineSchema), v.minLength(1)),
  notes: v.string(),
  bytes: v.pipe(v.number(), v.integer(), v.minValue(1)),
  sha256: v.pipe(v.string(), v.regex(/^[0-9a-f]{64}$/)),
});
export type Order = v.InferOutput<typeof OrderSchema>;

/** What a desk says of one file. */
export const FileFindingSchema = v.object({
  path: v.string(),
  verdict: v.picklist(VERDICTS),
  reasons: v.array(v.string()),
});
export type FileFinding = v.InferOutput<typeof FileFindingSchema>;

/** A desk's answer to a whole pack: an order number, or why it is not taken; and what it found in each file. */
export const AnswerSchema = v.object({
  number: v.nullable(v.string()),
  /** Checksum of what arrived, reckoned there. */
  sha256: v.string(),
  reasons: v.array(v.string()),
  findings: v.array(FileFindingSchema),
  /** The lines as they were understood there. */
  lines: v.optional(v.array(v.string()), []),
});
export type Answer = v.InferOutput<typeof AnswerSchema>;

/** What a desk says of itself before anything is sent. */
export const DeskSchema = v.object({
  id: v.string(),
  name: v.string(),
  /** Bytes of a whole pack that it takes at most, and of one part of it. */
  mostBytes: v.number(),
  partBytes: v.number(),
  takes: v.string(),
});
export type Desk = v.InferOutput<typeof DeskSchema>;

/** How far an upload is. */
export const UploadSchema = v.object({
  uploadId: v.string(),
  received: v.number(),
  answer: v.nullable(AnswerSchema),
});
export type Upload = v.InferOutput<typeof UploadSchema>;
