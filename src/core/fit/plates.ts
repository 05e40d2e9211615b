import * as v from 'valibot';
import { Finite, list, Place } from '../bounds';
import { IdSchema } from '../blank/basics';

const colour = v.pipe(v.string(), v.regex(/^#[0-9a-f]{6}$/));
const share = v.pipe(Finite, v.minValue(0), v.maxValue(1));
const shortLength = v.pipe(Finite, v.minValue(0), v.maxValue(5));

/** Inks that a face is parted into, at most. */
export const MOST_PLATE_INKS = 8;

export const DOTS = ['round', 'ellipse', 'line', 'square'] as const;
export type Dot = (typeof DOTS)[number];

/**
 * A halftone screen: lines per inch, degrees counterclockwise from across, and the shape of its dots. Tones under `least`
 * or over `most`, as shares of area, are printed as those or not at all.
 */
export const ScreenSchema = v.object({
  ruling: v.pipe(Finite, v.minValue(10), v.maxValue(400)),
  angle: v.pipe(Finite, v.minValue(-360), v.maxValue(360)),
  dot: v.picklist(DOTS),
  least: v.optional(share),
  most: v.optional(share),
});
export type Screen = v.InferOutput<typeof ScreenSchema>;

/** An ink of a face that is printed in few. */
export const PlannedInkSchema = v.object({
  id: IdSchema,
  name: v.pipe(v.string(), v.minLength(1), v.maxLength(60)),
  hex: colour,
  /** Colours of the artwork that it is printed for. */
  from: v.pipe(list(colour, 64), v.minLength(1)),
  /** How much of what lies under it it hides, or darkens. */
  opacity: share,
  /** Whether it stays as it is while the number of inks is tried. */
  locked: v.optional(v.boolean()),
  screen: v.optional(ScreenSchema),
});
export type PlannedInk = v.InferOutput<typeof PlannedInkSchema>;

/** How a face is printed in few inks, a plate an ink. Lengths in mm. */
export const PlatePlanSchema = v.object({
  /** In the order in which they are printed. */
  inks: v.pipe(list(PlannedInkSchema, MOST_PLATE_INKS), v.minLength(1)),
  /** Colours of the artwork that are left open besides the product's own. */
  open: list(colour, 64),
  /** One connected part each, by a point of it from the print's top left (trim plus bleed): another ink takes it, or none. */
  regions: list(v.object({ x: Place, y: Place, inkId: v.nullable(IdSchema) }), 200),
  /** White under the inks: where the method lays it and the product needs it, on any product, or never. */
  base: v.picklist(['auto', 'always', 'none']),
  choke: shortLength,
  trap: shortLength,
  /** Flat inks; tones as dots; tones as greys for somebody else's screens. */
  tones: v.picklist(['flat', 'halftone', 'grey']),
  ppi: v.pipe(Finite, v.minValue(72), v.maxValue(2400)),
});
export type PlatePlan = v.InferOutput<typeof PlatePlanSchema>;
