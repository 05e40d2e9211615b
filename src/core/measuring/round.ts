import { usualHandle, type RoundBody } from '../blank/bodies/round';
import { slantOf, STRAIGHT } from '../blank/bodies/sector';

/** What a tape reads of a round thing, in mm. Diameters are those at the print's edges. */
export interface RoundReadings {
  top: number;
  bottom: number;
  /** The print's height: along the wall (slant), or upright. */
  slant?: number;
  height?: number;
  handle?: number;
  overlap?: number;
  lip?: number;
  foot?: number;
}

/** A body from what a tape reads: straight where top and bottom are within 0.1 mm, tapered otherwise. */
export function roundBody(readings: RoundReadings): RoundBody {
  const { top, bottom, lip = 0, foot = 0, overlap = 0 } = readings;
  const slant = readings.slant ?? slantOf(top, bottom, readings.height ?? 0);
  const handle = readings.handle ? usualHandle(readings.handle, Math.min(top, bottom), slant) : null;
  if (Math.abs(top - bottom) < STRAIGHT) {
    const diameter = (top + bottom) / 2;
    return { kind: 'wrap', diameter, height: slant + lip + foot, lip, foot, overlap, partial: null, handle };
  }
  return { kind: 'taper', topDiameter: top, bottomDiameter: bottom, slant, lip, foot, overlap, handle };
}
