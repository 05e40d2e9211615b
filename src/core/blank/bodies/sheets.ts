import * as v from 'valibot';
import { IdSchema, NameSchema } from '../basics';
import { NotNegative, Positive, list } from '../../bounds';

import { KeepOutSchema, panelZones, plainFace, rectangle, SheetSchema, type Face, type Panel } from '../face';

/** A flat thing printed on one side, edge to edge. */
export const FlatBodySchema = v.object({
  kind: v.literal('flat'),
  sheet: SheetSchema,
  keepOuts: list(KeepOutSchema, 200),
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

/** A thing with a front and a back that carry their own art: a pouch, a card, a tag. */
export const TwoSidedBodySchema = v.object({
  kind: v.literal('two-sided'),
  sides: v.pipe(
    list(
      v.object({ id: IdSchema, name: NameSchema, sheet: SheetSchema, keepOuts: list(KeepOutSchema, 200) }),
    ),
    v.minLength(1),
  ),
});
export type TwoSidedBody = v.InferOutput<typeof TwoSidedBodySchema>;

/** A case for a phone: the back, the depth of its wrapped sides, and the holes for camera and buttons. */
export const CaseBodySchema = v.object({
  kind: v.literal('case'),
  width: Positive,
  height: Positive,
  cornerRadius: NotNegative,
  depth: NotNegative,
  keepOuts: list(KeepOutSchema, 200),
});
export type CaseBody = v.InferOutput<typeof CaseBodySchema>;

/** A label round a jar or a bottle: one wrap with panels, or a front and a back label. */
export const LabelBodySchema = v.object({
  kind: v.literal('label'),
  /** Of the jar or bottle where the label sits. */
  diameter: Positive,
  height: Positive,
  overlap: NotNegative,
  panels: list(v.object({ name: NameSchema, share: Positive })),
  pair: v.nullable(v.object({ front: Positive, back: Positive, cornerRadius: NotNegative })),
});
export type LabelBody = v.InferOutput<typeof LabelBodySchema>;

/** A plate that is screwed on: its drill holes and the knobs that will cover it are keep-outs. */
export const PlateBodySchema = v.object({
  kind: v.literal('plate'),
  sheet: SheetSchema,
  keepOuts: list(KeepOutSchema, 200),
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
  toShape: v.optional(v.object({ offered: list(Positive) })),
});
export type StickerBody = v.InferOutput<typeof StickerBodySchema>;

/** A flat thing, or a plate: one face, edge to edge. */
export function flatFaces({ sheet, keepOuts }: FlatBody | PlateBody): Face[] {
  return [plainFace('front', 'Front', sheet, keepOuts)];
}

/** A stretched print: its trim is what is seen from the front, and the print goes on round the frame's edge. */
export function galleryFaces({ width, height, depth }: GalleryBody): Face[] {
  return [{ ...plainFace('front', 'Front', rectangle(width, height)), edge: depth }];
}

/** Each side with its own art. */
export function twoSidedFaces({ sides }: TwoSidedBody): Face[] {
  return sides.map(({ id, name, sheet, keepOuts }) => plainFace(id, name, sheet, keepOuts));
}

/** The back of a case; its wrapped sides go on past the trim. */
export function caseFaces({ width, height, cornerRadius, depth, keepOuts }: CaseBody): Face[] {
  return [{ ...plainFace('back', 'Back', rectangle(width, height, cornerRadius), keepOuts), edge: depth }];
}

/** One wrap round the container with its panels, or a front and a back label. */
export function labelFaces(body: LabelBody): Face[] {
  const { height, overlap, pair } = body;
  if (pair) {
    return [
      plainFace('front', 'Front', rectangle(pair.front, height, pair.cornerRadius)),
      plainFace('back', 'Back', rectangle(pair.back, height, pair.cornerRadius)),
    ];
  }
  const round = Math.PI * body.diameter;
  const face = plainFace('wrap', 'Wrap', rectangle(round + overlap, height));
  const panels = labelPanels(body);
  return [{ ...face, overlap, zones: panels.length > 0 ? panelZones(panels, height) : face.zones }];
}

/** The wrap's panels in mm: their shares of the way round. */
function labelPanels({ diameter, panels }: LabelBody): Panel[] {
  const whole = panels.reduce((sum, { share }) => sum + share, 0);
  return panels.map(({ name, share }) => ({ name, width: (Math.PI * diameter * share) / whole }));
}

/** A sticker's cut shape; a sheet of several is one face whose zones are the stickers. */
export function stickerFaces({ sheet, several }: StickerBody): Face[] {
  if (!several) return [plainFace('sticker', 'Sticker', sheet)];
  const { across, down, gap } = several;
  const stepX = sheet.width + gap;
  const stepY = sheet.height + gap;
  const whole = rectangle(across * stepX + gap, down * stepY + gap);
  const zones = Array.from({ length: across * down }, (_, index) => ({
    id: `sticker-${index + 1}`,
    name: `sticker ${index + 1}`,
    x: gap + (index % across) * stepX + sheet.width / 2,
    y: gap + Math.floor(index / across) * stepY + sheet.height / 2,
    width: sheet.width,
    height: sheet.height,
  }));
  const cuts = zones.map(({ x, y, width, height }) => ({ x: x - width / 2, y: y - height / 2, sheet }));
  return [{ ...plainFace('sheet', 'Sheet', whole), zones, cuts }];
}
