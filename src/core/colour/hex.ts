import { lerp } from '../geometry/lerp';
/** Red, green and blue of sRGB, 0 to 255. */
export type Rgb = readonly [red: number, green: number, blue: number];

/** `#rrggbb` of a colour as `words` gives it, alpha left out. */
export function hexOfWord(word: number): string {
  return hexOf([word & 255, (word >>> 8) & 255, (word >>> 16) & 255]);
}

export function hexOf(rgb: Rgb): string {
  return `#${rgb.map((level) => Math.round(level).toString(16).padStart(2, '0')).join('')}`;
}

/** The three levels of `#rrggbb`. */
export function rgbOf(hex: string): Rgb {
  const value = parseInt(hex.slice(1), 16);
  return [value >>> 16, (value >>> 8) & 255, value & 255];
}

/** `#rrggbb` as an opaque word (see `words`). */
export function wordOf(hex: string): number {
  const [red, green, blue] = rgbOf(hex);
  return (0xff000000 | (blue << 16) | (green << 8) | red) >>> 0;
}

/** `#rrggbb` between two colours, so far from the first to the second, 0 to 1. */
export function mixed(from: string, to: string, share: number): string {
  const [a, b] = [rgbOf(from), rgbOf(to)];
  const mix = (k: 0 | 1 | 2) => lerp(a[k], b[k], share);
  return hexOf([mix(0), mix(1), mix(2)]);
}
