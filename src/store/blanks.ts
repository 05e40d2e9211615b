import * as v from 'valibot';
import { IdSchema } from '@/core/blank/basics';
import { BlankSchema, HouseSpecSchema, MethodSchema, type Blank } from '@/core/blank/schema';

/** One version of a blank that the seller made or changed. Older versions stay, since fits were made on them. */
export const StoredBlankSchema = v.object({ key: v.string(), blank: BlankSchema });
export type StoredBlank = v.InferOutput<typeof StoredBlankSchema>;

export function versionKey({ id, version }: Pick<Blank, 'id' | 'version'>): string {
  return `${id}@${version}`;
}

export const StoredSpecSchema = HouseSpecSchema;
export const StoredMethodSchema = MethodSchema;

/** A house's template picture under a face: where its page lies, in mm from the trim's top left. Never printed. */
export const UnderlaySchema = v.object({
  /** Blank and face: `mug-325/wrap`. */
  key: v.string(),
  blankId: IdSchema,
  faceId: IdSchema,
  name: v.string(),
  picture: v.instance(Blob),
  page: v.object({ x: v.number(), y: v.number(), width: v.number(), height: v.number() }),
  opacity: v.pipe(v.number(), v.minValue(0), v.maxValue(1)),
});
export type Underlay = v.InferOutput<typeof UnderlaySchema>;
