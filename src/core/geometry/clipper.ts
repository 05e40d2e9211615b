import { Clipper, FillRule, type PathD, type PathsD } from 'clipper2-ts';
import { flattenPath, type Path, type Segment } from './path';

/** A path as the polygons that cover what it fills, for sums of areas: `tolerance` in its units, corners to so many decimals. */
export function areaOfPath(path: Path, tolerance: number, decimals: number): PathsD {
  const polygons = flattenPath(path, tolerance).map((points) =>
    Array.from({ length: points.length / 2 }, (_, i) => ({ x: points[2 * i]!, y: points[2 * i + 1]! })),
  );
  return Clipper.unionD(polygons, [], FillRule.NonZero, decimals);
}

/** Polygons as a path. */
export function pathOfAreas(polygons: PathsD): Path {
  return polygons.flatMap(closedPath);
}

/** Points as a path that comes back to the first of them. */
export function closedPath(points: PathD): Path {
  return [
    ...points.map(({ x, y }, i): Segment => ({ kind: i === 0 ? 'move' : 'line', to: { x, y } })),
    { kind: 'close' },
  ];
}
