import type { PixelBox } from '../../artwork/facts';

/** One way through a picture: pixels along a line, lines across it, and the steps between them in memory. */
export interface Direction {
  along: number;
  across: number;
  alongStep: number;
  acrossStep: number;
  /** Pixels beside a line where it must stand out: one more than it may be thick. */
  off: number;
}

/** From x and y to x and y, in pixels. */
export type Ends = [x0: number, y0: number, x1: number, y1: number];

/** A thin straight line of one colour across a picture. */
export interface StraightLine {
  ends: Ends;
  box: PixelBox;
  /** Pixels across it, anti-aliased rims with them. */
  thick: number;
  /** Of those, the ones that are not of its edges; at a slant all of them. */
  solid: number;
  /** Its colour, and the one that lies beside it for the most part. */
  word: number;
  beside: number;
  /** Whether it goes from edge to edge of the picture, solid or dashed, and be it behind something on its way. */
  reaches: boolean;
  /** How many of its pixels are of a kind, nearly. */
  count: (is: (word: number) => boolean) => number;
}

/** Stretches of a line's way through the picture, the share of one that must have it, and how many of them it may miss at an end. */
const STRETCHES = 24;
const HELD = 0.2;
const MISSED = 1;

/** Whether places along a line of a length come to both its ends. */
export function reachesEnds(places: readonly number[], length: number): boolean {
  const counts = new Float64Array(STRETCHES);
  for (const at of places) counts[Math.min(STRETCHES - 1, Math.floor((at / length) * STRETCHES))]!++;
  const least = (length / STRETCHES) * HELD;
  const isHeld = (count: number) => count >= least;
  return counts.findIndex(isHeld) <= MISSED && counts.findLastIndex(isHeld) >= STRETCHES - 1 - MISSED;
}

/** Of its way through the picture, a line of one colour is looked at from this share on. */
export const LEAST_SHARE = 0.55;
/** Every so many pixels are looked at first; a line shows in nearly as large a share of them. */
export const STRIDE = 8;

/** Rows that are looked through at once, so that what is read and what is written both lie close together. */
const BLOCK = 16;

/** The lines across a picture that are looked at first, one after another, each `across` pixels. */
export function scansOf(pixels: Int32Array, { along, across, alongStep, acrossStep }: Direction): Int32Array {
  const count = Math.ceil(along / STRIDE);
  const scans = new Int32Array(count * across);
  for (let first = 0; first < across; first += BLOCK) {
    const end = Math.min(across, first + BLOCK);
    for (let scan = 0; scan < count; scan++) {
      const from = scan * STRIDE * alongStep;
      for (let line = first; line < end; line++)
        scans[scan * across + line] = pixels[from + line * acrossStep]!;
    }
  }
  return scans;
}
