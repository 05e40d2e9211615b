import * as v from 'valibot';
import { IdSchema } from '@/core/blank/basics';
import { FitSchema } from '@/core/fit/schema';
import { PhotoSceneSchema } from '@/core/mockup/photo/schema';
import { FontFactsSchema } from '@/core/type/fonts';

/** A font that the seller brought, with its file. `id` is the SHA-256 of that file. */
export const StoredFontSchema = v.object({
  id: v.string(),
  facts: FontFactsSchema,
  fileName: v.string(),
  addedAt: v.number(),
  file: v.instance(Blob),
});
export type StoredFont = v.InferOutput<typeof StoredFontSchema>;

/** A printing profile that the seller brought, with its file. `id` is the SHA-256 of that file. */
export const StoredProfileSchema = v.object({
  id: v.string(),
  name: v.string(),
  fileName: v.string(),
  addedAt: v.number(),
  file: v.instance(Blob),
});
export type StoredProfile = v.InferOutput<typeof StoredProfileSchema>;

/** A photo of a blank with its print surfaces marked, with its file, kept byte for byte. */
export const StoredPhotoSchema = v.object({
  id: IdSchema,
  scene: PhotoSceneSchema,
  fileName: v.string(),
  addedAt: v.number(),
  file: v.instance(Blob),
});
export type StoredPhoto = v.InferOutput<typeof StoredPhotoSchema>;

/** A fit as it was after one of its edits. */
export const StepSchema = v.object({ fitId: v.string(), number: v.number(), fit: FitSchema });
export type StoredStep = v.InferOutput<typeof StepSchema>;

/** Which of its steps a fit is at. */
export const HeadSchema = v.object({ fitId: v.string(), at: v.number() });
export type Head = v.InferOutput<typeof HeadSchema>;
