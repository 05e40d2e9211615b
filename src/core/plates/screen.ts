import type { Dot, Screen } from '../fit/plates';
import { MM_PER_INCH } from '../length/units';

/** Pixels that a cell of a screen is wide at least: with fewer it has too few steps of tone. */
export const LEAST_CELL = 4;
/** Places across a cell at which its dots are worked out, as a power of two. */
const PLACES = 8;
const ACROSS = 1 << PLACES;
/** A cell in the fixed point that places are counted in: past its end it begins anew by itself. */
const CELL = 2 ** 32;

/** How early a place of a cell is printed; `u` and `v` count cells along the screen and across it. */
const SPOTS: Record<Dot, (u: number, v: number) => number> = {
  round: (u, v) => Math.cos(2 * Math.PI * u) + Math.cos(2 * Math.PI * v),
  ellipse: (u, v) => Math.cos(2 * Math.PI * u) + 0.6 * Math.cos(2 * Math.PI * v),
  line: (u) => Math.cos(2 * Math.PI * u),
  square: (u, v) => -Math.max(Math.abs(u - Math.round(u)), Math.abs(v - Math.round(v))),
};

/**
 * A plane of tones (0 to 255) as dots: 255 where it prints. Every tone covers its own share of a cell, since a spot's value
 * is replaced by its rank among all of a cell (the usual threshold of a spot function, PLRM 3, 7.4.3, evened out).
 */
export function screened(
  tones: Uint8Array,
  width: number,
  { ruling, angle, dot, least = 0, most = 1 }: Screen,
  ppi: number,
): Uint8Array {
  const early = earlinessOf(dot);
  const cells = ruling / ppi;
  const turn = (angle * Math.PI) / 180;
  // Rows run downwards, angles upwards.
  const [cos, sin] = [Math.cos(turn) * cells, -Math.sin(turn) * cells];
  const held = heldTones(least, most);
  const out = new Uint8Array(tones.length);
  const [alongU, alongV] = [fixedPoint(cos), fixedPoint(-sin)];
  const shift = 32 - PLACES;
  for (let y = 0, i = 0; i < tones.length; y++) {
    let u = fixedPoint(0.5 * cos + (y + 0.5) * sin);
    let v = fixedPoint((y + 0.5) * cos - 0.5 * sin);
    const end = Math.min(tones.length, i + width);
    for (; i < end; i++) {
      // Below zero, and so 255 as a byte, where it prints: a branch would be guessed wrong as often as not.
      out[i] = (early[((u >>> shift) << PLACES) | (v >>> shift)]! - held[tones[i]!]!) >> 8;
      u = (u + alongU) | 0;
      v = (v + alongV) | 0;
    }
  }
  return out;
}

/** A number of cells, of which only the part within a cell counts. */
function fixedPoint(cells: number): number {
  return Math.round((cells - Math.floor(cells)) * CELL) | 0;
}

/** What each tone is printed as where no dot may be smaller than one share of a cell and no gap larger than another leaves. */
function heldTones(least: number, most: number): Uint8Array {
  const [smallest, largest] = [Math.round(least * 255), Math.round(most * 255)];
  return Uint8Array.from({ length: 256 }, (_, tone) => {
    if (tone < smallest) return tone * 2 < smallest ? 0 : smallest;
    if (tone > largest) return tone * 2 > largest + 255 ? 255 : largest;
    return tone;
  });
}

/**
 * For each place of a cell the lightest tone that prints there, less one: its rank among all of the cell's places, so that
 * every tone covers its own share.
 */
function earlinessOf(dot: Dot): Uint8Array {
  const spot = SPOTS[dot];
  const values = new Float64Array(ACROSS * ACROSS);
  for (let u = 0, i = 0; u < ACROSS; u++)
    for (let v = 0; v < ACROSS; v++, i++) values[i] = spot((u + 0.5) / ACROSS, (v + 0.5) / ACROSS);
  const order = Uint32Array.from(values.keys()).sort((a, b) => values[b]! - values[a]!);
  const early = new Uint8Array(values.length);
  order.forEach((place, rank) => (early[place] = Math.floor((rank / order.length) * 255)));
  return early;
}

/** mm across a dot that covers a share of its cell. */
export function dotWidth(share: number, ruling: number): number {
  return 2 * Math.sqrt(share / Math.PI) * (MM_PER_INCH / ruling);
}

/** The share of its cell that a dot so many mm across covers. */
export function areaIn(across: number, ruling: number): number {
  return Math.PI * (across / 2 / (MM_PER_INCH / ruling)) ** 2;
}
