import { planOf } from '../../fit/schema';
import type { PlatePlan } from '../../fit/plates';
import type { Plate } from '../../plates/make';
import { partPrint, type Parted } from '../../plates/part';
import { withoutInks } from '../../plates/wear-inks';
import { readStrokes, type ThinPlaces } from '../../raster/strokes';
import { renderFace } from '../../render/face';
import type { Extent } from '../../fit/geometry';
import type { PixelBox } from '../../artwork/facts';
import type { CheckContext } from '../context';

/** Pixels along the longer side that plates are measured on: edges want many, tones are the same on few. */
const ACROSS = { flat: 3000, tones: 1200 };

/** A face's plates as they are measured. */
export interface MeasuredPlates extends Parted {
  plan: PlatePlan;
  /** mm to a pixel. */
  mm: number;
  /** Where a box of pixels lies, in mm from the trim's top left. */
  placeOf: (box: PixelBox) => Extent;
}

const measured = new WeakMap<CheckContext, MeasuredPlates | null>();

/** The plates of the face in the product's own colour; null where it is not printed in few inks, or nothing lies on it. */
export function platesOf(context: CheckContext): MeasuredPlates | null {
  let found = measured.get(context);
  if (found === undefined) measured.set(context, (found = measure(context)));
  return found;
}

function measure(context: CheckContext): MeasuredPlates | null {
  const { blank, face, fit, pieces, facts, pixels, grid, progress } = context;
  const plan = planOf(fit, face.id);
  if (!plan || face.bend) return null;
  const factor = Math.max(
    1,
    Math.max(grid.width, grid.height) / ACROSS[plan.tones === 'flat' ? 'flat' : 'tones'],
  );
  const size = { width: Math.ceil(grid.width / factor), height: Math.ceil(grid.height / factor) };
  const print = renderFace(face, withoutInks(pieces), { facts, pixels }, { pixels: size, progress });
  const { colours } = blank.blank;
  const product = (colours.find(({ id }) => id === fit.colourId) ?? colours[0]!).hex;
  const parted = partPrint(print, { plan, blank, face, product, reduced: true }, progress);
  if (!parted) return null;
  const mm = (face.width + 2 * face.bleed) / size.width;
  const { crop } = parted;
  return {
    ...parted,
    plan,
    mm,
    placeOf: ({ x, y, width, height }) => ({
      left: (crop.x + x) * mm - face.bleed,
      top: (crop.y + y) * mm - face.bleed,
      right: (crop.x + x + width) * mm - face.bleed,
      bottom: (crop.y + y + height) * mm - face.bleed,
    }),
  };
}

/** Pixels that a flat plate's stroke may be read too thin: it has whole pixels only. */
const WHOLE = 1;

/** Strokes of a flat plate that are thinner than so many mm, in its pixels; gaps are seen where inks are, and not on one plate. */
export function plateStrokes({ crop, mm }: MeasuredPlates, { plane }: Plate, limit: number): ThinPlaces {
  const data = new Uint8Array(plane.length * 4);
  const words = new Uint32Array(data.buffer);
  for (let i = 0; i < plane.length; i++) words[i] = plane[i]! > 0 ? 0xff000000 : 0;
  const { width, height } = crop.raster;
  return readStrokes({ width, height, data, opaque: false }, Math.max(1, limit / mm - WHOLE)).strokes;
}
