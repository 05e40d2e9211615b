import type { Ring } from './trace';
import { united, type Shape } from './polygons';

/** How near two outlines come: the two points, and mm between them. */
export interface Nearest {
  mm: number;
  from: [number, number];
  to: [number, number];
}

/** The points at which two rings come nearest, of the corners of each against the edges of the other. */
export function nearestBetween(a: Ring, b: Ring): Nearest {
  const one = nearestTo(a, b);
  const other = nearestTo(b, a);
  return one.mm <= other.mm ? one : { mm: other.mm, from: other.to, to: other.from };
}

/** Joins every part to the nearest of those joined already, the largest first, by strips of a width in mm. */
export function bridged(shape: Shape, width: number): Shape {
  let joined = shape;
  // Every strip joins one part at least; rounding may leave what it touches apart for one more go.
  for (let left = shape.outers.length; joined.outers.length > 1 && left > 0; left--) {
    const [largest, ...others] = joined.outers;
    const near = others
      .map((ring) => nearestBetween(largest!, ring))
      .reduce((best, one) => (one.mm < best.mm ? one : best));
    joined = united(joined, { outers: [strip(near, width)], holes: [] });
  }
  return joined;
}

/** A strip along the way between two points, reaching half its width into what lies at both ends. */
function strip({ from, to, mm }: Nearest, width: number): Ring {
  const [ux, uy] = mm === 0 ? [1, 0] : [(to[0] - from[0]) / mm, (to[1] - from[1]) / mm];
  const half = width / 2;
  const at = (x: number, y: number, along: number, aside: number): [number, number] => [
    x + ux * along - uy * aside,
    y + uy * along + ux * aside,
  ];
  return [at(...from, -half, -half), at(...to, half, -half), at(...to, half, half), at(...from, -half, half)];
}

function nearestTo(points: Ring, edges: Ring): Nearest {
  let best: Nearest = { mm: Infinity, from: [0, 0], to: [0, 0] };
  for (const [x, y] of points) {
    for (let i = 0, j = edges.length - 1; i < edges.length; j = i++) {
      const [ax, ay] = edges[j]!;
      const [dx, dy] = [edges[i]![0] - ax, edges[i]![1] - ay];
      const square = dx * dx + dy * dy;
      const t = square === 0 ? 0 : Math.min(1, Math.max(0, ((x - ax) * dx + (y - ay) * dy) / square));
      const [px, py] = [ax + t * dx, ay + t * dy];
      const mm = Math.hypot(x - px, y - py);
      if (mm < best.mm) best = { mm, from: [x, y], to: [px, py] };
    }
  }
  return best;
}
