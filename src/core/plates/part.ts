import { printSize, type PrintFace, type ResolvedBlank } from '../blank/resolve';
import type { PlatePlan } from '../fit/plates';
import { MM_PER_INCH } from '../length/units';
import { IN_SILENCE, type Progress, type Raster } from '../raster/raster';
import { cropped, type Crop } from './crop';
import { plateFindings, type PlateFinding } from './findings';
import { differenceOf } from './laid';
import { makePlates, type Plate, type PlatesAsked } from './make';
import { askedBy } from './plan';

/** A face's print, and what it is parted by. */
export interface PartAsked {
  plan: PlatePlan;
  blank: ResolvedBlank;
  face: PrintFace;
  /** `#rrggbb` of the product. */
  product: string;
  /** Of a copy at another density than the plan's: tones stay shares of area, as their dots may be finer than its pixels. */
  reduced?: boolean;
  /** Where the print is a window of the face, at the plates' density: its top left in mm from the face's own. */
  window?: { x: number; y: number };
}

/** A print in plates: they are of the part of it that is seen, and `crop` says where that lies. */
export interface Parted {
  crop: Crop;
  asked: PlatesAsked;
  plates: Plate[];
  difference: { mean: number; worst: number };
  findings: PlateFinding[];
}

/** Parts the print of a face, trim plus bleed, into plates; null where nothing is seen of it. */
export function partPrint(
  print: Raster,
  { plan, blank, face, product, reduced = false, window = { x: 0, y: 0 } }: PartAsked,
  progress: Progress = IN_SILENCE,
): Parted | null {
  // The print's own density is that of the plates, to the pixel; of a reduced copy it is what its pixels come to.
  const ppi = reduced ? (print.width / printSize(face).width) * MM_PER_INCH : plan.ppi;
  const perMm = ppi / MM_PER_INCH;
  const crop = cropped(print, Math.ceil((plan.trap + 1) * perMm));
  if (!crop) return null;
  const asked = askedBy(plan, blank, product, {
    ppi,
    toPixel: (x, y) => ({
      x: Math.floor((x - window.x) * perMm) - crop.x,
      y: Math.floor((y - window.y) * perMm) - crop.y,
    }),
  });
  const made = reduced ? { ...asked, tones: asked.tones && { screens: null } } : asked;
  const plates = makePlates(crop.raster, made, progress);
  const difference = differenceOf(crop.raster, plates, made);
  const screened = reduced ? withScreens(plates, asked) : plates;
  // What a screen can hold hangs on the density that the plates are made at, and not on that of a reduced copy.
  const findings = plateFindings(screened, asked, crop.raster, {
    blank,
    difference,
    ppi: plan.ppi,
  });
  return { crop, asked, plates: screened, difference, findings };
}

/** Plates of shares with the screens that they will have. */
function withScreens(plates: readonly Plate[], { inks, tones }: PlatesAsked): Plate[] {
  return plates.map((plate) => {
    const i = inks.findIndex(({ name }) => name === plate.name);
    return plate.base ? plate : { ...plate, screen: tones?.screens?.[i] ?? null };
  });
}
