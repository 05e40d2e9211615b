/** So far from `from` to `to`: all the way at a share of 1. */
export function lerp(from: number, to: number, share: number): number {
  return from + (to - from) * share;
}
