import { flattenPath, type Path } from '../geometry/path';
import { fromRings, type Shape } from './polygons';
import type { Ring } from './trace';

/** How near to its curves a cut line is taken as corners, in mm. */
export const FINE = 0.02;

/** A path in mm as the shape it goes round. */
export function shapeOfPath(path: Path): Shape {
  return fromRings(ringsOf(path, FINE));
}

/** A path as rings of corners that stray from its curves by no more than `tolerance`. */
export function ringsOf(path: Path, tolerance: number): Ring[] {
  return flattenPath(path, tolerance).map((points) =>
    Array.from({ length: points.length / 2 }, (_, i): [number, number] => [
      points[2 * i]!,
      points[2 * i + 1]!,
    ]),
  );
}
