import { rgbOf, type Rgb } from '../colour/hex';
import type { Raster } from '../raster/raster';
import type { PlateInk } from './inks';

/** How inks lie on one another: each covers what is under it, or darkens it. */
export type Laying = 'cover' | 'multiply';

/** Steps of a channel at which the shares of inks are worked out; between them they are interpolated. */
const STEPS = 17;
const ROUNDS = 60;

/**
 * A colour that inks make by shares of area, laid one after another with their dots at random (Demichel). In encoded sRGB,
 * as presses are driven: half of black is a dot of half the area.
 */
export function laidOver(
  ground: Rgb,
  inks: readonly Rgb[],
  shares: ArrayLike<number>,
  laying: Laying,
): [number, number, number] {
  const out: [number, number, number] = [ground[0], ground[1], ground[2]];
  for (let i = 0; i < inks.length; i++) {
    const [ink, share] = [inks[i]!, shares[i]!];
    for (let k = 0; k < 3; k++) {
      const full = laying === 'cover' ? ink[k]! : (out[k]! * ink[k]!) / 255;
      out[k] = out[k]! + share * (full - out[k]!);
    }
  }
  return out;
}

/** The shares of inks, 0 to 1, that come nearest to a colour: each in turn by least squares, until none moves. */
export function sharesFor(wanted: Rgb, ground: Rgb, inks: readonly Rgb[], laying: Laying): Float64Array {
  const shares = new Float64Array(inks.length).fill(0.5);
  for (let round = 0; round < ROUNDS; round++) {
    let moved = 0;
    for (let i = 0; i < inks.length; i++) {
      const so = shares[i]!;
      shares[i] = 0;
      const none = laidOver(ground, inks, shares, laying);
      shares[i] = 1;
      const all = laidOver(ground, inks, shares, laying);
      let [dot, square] = [0, 0];
      for (let k = 0; k < 3; k++) {
        const way = all[k]! - none[k]!;
        dot += (wanted[k]! - none[k]!) * way;
        square += way * way;
      }
      shares[i] = square === 0 ? 0 : Math.min(1, Math.max(0, dot / square));
      moved = Math.max(moved, Math.abs(shares[i]! - so));
    }
    if (moved < 1e-4) break;
  }
  return shares;
}

/** Sums of levels within which a pixel is of an ink, or of what is left open, and no tone; and up to which it is in part. */
const [PURE, NEARLY] = [12, 48];

/**
 * A picture as shares of inks, 0 to 255, a plane an ink; clear is none. What has an ink's own colour is solid of it, and what
 * has one of `open` is none.
 */
export function tonesOf(
  { width, height, data }: Raster,
  inks: readonly PlateInk[],
  { ground, open, laying }: { ground: string; open: readonly string[]; laying: Laying },
): Uint8Array[] {
  const table = tableOf(inks, rgbOf(ground), laying);
  const pure = [...open, ...inks.map(({ hex }) => hex)].map(rgbOf);
  // Runs of one colour are asked for once.
  let last = -1;
  let own: Pure | null = null;
  const planes = inks.map(() => new Uint8Array(width * height));
  const scale = (STEPS - 1) / 255;
  const count = inks.length;
  for (let i = 0, at = 0; i < width * height; i++, at += 4) {
    const alpha = data[at + 3]!;
    if (alpha === 0) continue;
    const word = (data[at]! << 16) | (data[at + 1]! << 8) | data[at + 2]!;
    if (word !== last) [last, own] = [word, pureAt(data, at, pure)];
    if (own?.share === 1) {
      if (own.which >= open.length) planes[own.which - open.length]![i] = alpha;
      continue;
    }
    const [r, g, b] = [data[at]! * scale, data[at + 1]! * scale, data[at + 2]! * scale];
    const [r0, g0, b0] = [cell(r), cell(g), cell(b)];
    const [dr, dg, db] = [r - r0, g - g0, b - b0];
    for (let k = 0; k < count; k++) {
      let sum = 0;
      for (let corner = 0; corner < 8; corner++) {
        const [x, y, z] = [corner & 1, (corner >> 1) & 1, corner >> 2];
        const weight = (x ? dr : 1 - dr) * (y ? dg : 1 - dg) * (z ? db : 1 - db);
        if (weight > 0) sum += weight * table[(((r0 + x) * STEPS + g0 + y) * STEPS + b0 + z) * count + k]!;
      }
      // Between an ink itself and a tone of several no step is seen.
      const pureSum = own && own.which - open.length === k ? 1 : 0;
      planes[k]![i] = Math.round((own ? sum + (pureSum - sum) * own.share : sum) * alpha);
    }
  }
  return planes;
}

/** The colour that a pixel is of or near to, and how much of it, up to 1. */
interface Pure {
  which: number;
  share: number;
}

/** The nearest of some colours; null where it is near to none. */
function pureAt(data: Uint8Array, at: number, pure: readonly Rgb[]): Pure | null {
  let [which, least] = [-1, NEARLY];
  pure.forEach(([r, g, b], i) => {
    const off = Math.abs(data[at]! - r) + Math.abs(data[at + 1]! - g) + Math.abs(data[at + 2]! - b);
    if (off < least) [which, least] = [i, off];
  });
  return which < 0 ? null : { which, share: Math.min(1, (NEARLY - least) / (NEARLY - PURE)) };
}

const cell = (value: number) => Math.min(STEPS - 2, Math.floor(value));

function tableOf(inks: readonly PlateInk[], ground: Rgb, laying: Laying): Float32Array {
  const colours = inks.map(({ hex }) => rgbOf(hex));
  const table = new Float32Array(STEPS ** 3 * inks.length);
  const level = (step: number) => (step * 255) / (STEPS - 1);
  let at = 0;
  for (let r = 0; r < STEPS; r++)
    for (let g = 0; g < STEPS; g++)
      for (let b = 0; b < STEPS; b++) {
        table.set(sharesFor([level(r), level(g), level(b)], ground, colours, laying), at);
        at += inks.length;
      }
  return table;
}
