import * as v from 'valibot';
import { list } from '../bounds';
import { ManifestSchema } from './manifest';
import { AnswerSchema, OrderSchema } from './order';

/** A pack that was handed over, or is to be; its zip is kept apart. */
export const StoredPackSchema = v.object({
  upfit: v.literal('stored-pack/1'),
  id: v.string(),
  manifest: ManifestSchema,
  bytes: v.number(),
  sha256: v.string(),
  /** Where it was sent, the newest last. */
  orders: list(
    v.object({
      deskId: v.string(),
      desk: v.string(),
      order: OrderSchema,
      /**
       * `waiting` goes on by itself once the desk is back, `broken` when it is asked to; `arrived` only once the desk has
       * said so and the checksums agree. `sent` is what was taken to a house without a desk, until that has answered.
       */
      state: v.picklist(['sending', 'waiting', 'broken', 'arrived', 'refused', 'sent']),
      /** To whom it was sent by hand. */
      to: v.optional(v.string()),
      sent: v.number(),
      at: v.string(),
      trouble: v.nullable(v.string()),
      answer: v.nullable(AnswerSchema),
    }),
  ),
});
export type StoredPack = v.InferOutput<typeof StoredPackSchema>;
export type SentOrder = StoredPack['orders'][number];
