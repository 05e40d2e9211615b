import { apart, DIFFERENT } from '../apart';

/** What the levels of a guide's colour are apart, at the least. */
const PURE = 190;

/** Red, green, blue and alpha, 0 to 255, premultiplied. */
export type Levels = readonly [red: number, green: number, blue: number, alpha: number];

function levelsOf(word: number): Levels {
  const alpha = word >>> 24;
  const of = (level: number) => (level * alpha) / 255;
  return [of(word & 255), of((word >>> 8) & 255), of((word >>> 16) & 255), alpha];
}

/** The ink that a line is drawn in, as far from what lies beside it as it can be: a thin line has no pixel of it whole. */
export function inkOf(word: number, beside: number): Levels {
  const [own, ground] = [levelsOf(word), levelsOf(beside)];
  let most = Infinity;
  for (let k = 0; k < 4; k++) {
    const way = own[k]! - ground[k]!;
    if (Math.abs(way) > 2) most = Math.min(most, ((way > 0 ? 255 : 0) - ground[k]!) / way);
  }
  const reach = Number.isFinite(most) ? most : 1;
  return own.map((level, k) => ground[k]! + (level - ground[k]!) * reach) as unknown as Levels;
}

export function isPure([red, green, blue]: Levels): boolean {
  return Math.max(red, green, blue) - Math.min(red, green, blue) >= PURE;
}

/** How nearly two ways from a ground are the same: the cosine between them. */
const SAME_WAY = 0.97;

/** Whether a pixel lies on the way from a ground to an ink. */
export function isAlong(ink: Levels, beside: number, word: number): boolean {
  const [ground, own] = [levelsOf(beside), levelsOf(word)];
  let [dot, a, b] = [0, 0, 0];
  for (let k = 0; k < 4; k++) {
    const [way, other] = [ink[k]! - ground[k]!, own[k]! - ground[k]!];
    dot += way * other;
    a += way * way;
    b += other * other;
  }
  return b > 0 && dot / Math.sqrt(a * b) >= SAME_WAY;
}

/** One in three pixels is counted: lines hold thousands. Unevenly, so that none is passed by all along. */
const STEPS = [2, 5, 3, 1, 4];
const COUNTED = 3;

/** How many pixels are of a kind, nearly. */
export function countOf(pixels: Int32Array, is: (word: number) => boolean): number {
  const known = new Map<number, boolean>();
  let count = 0;
  for (let at = 0, i = 0; at < pixels.length; at += STEPS[i++ % STEPS.length]!) {
    const pixel = pixels[at]!;
    let own = known.get(pixel);
    if (own === undefined) {
      own = is(pixel);
      if (known.size < 4096) known.set(pixel, own);
    }
    if (own) count++;
  }
  return count * COUNTED;
}

/** The commonest of many colours, where one of them is more than half (Boyer and Moore). */
export function majority(count: number, of: (index: number) => number): number {
  let [colour, votes] = [0, 0];
  for (let i = 0; i < count; i++) {
    if (votes === 0) colour = of(i);
    votes += of(i) === colour ? 1 : -1;
  }
  return colour;
}

/** Alpha under which nothing is seen to stand out. */
const FAINT = 24;

/** Whether a pixel differs from those so far before and behind it. */
export function standsOut(pixels: Int32Array, at: number, off: number): boolean {
  const pixel = pixels[at]!;
  const before = pixels[at - off]!;
  // Most of a picture is flat: that is told by words alone.
  if (pixel === before || pixel >>> 24 < FAINT) return false;
  return apart(pixel, before) >= DIFFERENT && apart(pixel, pixels[at + off]!) >= DIFFERENT;
}
