/** Whether a place lies inside a closed line; on the line itself it may be either. */
export function isInRing(ring: readonly (readonly [x: number, y: number])[], x: number, y: number): boolean {
  let inside = false;
  for (let i = 0, j = ring.length - 1; i < ring.length; j = i++) {
    const [[ax, ay], [bx, by]] = [ring[j]!, ring[i]!];
    if (ay > y !== by > y && x < ax + ((y - ay) * (bx - ax)) / (by - ay)) inside = !inside;
  }
  return inside;
}

/** Between `b` and `c`, where the curve goes through all four (Catmull and Rom 1974); t from 0 to 1. */
export function spline(a: number, b: number, c: number, d: number, t: number): number {
  return b + 0.5 * t * (c - a + t * (2 * a - 5 * b + 4 * c - d + t * (3 * (b - c) + d - a)));
}
