import type { ResolvedBlank } from '../blank/resolve';
import { MOST_PLATE_INKS, type PlatePlan } from '../fit/plates';
import { IN_SILENCE, type Progress, type Raster } from '../raster/raster';
import { ALL_AS_THEY_ARE, differenceOf, seenOn } from './laid';
import { makePlates } from './make';
import { askedBy, firstPlan, withCount } from './plan';

/** A print in so many inks: what it would look like, and what it loses. */
export interface Proposal {
  plan: PlatePlan;
  picture: Raster;
  /** dE00 from the print. */
  mean: number;
  worst: number;
  /** mm² of ink, without a base. */
  area: number;
  /** With the base. */
  screens: number;
}

/** A print in one ink, in two, and so on as far as it has colours; `so` is what is planned of it already. */
export function proposals(
  print: Raster,
  ppi: number,
  { blank, product, so }: { blank: ResolvedBlank; product: string; so: PlatePlan | null },
  progress: Progress = IN_SILENCE,
): Proposal[] {
  const out: Proposal[] = [];
  for (let count = 1; count <= MOST_PLATE_INKS; count++) {
    const chosen = so ? withCount(so, print, count, product) : firstPlan(print, count, product);
    const last = out.at(-1)?.plan.inks.length ?? 0;
    if (!chosen || chosen.inks.length <= last) break;
    const plan: PlatePlan = { ...chosen, tones: chosen.tones === 'halftone' ? 'grey' : chosen.tones };
    const asked = askedBy({ ...plan, regions: [] }, blank, product, { ppi, toPixel: () => ({ x: 0, y: 0 }) });
    const plates = makePlates(print, { ...asked, trap: 0, stroke: 0 });
    const { mean, worst } = differenceOf(print, plates, asked);
    const { picture } = seenOn(plates, asked, print, ALL_AS_THEY_ARE);
    const area = plates.reduce((sum, plate) => sum + (plate.base ? 0 : plate.area), 0);
    out.push({ plan: chosen, picture, mean, worst, area, screens: plates.length });
    progress(count / MOST_PLATE_INKS);
  }
  return out;
}
