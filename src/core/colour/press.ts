import { deltaE00 } from './difference';
import type { Rgb } from './hex';
import { labOf, labOfLevels } from './lab';
import type { Cmyk } from './palette';

/** How colours outside what the inks can do are brought inside (ICC.1:2010, 6.2). */
export const INTENTS = ['relative', 'perceptual', 'absolute'] as const;
export type Intent = (typeof INTENTS)[number];

/**
 * What a printing profile makes of sRGB, worked out at the corners of a lattice once, so that colours can be asked by
 * the million: their inks, and how these look as printed. Red runs fastest.
 */
export interface Press {
  /** The profile's own name. */
  name: string;
  intent: Intent;
  /** Corners of the lattice along each axis. */
  size: number;
  /** Four inks at each corner, 65535 for solid. */
  ink: Uint16Array;
  /** sRGB as printed at each corner, 65535 for full. */
  proof: Uint16Array;
  /** The same with the paper's own white, and the black that the inks reach. */
  paper: Uint16Array;
  /** How far each corner is from what is printed of it, in thousandths of dE00: to shade by, not to measure. */
  off: Uint16Array;
}

const FULL = 65535;
/** Greys after the corners of a lattice, one for each level. */
export const GREYS = 256;

/** Where a colour lies in the lattice: four corners of its tetrahedron, and how much each counts. */
interface Place {
  corners: readonly [number, number, number, number];
  weights: readonly [number, number, number, number];
}

/** Finds the tetrahedron round a colour, or the grey that it is (Kasson, Nin, Plouffe and Hafner 1995). Levels 0 to 255, whole or not. */
function placeOf(size: number, red: number, green: number, blue: number): Place {
  if (red === green && green === blue && Number.isInteger(red)) {
    const grey = size ** 3 + red;
    return { corners: [grey, grey, grey, grey], weights: [1, 0, 0, 0] };
  }
  const scale = (size - 1) / 255;
  const last = size - 2;
  const [x, y, z] = [red * scale, green * scale, blue * scale];
  const [i, j, k] = [Math.min(last, x | 0), Math.min(last, y | 0), Math.min(last, z | 0)];
  const [u, v, w] = [x - i, y - j, z - k];
  const dy = size;
  const dz = size * size;
  const base = i + j * dy + k * dz;
  let [first, second] = [0, 0];
  let [high, middle, low] = [u, v, w];
  if (u >= v) {
    if (v >= w) [first, second] = [1, 1 + dy];
    else if (u >= w) [first, second, middle, low] = [1, 1 + dz, w, v];
    else [first, second, high, middle, low] = [dz, 1 + dz, w, u, v];
  } else if (u >= w) [first, second, high, middle, low] = [dy, 1 + dy, v, u, w];
  else if (v >= w) [first, second, high, middle, low] = [dy, dy + dz, v, w, u];
  else [first, second, high, middle, low] = [dz, dy + dz, w, v, u];
  return {
    corners: [base, base + first, base + second, base + 1 + dy + dz],
    weights: [1 - high, high - middle, middle - low, low],
  };
}

function between(table: Uint16Array, channels: number, channel: number, { corners, weights }: Place): number {
  return (
    weights[0] * table[corners[0] * channels + channel]! +
    weights[1] * table[corners[1] * channels + channel]! +
    weights[2] * table[corners[2] * channels + channel]! +
    weights[3] * table[corners[3] * channels + channel]!
  );
}

/** Inks of an sRGB colour, levels 0 to 255. */
export function inksAt({ size, ink }: Press, [red, green, blue]: Rgb): Cmyk {
  const place = placeOf(size, red, green, blue);
  const of = (channel: number) => between(ink, 4, channel, place) / FULL;
  return [of(0), of(1), of(2), of(3)];
}

/** An sRGB colour as printed, levels 0 to 255; `paper` on the paper's own white. */
export function proofAt({ size, proof, paper }: Press, [red, green, blue]: Rgb, onPaper = false): Rgb {
  const place = placeOf(size, red, green, blue);
  const of = (channel: number) => (between(onPaper ? paper : proof, 3, channel, place) / FULL) * 255;
  return [of(0), of(1), of(2)];
}

/** Sum of a colour's inks in percent. */
export function totalInk(inks: Cmyk): number {
  return (inks[0] + inks[1] + inks[2] + inks[3]) * 100;
}

/** How far (dE00) a colour is from what the inks make of it. */
export function gamutDifference(press: Press, rgb: Rgb): number {
  return deltaE00(labOf(...rgb), labOfLevels(...proofAt(press, rgb)));
}

/** How far (dE00) the inks miss a colour given as a word, as near as between two corners of the lattice. */
export function offOfWord({ size, off }: Press, word: number): number {
  const place = placeOf(size, word & 255, (word >>> 8) & 255, (word >>> 16) & 255);
  return between(off, 1, 0, place) / 1000;
}

/** Sum of the inks of a colour given as a word, in percent. */
export function inkOfWord({ size, ink }: Press, word: number): number {
  const place = placeOf(size, word & 255, (word >>> 8) & 255, (word >>> 16) & 255);
  const of = (channel: number) => between(ink, 4, channel, place);
  return ((of(0) + of(1) + of(2) + of(3)) / FULL) * 100;
}
