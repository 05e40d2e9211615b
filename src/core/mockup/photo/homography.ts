import type { PhotoPoint } from './schema';

/** A projective map of the plane, row by row; the last number is 1. */
export type Homography = readonly [
  a: number,
  b: number,
  c: number,
  d: number,
  e: number,
  f: number,
  g: number,
  h: number,
  i: number,
];

/**
 * The map that takes the unit square's corners (0, 0), (1, 0), (1, 1), (0, 1) to four others, in closed form (Heckbert
 * 1989). Throws a RangeError where three of them lie on a line.
 */
export function squareTo(corners: readonly PhotoPoint[]): Homography {
  const [[x0, y0], [x1, y1], [x2, y2], [x3, y3]] = corners as readonly [
    PhotoPoint,
    PhotoPoint,
    PhotoPoint,
    PhotoPoint,
  ];
  const [dx1, dx2, sumX] = [x1 - x2, x3 - x2, x0 - x1 + x2 - x3];
  const [dy1, dy2, sumY] = [y1 - y2, y3 - y2, y0 - y1 + y2 - y3];
  const whole = dx1 * dy2 - dx2 * dy1;
  if (Math.abs(whole) < 1e-9) throw new RangeError('Three corners lie on one line.');
  const g = (sumX * dy2 - dx2 * sumY) / whole;
  const h = (dx1 * sumY - sumX * dy1) / whole;
  return [x1 - x0 + g * x1, x3 - x0 + h * x3, x0, y1 - y0 + g * y1, y3 - y0 + h * y3, y0, g, h, 1];
}

/** Where a place of the square falls, and one over its depth: nearer is larger. */
export function throughHomography(
  [a, b, c, d, e, f, g, h, i]: Homography,
  u: number,
  v: number,
): { x: number; y: number; near: number } {
  const near = 1 / (g * u + h * v + i);
  return { x: (a * u + b * v + c) * near, y: (d * u + e * v + f) * near, near };
}
