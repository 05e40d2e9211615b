import * as v from 'valibot';

/** Identifiers are lower-case words joined by hyphens, safe in file names and addresses. */
export const IdSchema = v.pipe(
  v.string(),
  v.regex(/^[a-z0-9][a-z0-9-]{0,79}$/, 'An id is lower-case words joined by hyphens.'),
);

const Positive = v.pipe(v.number(), v.finite(), v.gtValue(0));
const NotNegative = v.pipe(v.number(), v.finite(), v.minValue(0));
const Hex = v.pipe(v.string(), v.regex(/^#[0-9a-f]{6}$/, 'A colour is written #rrggbb.'));
const Version = v.pipe(v.number(), v.integer(), v.minValue(1));

/** Where a number of a spec comes from. What is `assumed` is asked about before it is trusted. */
export const SourceSchema = v.object({
  kind: v.picklist(['house', 'template', 'tape', 'assumed']),
  note: v.optional(v.string()),
  date: v.optional(v.string()),
});
export type Source = v.InferOutput<typeof SourceSchema>;

const Sourced = <T extends v.GenericSchema>(value: T) => v.object({ value, source: SourceSchema });

/** A named part of a face with its own centre. All lengths in mm from the trim's top left corner. */
export const ZoneSchema = v.object({
  id: IdSchema,
  name: v.string(),
  x: v.number(),
  y: v.number(),
  width: Positive,
  height: Positive,
});
export type Zone = v.InferOutput<typeof ZoneSchema>;

/** A part of a face where nothing may sit: a hole, or a cover that will lie on top of the print. */
export const KeepOutSchema = v.object({
  id: IdSchema,
  name: v.string(),
  effect: v.picklist(['hole', 'cover']),
  shape: v.variant('kind', [
    v.object({ kind: v.literal('circle'), x: v.number(), y: v.number(), diameter: Positive }),
    v.object({
      kind: v.literal('rectangle'),
      x: v.number(),
      y: v.number(),
      width: Positive,
      height: Positive,
      cornerRadius: NotNegative,
    }),
  ]),
});
export type KeepOut = v.InferOutput<typeof KeepOutSchema>;

/** A printable surface unrolled flat: a rectangle, its corners rounded (a circle where the radius is half). */
export const FaceSchema = v.object({
  id: IdSchema,
  name: v.string(),
  width: Positive,
  height: Positive,
  cornerRadius: NotNegative,
  zones: v.array(ZoneSchema),
  keepOuts: v.array(KeepOutSchema),
});
export type Face = v.InferOutput<typeof FaceSchema>;

/** A straight-walled body with a wrap: a mug (handle) or a tumbler (none, perhaps an overlap at the seam). */
export const WrapBodySchema = v.object({
  kind: v.literal('wrap'),
  diameter: Positive,
  height: Positive,
  lip: NotNegative,
  foot: NotNegative,
  overlap: NotNegative,
  handle: v.nullable(
    v.object({
      gap: Positive,
      reach: Positive,
      thickness: Positive,
      width: Positive,
      top: NotNegative,
      bottom: NotNegative,
    }),
  ),
});
export type WrapBody = v.InferOutput<typeof WrapBodySchema>;

/** A garment front: the garment's own measurements, and where its print area hangs below the collar. */
export const GarmentBodySchema = v.object({
  kind: v.literal('garment'),
  chest: Positive,
  length: Positive,
  sleeve: Positive,
  collarWidth: Positive,
  collarDrop: NotNegative,
  print: v.object({ width: Positive, height: Positive, belowCollar: NotNegative }),
});
export type GarmentBody = v.InferOutput<typeof GarmentBodySchema>;

/** A sticker cut through to a set shape. */
export const StickerBodySchema = v.object({
  kind: v.literal('sticker'),
  cut: v.picklist(['die', 'kiss']),
  width: Positive,
  height: Positive,
  cornerRadius: NotNegative,
});
export type StickerBody = v.InferOutput<typeof StickerBodySchema>;

export const BodySchema = v.variant('kind', [WrapBodySchema, GarmentBodySchema, StickerBodySchema]);
export type Body = v.InferOutput<typeof BodySchema>;

/** How ink gets onto the product, and what that changes. Limits of a rule are overridden by rule id. */
export const MethodSchema = v.object({
  upfit: v.literal('method/1'),
  id: IdSchema,
  name: v.string(),
  /** `multiply`: inks darken the product and white is left bare; `cover`: white ink lies under. */
  ink: v.picklist(['multiply', 'cover']),
  mirrored: v.boolean(),
  knockout: v.boolean(),
  softPrintsBadly: v.boolean(),
});
export type Method = v.InferOutput<typeof MethodSchema>;

export const COLOUR_MODES = ['rgb', 'cmyk', 'grey', 'lab', 'indexed'] as const;

/** What one house asks of a print: a record of its own, since another house asks otherwise of the same blank. */
export const HouseSpecSchema = v.object({
  upfit: v.literal('spec/1'),
  id: IdSchema,
  version: Version,
  house: v.string(),
  bleed: Sourced(NotNegative),
  safe: Sourced(NotNegative),
  target: Sourced(Positive),
  floor: Sourced(Positive),
  files: v.object({
    formats: Sourced(v.array(v.picklist(['png', 'jpeg', 'tiff', 'pdf']))),
    /** Pixels the house states outright; `null` where it asks for true size at the target PPI. */
    pixels: Sourced(v.nullable(v.object({ width: Positive, height: Positive }))),
    modes: Sourced(v.array(v.picklist(COLOUR_MODES))),
    alpha: Sourced(v.picklist(['kept', 'none'])),
    maxBytes: Sourced(Positive),
  }),
  press: v.nullable(
    v.object({ celsius: Positive, seconds: Positive, pressure: v.picklist(['light', 'medium', 'firm']) }),
  ),
});
export type HouseSpec = v.InferOutput<typeof HouseSpecSchema>;

export const ProductColourSchema = v.object({ id: IdSchema, name: v.string(), hex: Hex });
export type ProductColour = v.InferOutput<typeof ProductColourSchema>;

/** An unprinted product: its body, and the ids of the method and the house spec it is printed by. */
export const BlankSchema = v.object({
  upfit: v.literal('blank/1'),
  id: IdSchema,
  version: Version,
  name: v.string(),
  body: BodySchema,
  methodId: IdSchema,
  specId: IdSchema,
  colours: v.pipe(v.array(ProductColourSchema), v.minLength(1)),
  /** Looks of the product that a colour does not cover (a mug cold and hot). Empty where it has one. */
  states: v.array(v.object({ id: IdSchema, name: v.string(), hex: Hex })),
  /** Graded sizes and the factor their print area takes. Empty where there is one size. */
  sizes: v.array(v.object({ id: IdSchema, name: v.string(), scale: Positive })),
});
export type Blank = v.InferOutput<typeof BlankSchema>;
