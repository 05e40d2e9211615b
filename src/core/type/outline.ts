import { areaOfPath, grown, pathOfArea } from '../geometry/areas';
import type { Path } from '../geometry/path';

/** Decimals in mm that grown outlines are reckoned to. */
export const PRECISION = 4;

/** A path grown outwards by so many mm, or inwards below zero, its corners rounded, as lines that stray by `tolerance` at most. */
export function grownPath(path: Path, width: number, tolerance: number): Path {
  const whole = areaOfPath(path, tolerance, PRECISION);
  return pathOfArea(grown(whole, width, { arc: tolerance, decimals: PRECISION }));
}
