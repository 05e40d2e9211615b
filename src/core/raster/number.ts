import type { Raster } from './raster';

const numbers = new WeakMap<Raster, number>();
let last = 0;

/** A number that stands for a picture's pixels, to tell whether two results come from the same. */
export function numberOf(raster: Raster): number {
  const known = numbers.get(raster) ?? ++last;
  numbers.set(raster, known);
  return known;
}
