import * as v from 'valibot';
import { Length, Positive } from '../bounds';
import { NameSchema } from '../blank/basics';

/** What is done with words that are wider than their slot: shrunk, broken into lines first, or only told of. */
export const SLOT_RULES = ['shrink', 'break', 'tell'] as const;

/** A text that a list fills, row by row: the room its ink has, and how small its capitals may become. All mm. */
export const TextSlotSchema = v.object({
  name: NameSchema,
  width: Length,
  /** Room for words that are broken into lines: words on one line stand as high as they do. */
  height: Length,
  least: Positive,
  rule: v.picklist(SLOT_RULES),
});
export type TextSlot = v.InferOutput<typeof TextSlotSchema>;

/** An artwork that a list fills by the names of files. */
export const PictureSlotSchema = v.object({ name: NameSchema });
