import type { Method } from '../blank/schema';
import type { Rgb } from './hex';

/** A colour as it looks on the product: ink that lets the product through can only darken it. */
export function printedOn(levels: Rgb, product: Rgb, ink: Method['ink']): Rgb {
  if (ink === 'cover') return levels;
  const mix = (k: 0 | 1 | 2) => Math.round((levels[k] * product[k]) / 255);
  return [mix(0), mix(1), mix(2)];
}
