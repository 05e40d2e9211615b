import { Clipper, EndType, FillRule, JoinType } from 'clipper2-ts';
import { flattenPath, type Path, type Segment } from '../geometry/path';

/** Decimals in mm that grown outlines are reckoned to. */
const PRECISION = 4;

/** A path grown outwards by so many mm, its corners rounded, as straight lines that stray by `tolerance` at most. */
export function grownPath(path: Path, width: number, tolerance: number): Path {
  const polygons = flattenPath(path, tolerance).map((points) =>
    Array.from({ length: points.length / 2 }, (_, i) => ({ x: points[2 * i]!, y: points[2 * i + 1]! })),
  );
  const whole = Clipper.unionD(polygons, [], FillRule.NonZero, PRECISION);
  return Clipper.inflatePathsD(
    whole,
    width,
    JoinType.Round,
    EndType.Polygon,
    2,
    PRECISION,
    tolerance,
  ).flatMap((points): Segment[] => [
    ...points.map((to, index): Segment => ({ kind: index === 0 ? 'move' : 'line', to })),
    { kind: 'close' },
  ]);
}
