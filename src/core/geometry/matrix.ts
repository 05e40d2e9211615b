/** x' = a x + c y + e, y' = b x + d y + f. */
export type Matrix = readonly [a: number, b: number, c: number, d: number, e: number, f: number];

export const IDENTITY: Matrix = [1, 0, 0, 1, 0, 0];

/** First `inner`, then `outer`. */
export function combined([a, b, c, d, e, f]: Matrix, inner: Matrix): Matrix {
  const [ia, ib, ic, id, ie, iF] = inner;
  return [
    a * ia + c * ib,
    b * ia + d * ib,
    a * ic + c * id,
    b * ic + d * id,
    a * ie + c * iF + e,
    b * ie + d * iF + f,
  ];
}

export function moved([a, b, c, d, e, f]: Matrix, x: number, y: number): { x: number; y: number } {
  return { x: a * x + c * y + e, y: b * x + d * y + f };
}

/** How long a unit along x and one along y come out. */
export function scales([a, b, c, d]: Matrix): { x: number; y: number } {
  return { x: Math.hypot(a, b), y: Math.hypot(c, d) };
}
