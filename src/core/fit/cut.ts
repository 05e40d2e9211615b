import * as v from 'valibot';
import { NameSchema } from '../blank/basics';
import { NotNegative } from '../bounds';

export const CUT_SHAPES = ['contour', 'circle', 'rounded', 'rectangle', 'path'] as const;

/** How a sticker is cut from what lies on it. Lengths in mm. */
export const CutSettingsSchema = v.object({
  /** `contour` follows the artwork's own outline; the others are the smallest of their kind round it. */
  shape: v.picklist(CUT_SHAPES),
  /** A shape brought in, in shares of its own box: what `path` is cut to. */
  own: v.optional(v.object({ name: v.string(), d: v.string() })),
  /** From the artwork's outline to the cut line. */
  border: v.pipe(NotNegative, v.maxValue(50)),
  /** Corners are rounded to this radius. */
  radius: v.pipe(NotNegative, v.maxValue(50)),
  holes: v.picklist(['drop', 'keep']),
  /** Parts that the border does not join: cut on their own, joined by a strip, or left out. */
  islands: v.picklist(['keep', 'bridge', 'drop']),
  /** What prints past the artwork: white, or its own edge colours drawn outwards. */
  edge: v.picklist(['white', 'spread']),
  /** From the cut line to the edge of a kiss cut's backing. */
  backing: v.pipe(NotNegative, v.maxValue(50)),
});
export type CutSettings = v.InferOutput<typeof CutSettingsSchema>;

/** A cut line with what it was made by. */
export const CutSchema = v.object({
  ...CutSettingsSchema.entries,
  /** What the sticker is called. */
  name: NameSchema,
  /** The line, in mm from the top left of its box, as SVG writes a path; the outermost part first, holes after. */
  d: v.string(),
  /** What it was made of: pieces that are otherwise want a line of their own. */
  of: v.string(),
});
export type Cut = v.InferOutput<typeof CutSchema>;

export const USUAL_CUT: CutSettings = {
  shape: 'contour',
  border: 3,
  radius: 1,
  holes: 'drop',
  islands: 'keep',
  edge: 'white',
  backing: 0,
};

/** The settings alone. */
export function settingsOf(cut: CutSettings): CutSettings {
  const { shape, own, border, radius, holes, islands, edge, backing } = cut;
  return { shape, ...(own && { own }), border, radius, holes, islands, edge, backing };
}
