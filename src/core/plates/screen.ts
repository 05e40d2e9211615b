import type { Dot, Screen } from '../fit/plates';
import { MM_PER_INCH } from '../length/units';

/** Pixels that a cell of a screen is wide at least: with fewer it has too few steps of tone. */
export const LEAST_CELL = 4;
const LEVELS = 4096;
const SAMPLES = 512;

/** How early a place of a cell is printed; `u` and `v` count cells along the screen and across it. */
const SPOTS: Record<Dot, (u: number, v: number) => number> = {
  round: (u, v) => Math.cos(2 * Math.PI * u) + Math.cos(2 * Math.PI * v),
  ellipse: (u, v) => Math.cos(2 * Math.PI * u) + 0.6 * Math.cos(2 * Math.PI * v),
  line: (u) => Math.cos(2 * Math.PI * u),
  square: (u, v) => -Math.max(Math.abs(u - Math.round(u)), Math.abs(v - Math.round(v))),
};

/**
 * A plane of tones (0 to 255) as dots: 1 where it prints. Every tone covers its own share of a cell, since a spot's value
 * is replaced by its rank among all of a cell (the usual threshold of a spot function, PLRM 3, 7.4.3, evened out).
 */
export function screened(
  tones: Uint8Array,
  width: number,
  { ruling, angle, dot, least = 0, most = 1 }: Screen,
  ppi: number,
): Uint8Array {
  const spot = SPOTS[dot];
  const rank = ranksOf(spot);
  const cells = ruling / ppi;
  const turn = (angle * Math.PI) / 180;
  // Rows run downwards, angles upwards.
  const [cos, sin] = [Math.cos(turn) * cells, -Math.sin(turn) * cells];
  const held = heldTones(least, most);
  const out = new Uint8Array(tones.length);
  for (let i = 0, x = 0, y = 0; i < tones.length; i++) {
    const tone = held[tones[i]!]!;
    if (tone === 255) out[i] = 1;
    else if (tone > 0) {
      const u = (x + 0.5) * cos + (y + 0.5) * sin;
      const v = (y + 0.5) * cos - (x + 0.5) * sin;
      out[i] = rank(spot(u, v)) * 255 < tone ? 1 : 0;
    }
    if (++x === width) [x, y] = [0, y + 1];
  }
  return out;
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

/** The share of a cell that is printed earlier than a value, 0 to 1. */
function ranksOf(spot: (u: number, v: number) => number): (value: number) => number {
  const values = new Float64Array(SAMPLES * SAMPLES);
  for (let y = 0, i = 0; y < SAMPLES; y++)
    for (let x = 0; x < SAMPLES; x++, i++) values[i] = spot((x + 0.5) / SAMPLES, (y + 0.5) / SAMPLES);
  values.sort();
  const [least, most] = [values[0]!, values.at(-1)!];
  const table = new Float64Array(LEVELS + 1);
  for (let level = 0, below = 0; level <= LEVELS; level++) {
    const value = least + ((most - least) * level) / LEVELS;
    while (below < values.length && values[below]! <= value) below++;
    table[level] = 1 - below / values.length;
  }
  const scale = LEVELS / (most - least);
  return (value) => table[Math.min(LEVELS, Math.max(0, Math.floor((value - least) * scale)))]!;
}

/** mm across a dot that covers a share of its cell. */
export function dotWidth(share: number, ruling: number): number {
  return 2 * Math.sqrt(share / Math.PI) * (MM_PER_INCH / ruling);
}

/** The share of its cell that a dot so many mm across covers. */
export function areaIn(across: number, ruling: number): number {
  return Math.PI * (across / 2 / (MM_PER_INCH / ruling)) ** 2;
}
