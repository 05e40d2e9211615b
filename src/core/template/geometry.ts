import type { Body } from '../blank/kinds';
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
  if (body.kind === 'wrap') {
    return {
      width: wrapWidth(body),
      height: printableHeight(body),
      circumference: circumference(body),
      zones: viewCentres(body),
      ...common,
    };
  }
  const bend = body.kind === 'taper' ? bendOf(body) : null;
  if (body.kind === 'taper' && bend) {
    const { top, bottom } = diametersOf(body);
    const wall = frustumSector(top, bottom, body.slant);
    const bled = sectorBox(bend, face.bleed);
    const mid = middleRadius(bend);
    return {
      outerRadius: wall.outerRadius,
      innerRadius: wall.innerRadius,
      sweep: degrees(wall.sweep),
      printSweep: degrees(bend.sweep),
      slant: body.slant,
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
