import * as v from 'valibot';
import { COLOUR_MODES } from '../blank/schema';

export const FORMATS = ['png', 'jpeg', 'webp', 'tiff', 'gif', 'avif', 'svg', 'pdf'] as const;
export type Format = (typeof FORMATS)[number];

const Size = v.object({ width: v.number(), height: v.number() });
const Box = v.object({ x: v.number(), y: v.number(), width: v.number(), height: v.number() });

/**
 * What was measured in a file. Pixels are as displayed (orientation applied), lengths mm, densities PPI.
 * Stored beside the file and printed by the command line's `inspect`.
 */
export const FactsSchema = v.object({
  name: v.string(),
  bytes: v.number(),
  sha256: v.string(),
  format: v.picklist(FORMATS),
  pixels: v.nullable(Size),
  physical: v.nullable(Size),
  density: v.nullable(v.object({ x: v.number(), y: v.number(), source: v.picklist(['file']) })),
  colour: v.object({ mode: v.picklist(COLOUR_MODES), bits: v.number(), profile: v.nullable(v.string()) }),
  /** `share`: how much of the picture's area has alpha > 8; bounds in pixels, specks left out. */
  alpha: v.object({ present: v.boolean(), opaqueBounds: Box, softShare: v.number(), share: v.number() }),
  orientation: v.number(),
  /** The scale at which the picture holds all its detail; null where there is none to judge. */
  detail: v.optional(v.nullable(v.object({ scale: v.number() })), null),
  /** Inks that flat artwork needs; null where it is a photograph. */
  inks: v.nullable(v.number()),
  notes: v.array(v.object({ code: v.string(), message: v.string() })),
});
export type Facts = v.InferOutput<typeof FactsSchema>;
export type PixelBox = v.InferOutput<typeof Box>;
export type PixelSize = v.InferOutput<typeof Size>;
