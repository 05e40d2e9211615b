import * as v from 'valibot';
import { list } from '../bounds';
import { BlankSchema, HouseSpecSchema, MethodSchema } from '../blank/schema';
import { VERDICTS } from '../check/finding';
import { PackedLineSchema } from './lines';
import { PRINT_FORMATS } from '../formats/registry';

/** A file of a pack or an archive, by its path within it. */
export const FileRecordSchema = v.object({
  path: v.string(),
  bytes: v.pipe(v.number(), v.integer(), v.minValue(0)),
  sha256: v.pipe(v.string(), v.regex(/^[0-9a-f]{64}$/)),
});
export type FileRecord = v.InferOutput<typeof FileRecordSchema>;

/** What a print file of a pack shows, and what it is meant to be, for whoever opens it. */
export const PrintRecordSchema = v.object({
  path: v.string(),
  faceId: v.string(),
  format: v.picklist(PRINT_FORMATS),
  mode: v.picklist(['rgb', 'cmyk']),
  ppi: v.number(),
  pixels: v.object({ width: v.number(), height: v.number() }),
  alpha: v.boolean(),
  mirrored: v.boolean(),
  /** Graded sizes that it is for, by name; nothing where the product has one size. */
  sizes: v.optional(v.array(v.string())),
  /** mm across and down of what is cut to shape. */
  cut: v.optional(v.object({ width: v.number(), height: v.number() })),
});
export type PrintRecord = v.InferOutput<typeof PrintRecordSchema>;

/** The plates of a face on a product of one colour, in the order in which they are printed. */
export const PlateRecordSchema = v.object({
  faceId: v.string(),
  colour: v.string(),
  /** Sizes that they are for, by name; none where all sizes have the same print. */
  sizes: v.array(v.string()),
  ppi: v.number(),
  pixels: v.object({ width: v.number(), height: v.number() }),
  /** One PDF of all of them, each a separation. */
  separations: v.string(),
  /** `area` in cm² of solid ink. */
  inks: list(v.object({ path: v.string(), ink: v.string(), hex: v.string(), area: v.number() })),
});
export type PlateRecord = v.InferOutput<typeof PlateRecordSchema>;

/** A fit in a pack, and where its files lie. */
export const PackedFitSchema = v.object({
  fitId: v.string(),
  design: v.string(),
  blankId: v.string(),
  blank: v.string(),
  house: v.string(),
  specId: v.string(),
  colour: v.string(),
  size: v.nullable(v.string()),
  /** What is ordered of it, line by line. */
  lines: v.optional(list(PackedLineSchema)),
  /** Which of several fits of a design it is, and the product colours it is for; null where for all. */
  version: v.optional(v.object({ name: v.string(), colours: v.nullable(v.array(v.string())) })),
  verdict: v.picklist(VERDICTS),
  /** The blank itself, where the house does not know it: one that was measured, or corrected. */
  measured: v.optional(BlankSchema),
  /** The house's record and its method's, where the seller wrote them. */
  spec: v.optional(HouseSpecSchema),
  method: v.optional(MethodSchema),
  /** Why it is handed over although something in it is a Fix. */
  reason: v.nullable(v.string()),
  /** Who turns the print over for a transfer. */
  mirroring: v.nullable(v.picklist(['file', 'driver', 'house'])),
  prints: list(PrintRecordSchema),
  /** Of faces that are printed in few inks. */
  plates: v.optional(list(PlateRecordSchema)),
});
export type PackedFit = v.InferOutput<typeof PackedFitSchema>;

/** A sheet in a pack, a picture of each of its pages. */
export const PackedSheetSchema = v.object({
  path: v.string(),
  name: v.string(),
  /** Whether it is pressed onto the product, so that it must be mirrored once. */
  transfer: v.boolean(),
  mirrored: v.boolean(),
});
export type PackedSheet = v.InferOutput<typeof PackedSheetSchema>;

/** What a pack holds: `manifest.json` in it. */
export const ManifestSchema = v.object({
  upfit: v.literal('pack/1'),
  id: v.string(),
  name: v.string(),
  shop: v.string(),
  /** ISO date and time. */
  made: v.string(),
  notes: v.string(),
  fits: list(PackedFitSchema),
  sheets: v.optional(list(PackedSheetSchema), []),
  /** Every other file of the pack. */
  files: list(FileRecordSchema),
});
export type Manifest = v.InferOutput<typeof ManifestSchema>;
