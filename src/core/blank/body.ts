import * as v from 'valibot';
import { IdSchema, NameSchema, NotNegative, Positive } from './basics';
import { KeepOutSchema, SheetSchema } from './face';

/** Lengths are millimetres throughout. A new kind of blank is a schema here and a file in `kinds/`. */
const HandleSchema = v.object({
  /** Round the wall, what is kept clear for the handle. */
  gap: Positive,
  reach: Positive,
  thickness: Positive,
  width: Positive,
  top: NotNegative,
  bottom: NotNegative,
});
export type Handle = v.InferOutput<typeof HandleSchema>;

const roundParts = {
  /** Along the wall, above and below the print. */
  lip: NotNegative,
  foot: NotNegative,
  overlap: NotNegative,
  handle: v.nullable(HandleSchema),
  /** What it is closed with, where it is shown closed. */
  closure: v.optional(v.picklist(['lid', 'straw'])),
};

/** A straight-walled body with a wrap: a mug (handle) or a tumbler (none, perhaps an overlap at the seam). */
export const WrapBodySchema = v.object({
  kind: v.literal('wrap'),
  diameter: Positive,
  /** Of the whole thing; lip and foot are the parts of it where nothing prints. */
  height: Positive,
  ...roundParts,
  /** Width of a partial wrap, its middle opposite the handle; null where the print goes all the way. */
  partial: v.nullable(Positive),
});
export type WrapBody = v.InferOutput<typeof WrapBodySchema>;

/** A body whose wall is a piece of a cone, either way up. Diameters are those at the print's two edges. */
export const TaperBodySchema = v.object({
  kind: v.literal('taper'),
  topDiameter: Positive,
  bottomDiameter: Positive,
  /** Along the wall, from the print's top edge to its foot. */
  slant: Positive,
  ...roundParts,
});
export type TaperBody = v.InferOutput<typeof TaperBodySchema>;

export type RoundBody = WrapBody | TaperBody;

/** A flat thing printed on one side, edge to edge. */
export const FlatBodySchema = v.object({
  kind: v.literal('flat'),
  sheet: SheetSchema,
  keepOuts: v.array(KeepOutSchema),
});
export type FlatBody = v.InferOutput<typeof FlatBodySchema>;

/** A print stretched over a frame: its face, and the depth of the edge that it is wrapped round. */
export const GalleryBodySchema = v.object({
  kind: v.literal('gallery'),
  width: Positive,
  height: Positive,
  depth: Positive,
});
export type GalleryBody = v.InferOutput<typeof GalleryBodySchema>;

export const FOLDS = ['half', 'letter', 'accordion', 'gate'] as const;

/** A sheet that is folded: the size it closes to, and how much narrower a panel is that lies inside. */
export const FoldedBodySchema = v.object({
  kind: v.literal('folded'),
  fold: v.picklist(FOLDS),
  width: Positive,
  height: Positive,
  inward: NotNegative,
});
export type FoldedBody = v.InferOutput<typeof FoldedBodySchema>;

/** A thing with a front and a back that carry their own art: a pouch, a card, a tag. */
export const TwoSidedBodySchema = v.object({
  kind: v.literal('two-sided'),
  sides: v.pipe(
    v.array(
      v.object({ id: IdSchema, name: NameSchema, sheet: SheetSchema, keepOuts: v.array(KeepOutSchema) }),
    ),
    v.minLength(1),
  ),
});
export type TwoSidedBody = v.InferOutput<typeof TwoSidedBodySchema>;

export const GARMENT_CUTS = ['shirt', 'hooded', 'cap', 'tote', 'apron'] as const;
export const PRINT_PLACES = ['front', 'back', 'sleeve', 'neck'] as const;

/** A sewn thing: its own measurements, and where each print area hangs below the collar (or the upper edge). */
export const GarmentBodySchema = v.object({
  kind: v.literal('garment'),
  cut: v.picklist(GARMENT_CUTS),
  chest: Positive,
  length: Positive,
  sleeve: NotNegative,
  collarWidth: NotNegative,
  collarDrop: NotNegative,
  prints: v.pipe(
    v.array(
      v.object({
        place: v.picklist(PRINT_PLACES),
        width: Positive,
        height: Positive,
        below: NotNegative,
        /** Pocket, zip and seams, in the print area's own mm. */
        keepOuts: v.array(KeepOutSchema),
      }),
    ),
    v.minLength(1),
  ),
});
export type GarmentBody = v.InferOutput<typeof GarmentBodySchema>;
export type GarmentPrint = GarmentBody['prints'][number];

/** A case for a phone: the back, the depth of its wrapped sides, and the holes for camera and buttons. */
export const CaseBodySchema = v.object({
  kind: v.literal('case'),
  width: Positive,
  height: Positive,
  cornerRadius: NotNegative,
  depth: NotNegative,
  keepOuts: v.array(KeepOutSchema),
});
export type CaseBody = v.InferOutput<typeof CaseBodySchema>;

/** A label round a jar or a bottle: one wrap with panels, or a front and a back label. */
export const LabelBodySchema = v.object({
  kind: v.literal('label'),
  /** Of the jar or bottle where the label sits. */
  diameter: Positive,
  height: Positive,
  overlap: NotNegative,
  panels: v.array(v.object({ name: NameSchema, share: Positive })),
  pair: v.nullable(v.object({ front: Positive, back: Positive, cornerRadius: NotNegative })),
});
export type LabelBody = v.InferOutput<typeof LabelBodySchema>;

/** A plate that is screwed on: its drill holes and the knobs that will cover it are keep-outs. */
export const PlateBodySchema = v.object({
  kind: v.literal('plate'),
  sheet: SheetSchema,
  keepOuts: v.array(KeepOutSchema),
});
export type PlateBody = v.InferOutput<typeof PlateBodySchema>;

/** A sticker cut through (die) or down to its backing (kiss), or a sheet of several. */
export const StickerBodySchema = v.object({
  kind: v.literal('sticker'),
  cut: v.picklist(['die', 'kiss']),
  sheet: SheetSchema,
  /** Several on one sheet: how many across and down, and the gap between them. */
  several: v.nullable(
    v.object({
      across: v.pipe(v.number(), v.integer(), v.minValue(1)),
      down: v.pipe(v.number(), v.integer(), v.minValue(1)),
      gap: NotNegative,
    }),
  ),
  /** Cut to the shape of what lies on it; the longest sides, in mm, that the house makes such stickers in. */
  toShape: v.optional(v.object({ offered: v.array(Positive) })),
});
export type StickerBody = v.InferOutput<typeof StickerBodySchema>;

export const BodySchema = v.variant('kind', [
  WrapBodySchema,
  TaperBodySchema,
  FlatBodySchema,
  GalleryBodySchema,
  FoldedBodySchema,
  TwoSidedBodySchema,
  GarmentBodySchema,
  CaseBodySchema,
  LabelBodySchema,
  PlateBodySchema,
  StickerBodySchema,
]);
export type Body = v.InferOutput<typeof BodySchema>;
export type Kind = Body['kind'];

/** What a seller calls each kind. */
export const KIND_NAMES: Record<Kind, string> = {
  wrap: 'Straight wrap',
  taper: 'Tapered wrap',
  flat: 'Flat',
  gallery: 'Gallery wrap',
  folded: 'Folded',
  'two-sided': 'Two-sided',
  garment: 'Garment',
  case: 'Phone case',
  label: 'Label',
  plate: 'Hardware plate',
  sticker: 'Sticker',
};
