/** A point of a path. */
export interface PathPoint {
  x: number;
  y: number;
}

/** One step of a path, in absolute coordinates; curves are quadratic or cubic Béziers. */
export type Segment =
  | { kind: 'move' | 'line'; to: PathPoint }
  | { kind: 'quadratic'; c: PathPoint; to: PathPoint }
  | { kind: 'cubic'; c1: PathPoint; c2: PathPoint; to: PathPoint }
  | { kind: 'close' };

/** Filled by the nonzero rule. */
export type Path = readonly Segment[];

/** Every point of a path moved by `at`. Exact where `at` is affine. */
export function mapPath(path: Path, at: (point: PathPoint) => PathPoint): Path {
  return path.map((segment) => {
    switch (segment.kind) {
      case 'close':
        return segment;
      case 'move':
      case 'line':
        return { kind: segment.kind, to: at(segment.to) };
      case 'quadratic':
        return { kind: 'quadratic', c: at(segment.c), to: at(segment.to) };
      case 'cubic':
        return { kind: 'cubic', c1: at(segment.c1), c2: at(segment.c2), to: at(segment.to) };
    }
  });
}

/** A path as the `d` of SVG, its numbers to so many decimals. */
export function writePath(path: Path, decimals = 4): string {
  const number = (value: number) => String(Number(value.toFixed(decimals)));
  const point = ({ x, y }: PathPoint) => `${number(x)} ${number(y)}`;
  return path
    .map((segment) => {
      switch (segment.kind) {
        case 'move':
          return `M${point(segment.to)}`;
        case 'line':
          return `L${point(segment.to)}`;
        case 'quadratic':
          return `Q${point(segment.c)} ${point(segment.to)}`;
        case 'cubic':
          return `C${point(segment.c1)} ${point(segment.c2)} ${point(segment.to)}`;
        case 'close':
          return 'Z';
      }
    })
    .join('');
}

/** Closed polygons, each as x, y, x, y, and so on. */
export type Polygons = readonly Float64Array[];

/** A path as polygons that stray from its curves by no more than `tolerance`; open contours are closed. */
export function flattenPath(path: Path, tolerance: number): Polygons {
  const polygons: Float64Array[] = [];
  let points: number[] = [];
  let at: PathPoint = { x: 0, y: 0 };
  let start = at;
  const finish = () => {
    if (points.length >= 6) polygons.push(Float64Array.from(points));
    points = [];
  };
  for (const segment of path) {
    switch (segment.kind) {
      case 'move':
        finish();
        start = segment.to;
        points.push(start.x, start.y);
        break;
      case 'line':
        points.push(segment.to.x, segment.to.y);
        break;
      case 'quadratic':
        curve(points, at, cubicOf(at, segment.c, segment.to), tolerance);
        break;
      case 'cubic':
        curve(points, at, segment, tolerance);
        break;
      case 'close':
        finish();
        at = start;
        points.push(at.x, at.y);
        continue;
    }
    at = segment.to;
  }
  finish();
  return polygons;
}

interface Cubic {
  c1: PathPoint;
  c2: PathPoint;
  to: PathPoint;
}

/** A quadratic curve as the cubic one that it is. */
export function cubicOf(from: PathPoint, c: PathPoint, to: PathPoint): Cubic {
  const third = (end: PathPoint) => ({
    x: end.x + (2 / 3) * (c.x - end.x),
    y: end.y + (2 / 3) * (c.y - end.y),
  });
  return { c1: third(from), c2: third(to), to };
}

/** Even steps along a curve; their number from the bound on a cubic's second derivative (Wang 1984). */
function curve(points: number[], from: PathPoint, { c1, c2, to }: Cubic, tolerance: number): void {
  const bend = Math.max(
    Math.hypot(from.x - 2 * c1.x + c2.x, from.y - 2 * c1.y + c2.y),
    Math.hypot(c1.x - 2 * c2.x + to.x, c1.y - 2 * c2.y + to.y),
  );
  const steps = Math.min(512, Math.max(1, Math.ceil(Math.sqrt((0.75 * bend) / tolerance))));
  for (let i = 1; i <= steps; i++) {
    const t = i / steps;
    const s = 1 - t;
    const [a, b, c, d] = [s * s * s, 3 * s * s * t, 3 * s * t * t, t * t * t];
    points.push(a * from.x + b * c1.x + c * c2.x + d * to.x, a * from.y + b * c1.y + c * c2.y + d * to.y);
  }
}

export interface Bounds {
  left: number;
  top: number;
  right: number;
  bottom: number;
}

/** The upright box round polygons; null round none. */
export function boundsOf(polygons: Polygons): Bounds | null {
  const box = { left: Infinity, top: Infinity, right: -Infinity, bottom: -Infinity };
  for (const points of polygons) {
    for (let i = 0; i < points.length; i += 2) {
      box.left = Math.min(box.left, points[i]!);
      box.right = Math.max(box.right, points[i]!);
      box.top = Math.min(box.top, points[i + 1]!);
      box.bottom = Math.max(box.bottom, points[i + 1]!);
    }
  }
  return box.left <= box.right ? box : null;
}
