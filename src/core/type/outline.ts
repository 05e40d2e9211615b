import { Clipper, EndType, JoinType } from 'clipper2-ts';
import { areaOfPath, pathOfAreas } from '../geometry/clipper';
import type { Path } from '../geometry/path';

/** Decimals in mm that grown outlines are reckoned to. */
export const PRECISION = 4;

/** A path grown outwards by so many mm, or inwards below zero, its corners rounded, as lines that stray by `tolerance` at most. */
export function grownPath(path: Path, width: number, tolerance: number): Path {
  const whole = areaOfPath(path, tolerance, PRECISION);
  return pathOfAreas(
    Clipper.inflatePathsD(whole, width, JoinType.Round, EndType.Polygon, 2, PRECISION, tolerance),
  );
}
