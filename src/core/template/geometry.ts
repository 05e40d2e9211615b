import { aspectsOf, type Body } from '../blank/kinds';
import {
  bendOf,
  circumference,
  diametersOf,
  printableHeight,
  viewCentres,
  wrapWidth,
} from '../blank/bodies/round';
import { frustumSector, middleRadius, sectorBox } from '../blank/bodies/sector';
import { trimSize, type PrintFace } from '../blank/resolve';

const degrees = (radians: number) => (radians * 180) / Math.PI;

/** The geometry of one face in plain numbers: mm, and degrees for a sweep. */
export function templateGeometry(body: Body, face: PrintFace): Record<string, unknown> {
  const common = { bleed: face.bleed, safe: face.safe };
  const { wall } = aspectsOf(body);
  const bend = wall && bendOf(wall);
  // Diameters that hardly differ are those of a straight wrap, whatever it was measured as.
  if (wall && !bend) {
    return {
      width: wrapWidth(wall),
      height: printableHeight(wall),
      circumference: circumference(wall),
      zones: viewCentres(wall),
      ...common,
    };
  }
  if (wall && bend) {
    const { top, bottom } = diametersOf(wall);
    const slant = printableHeight(wall);
    const sector = frustumSector(top, bottom, slant);
    const bled = sectorBox(bend, face.bleed);
    const mid = middleRadius(bend);
    return {
      outerRadius: sector.outerRadius,
      innerRadius: sector.innerRadius,
      sweep: degrees(sector.sweep),
      printSweep: degrees(bend.sweep),
      slant,
      box: trimSize(face),
      bleedBox: { width: bled.width, height: bled.height },
      rectangle: { width: face.width, height: face.height },
      stretch: { wide: bend.outerRadius / mid - 1, narrow: bend.innerRadius / mid - 1 },
      ...common,
    };
  }
  return {
    width: face.width,
    height: face.height,
    cornerRadius: face.cornerRadius,
    ...common,
    zones: face.zones,
    folds: face.folds,
    keepOuts: face.keepOuts,
  };
}
