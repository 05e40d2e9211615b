import * as v from 'valibot';
import { CUT_INK } from '../blank/schema';
import { Distance, Length, list, Place } from '../bounds';

/** mm of a sheet's shorter side at least, and of what the margins leave of it. */
export const LEAST_SIDE = 40;
export const LEAST_ROOM = 20;
/** mm between prints, of a margin and of an overlap at most. */
const Gap = v.pipe(Distance, v.maxValue(500));
const Side = v.pipe(Length, v.minValue(LEAST_SIDE));

/** So many copies of one print: a face of a fit, with its bleed. */
export const SheetItemSchema = v.object({
  fitId: v.string(),
  faceId: v.string(),
  copies: v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(2000)),
});
export type SheetItem = v.InferOutput<typeof SheetItemSchema>;

/** Where one copy lies: the top left of its print box (trim and bleed), in mm from the sheet's top left. */
export const SpotSchema = v.object({
  fitId: v.string(),
  faceId: v.string(),
  sheet: v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(500)),
  x: Place,
  y: Place,
  /** Turned a quarter clockwise. */
  turned: v.boolean(),
});
export type Spot = v.InferOutput<typeof SpotSchema>;

export const SheetSchema = v.object({
  upfit: v.literal('sheet/1'),
  id: v.string(),
  name: v.string(),
  paper: v.object({ name: v.string(), width: Side, height: v.nullable(Side) }),
  margin: Gap,
  gap: Gap,
  /** Whether prints may be turned a quarter to lie closer. */
  turning: v.boolean(),
  /** The whole sheet flipped left to right, for a transfer. */
  mirrored: v.boolean(),
  crops: v.boolean(),
  ruler: v.boolean(),
  labels: v.boolean(),
  /** mm that the parts of a print too large for any sheet lie over one another. */
  overlap: Gap,
  /** Whether cut lines of what is cut to shape are drawn, and what their ink is called. */
  cutLines: v.optional(v.boolean(), true),
  spot: v.optional(v.pipe(v.string(), v.regex(/^[\w -]{1,40}$/)), CUT_INK),
  /** Cost of a sheet, or of a metre of a roll; null where it is not known. */
  price: v.nullable(Distance),
  items: list(SheetItemSchema, 2000),
  /** Where every copy lies, where they were placed by hand; null where they are packed. */
  placed: v.nullable(list(SpotSchema, 20000)),
});
export type Sheet = v.InferOutput<typeof SheetSchema>;

export function newSheet(id: string, name: string): Sheet {
  return {
    upfit: 'sheet/1',
    id,
    name,
    paper: { name: 'A3', width: 297, height: 420 },
    margin: 10,
    gap: 5,
    turning: true,
    mirrored: false,
    crops: true,
    ruler: true,
    labels: true,
    overlap: 10,
    cutLines: true,
    spot: CUT_INK,
    price: null,
    items: [],
    placed: null,
  };
}
