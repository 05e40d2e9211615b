import * as v from 'valibot';
import { list } from '../bounds';
import { COLOUR_MODES } from '../formats/header';
import { FORMAT_IDS } from '../formats/registry';

const Size = v.object({ width: v.number(), height: v.number() });
const Box = v.object({ x: v.number(), y: v.number(), width: v.number(), height: v.number() });
const Corners = v.tuple([v.number(), v.number(), v.number(), v.number()]);

/** A page's boxes by their corners, in mm from its media box's lower left corner. */
export const PageSchema = v.object({
  media: Corners,
  crop: Corners,
  bleed: Corners,
  trim: Corners,
  art: Corners,
});
export type Page = v.InferOutput<typeof PageSchema>;

/** Something left in a picture that nobody meant to print, its place in pixels. */
export const FlawSchema = v.object({
  kind: v.picklist(['line', 'speck', 'pinhole', 'gap']),
  box: Box,
  pixels: v.number(),
  /** False where it may be meant. */
  certain: v.boolean(),
  /** Of a line that runs along the picture: what a guide is told from a rule or a frame by. */
  line: v.optional(
    v.object({
      colour: v.picklist(['guide', 'plain']),
      reaches: v.boolean(),
      alone: v.number(),
      parallel: v.number(),
      /** From x and y to x and y; along its box where an older measurement says nothing. */
      ends: v.optional(v.tuple([v.number(), v.number(), v.number(), v.number()])),
    }),
  ),
});
export type Flaw = v.InferOutput<typeof FlawSchema>;

/** The scale at which a picture holds all its detail, and whether a second sign says so too. */
const Detail = v.object({ scale: v.number(), sure: v.optional(v.boolean(), true) });

/** A picture inside a drawing or a page, and its PPI at the size it has there. */
export const PlacedImageSchema = v.object({
  pixels: Size,
  ppi: v.object({ x: v.number(), y: v.number() }),
  /** Null where there is no detail to judge; absent where its pixels were not read. */
  detail: v.optional(v.nullable(Detail)),
});
export type PlacedImage = v.InferOutput<typeof PlacedImageSchema>;

/**
 * What was measured in a file. Pixels are as displayed (orientation applied), lengths mm, densities PPI.
 * Stored beside the file and printed by the command line's `inspect`.
 */
export const FactsSchema = v.object({
  name: v.string(),
  bytes: v.number(),
  sha256: v.string(),
  format: v.picklist(FORMAT_IDS),
  pixels: v.nullable(Size),
  physical: v.nullable(Size),
  density: v.nullable(v.object({ x: v.number(), y: v.number(), source: v.picklist(['file']) })),
  colour: v.object({ mode: v.picklist(COLOUR_MODES), bits: v.number(), profile: v.nullable(v.string()) }),
  /** `share`: how much of the picture's area has alpha > 8; bounds in pixels, specks left out. */
  alpha: v.object({ present: v.boolean(), opaqueBounds: Box, softShare: v.number(), share: v.number() }),
  orientation: v.number(),
  /** Null where there is no detail to judge. */
  detail: v.optional(v.nullable(Detail), null),
  /** Of a picture that came in inks: the most that all but a thousandth of it has, in percent of solid. */
  totalInk: v.optional(v.number()),
  /** Inks that flat artwork needs; null where it is a photograph. */
  inks: v.nullable(v.number()),
  /** Its colours, the commonest first: the inks of flat artwork, or eight that sum a photograph up. */
  palette: v.optional(list(v.object({ hex: v.string(), share: v.number() })), []),
  /** The one colour that runs all round the picture's edge and could be cleared. */
  background: v.optional(v.nullable(v.object({ hex: v.string() })), null),
  flaws: v.optional(list(FlawSchema, 100_000), []),
  /** The page that was measured, from 0, of a file that has so many. */
  page: v.optional(v.number(), 0),
  pageCount: v.optional(v.number(), 1),
  /** A PDF's pages with their boxes. */
  pages: v.optional(list(PageSchema)),
  /** Pictures inside a drawing or a page. */
  images: v.optional(list(PlacedImageSchema, 100_000)),
  /** Pixels that a drawing was measured at: bounds and flaws are counted in these. */
  grid: v.optional(v.nullable(Size), null),
  notes: list(v.object({ code: v.string(), message: v.string() })),
});
export type Facts = v.InferOutput<typeof FactsSchema>;
export type PixelBox = v.InferOutput<typeof Box>;
export type PixelSize = v.InferOutput<typeof Size>;

/** The pixels that bounds and flaws are counted in: the picture's own, or those a drawing was measured at. */
export function gridOf({ pixels, grid }: Pick<Facts, 'pixels' | 'grid'>): PixelSize {
  return pixels ?? grid ?? { width: 1, height: 1 };
}
