import type { PixelBox } from '../artwork/facts';
import { words, type Raster } from './raster';

/** A straight line in a picture: where it lies, in pixels, and what tells a guide from a rule, a stripe or a frame. */
export interface GuideLine {
  box: PixelBox;
  /** Whether it is of a colour that guides are drawn in: nearly pure cyan, magenta, red, green, blue. */
  colour: 'guide' | 'plain';
  /** Whether it runs from edge to edge of the picture. */
  reaches: boolean;
  /** How much of all that has its colour is such lines, 0 to 1. */
  alone: number;
  /** Lines of its colour in its direction. */
  parallel: number;
}

/** A guide is at most this thick, in mm, and differs from what lies further off on both sides. */
const THICKEST = 0.35;
/** Of its side's length, a line of one colour is looked at from this share on, and reaches its ends from the other. */
const SUSPECTED = 0.55;
const REACHES = 0.85;
/** A line of so many rows has some that are of its ink alone. */
const WHOLE = 2;
/** Colour that is not in lines for the most part is the artwork's own. */
const ALONE = 0.6;
/** What the levels of a guide's colour are apart, at the least. */
const PURE = 190;
/** Every so many pixels are looked at first; a line shows in nearly as large a share of them. */
const STRIDE = 8;
const LEAST_SIDE = 48;

/** Level and upright lines of one colour, thin, straight and nearly as long as the picture, solid or dashed. */
export function findGuides(raster: Raster, mm: number): GuideLine[] {
  const { width, height } = raster;
  if (Math.min(width, height) < LEAST_SIDE) return [];
  const pixels = words(raster);
  const off = Math.max(2, Math.round(THICKEST / mm)) + 1;
  const level = { along: width, across: height, alongStep: 1, acrossStep: width, off };
  const upright = { along: height, across: width, alongStep: width, acrossStep: 1, off };
  const lines = [
    ...gathered(pixels, level).map((line) => ({
      ...line,
      level: true,
      box: { x: 0, y: line.from, width, height: line.to - line.from },
    })),
    ...gathered(pixels, upright).map((line) => ({
      ...line,
      level: false,
      box: { x: line.from, y: 0, width: line.to - line.from, height },
    })),
  ];
  return lines
    .map(({ box, level: isLevel, word, beside, share }): GuideLine => {
      const ink = inkOf(word, beside);
      const thin = Math.min(box.width, box.height) < WHOLE;
      const isLike = (other: number) =>
        apart(other, word) <= ALIKE ||
        (thin && apart(other, beside) >= apart(word, beside) * 0.8 && isAlong(ink, beside, other));
      const like = lines.filter((other) => isLike(other.word));
      const inLines = like.reduce((sum, one) => sum + one.pixels, 0);
      return {
        box,
        colour: isPure(ink) ? 'guide' : 'plain',
        reaches: share >= REACHES,
        alone: Math.min(1, inLines / Math.max(1, countOf(pixels, isLike))),
        parallel: like.filter((other) => other.level === isLevel).length,
      };
    })
    .filter(({ alone }) => alone >= ALONE);
}

/** Red, green, blue and alpha, 0 to 255, premultiplied. */
type Levels = readonly [red: number, green: number, blue: number, alpha: number];

function levelsOf(word: number): Levels {
  const alpha = word >>> 24;
  const of = (level: number) => (level * alpha) / 255;
  return [of(word & 255), of((word >>> 8) & 255), of((word >>> 16) & 255), alpha];
}

/** The ink that a line is drawn in, as far from what lies beside it as it can be: a thin line has no pixel of it whole. */
function inkOf(word: number, beside: number): Levels {
  const [own, ground] = [levelsOf(word), levelsOf(beside)];
  let most = Infinity;
  for (let k = 0; k < 4; k++) {
    const way = own[k]! - ground[k]!;
    if (Math.abs(way) > 2) most = Math.min(most, ((way > 0 ? 255 : 0) - ground[k]!) / way);
  }
  const reach = Number.isFinite(most) ? most : 1;
  return own.map((level, k) => ground[k]! + (level - ground[k]!) * reach) as unknown as Levels;
}

function isPure([red, green, blue]: Levels): boolean {
  return Math.max(red, green, blue) - Math.min(red, green, blue) >= PURE;
}

/** How nearly two ways from a ground are the same: the cosine between them. */
const SAME_WAY = 0.97;

/** Whether a pixel lies on the way from a ground to an ink. */
function isAlong(ink: Levels, beside: number, word: number): boolean {
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

/** Every so many pixels are counted: lines hold thousands. */
const COUNTED = 3;

function countOf(pixels: Uint32Array, isLike: (word: number) => boolean): number {
  const known = new Map<number, boolean>();
  let count = 0;
  for (let at = 0; at < pixels.length; at += COUNTED) {
    const pixel = pixels[at]!;
    let own = known.get(pixel);
    if (own === undefined) {
      own = isLike(pixel);
      if (known.size < 4096) known.set(pixel, own);
    }
    if (own) count++;
  }
  return count * COUNTED;
}

/** One direction: pixels along a line, lines across the picture, and the steps between them in memory. */
interface Direction {
  along: number;
  across: number;
  alongStep: number;
  acrossStep: number;
  /** Pixels beside a line where it must stand out: one more than it may be thick. */
  off: number;
}

interface Lines {
  from: number;
  to: number;
  /** Its colour, the largest share of the side's length that has it, and the pixels that have. */
  word: number;
  share: number;
  pixels: number;
  /** The colour that lies beside it for the most part. */
  beside: number;
}

function gathered(pixels: Uint32Array, direction: Direction): Lines[] {
  const likely = likelyLines(pixels, direction);
  const lines: Lines[] = [];
  for (const at of likely) {
    const { share, word, beside } = lineShare(pixels, direction, at);
    if (share < SUSPECTED) continue;
    const count = share * direction.along;
    const last = lines.at(-1);
    if (last?.to === at) {
      last.to = at + 1;
      last.pixels += count;
      last.share = Math.max(last.share, share);
      if (apart(word, beside) > apart(last.word, last.beside)) [last.word, last.beside] = [word, beside];
    } else lines.push({ from: at, to: at + 1, word, beside, share, pixels: count });
  }
  return lines.filter(({ from, to }) => to - from < direction.off);
}

/** Lines that stand out from what lies on both sides of them at enough of the pixels looked at. */
function likelyLines(
  pixels: Uint32Array,
  { along, across, alongStep, acrossStep, off }: Direction,
): number[] {
  const looked = Math.floor(along / STRIDE);
  const counts = new Uint32Array(across);
  for (let i = 0; i < looked; i++) {
    const start = i * STRIDE * alongStep;
    for (let line = off; line < across - off; line++) {
      const at = start + line * acrossStep;
      const pixel = pixels[at]!;
      if (
        pixel !== pixels[at - off * acrossStep]! &&
        pixel !== pixels[at + off * acrossStep]! &&
        standsOut(pixels, at, off * acrossStep)
      )
        counts[line]!++;
    }
  }
  return [...counts.keys()].filter((line) => counts[line]! >= looked * SUSPECTED * 0.8);
}

/** Share of a line that has its commonest colour and stands out from both its sides. */
function lineShare(
  pixels: Uint32Array,
  { along, alongStep, acrossStep, off }: Direction,
  line: number,
): { share: number; word: number; beside: number } {
  const start = line * acrossStep;
  // The majority vote of Boyer and Moore finds the one colour that more than half can have.
  let colour = 0;
  let votes = 0;
  for (let i = 0; i < along; i++) {
    const at = start + i * alongStep;
    if (!standsOut(pixels, at, off * acrossStep)) continue;
    if (votes === 0) colour = pixels[at]!;
    votes += apart(pixels[at]!, colour) <= ALIKE ? 1 : -1;
  }
  let same = 0;
  for (let i = 0; i < along; i++) {
    const at = start + i * alongStep;
    if (standsOut(pixels, at, off * acrossStep) && apart(pixels[at]!, colour) <= ALIKE) same++;
  }
  return {
    share: same / along,
    word: colour,
    beside: majority(along, (i) => pixels[start + i * alongStep - off * acrossStep]!),
  };
}

/** The commonest of many colours, where one of them is more than half (Boyer and Moore). */
function majority(count: number, of: (index: number) => number): number {
  let [colour, votes] = [0, 0];
  for (let i = 0; i < count; i++) {
    if (votes === 0) colour = of(i);
    votes += of(i) === colour ? 1 : -1;
  }
  return colour;
}

/** Sums of differences of the four channels, of 1,020. */
const ALIKE = 24;
const DIFFERENT = 90;

function standsOut(pixels: Uint32Array, at: number, off: number): boolean {
  const pixel = pixels[at]!;
  if (pixel >>> 24 < 64) return false;
  const before = pixels[at - off]!;
  const behind = pixels[at + off]!;
  return apart(pixel, before) >= DIFFERENT && apart(pixel, behind) >= DIFFERENT;
}

function apart(a: number, b: number): number {
  return (
    Math.abs((a & 255) - (b & 255)) +
    Math.abs(((a >>> 8) & 255) - ((b >>> 8) & 255)) +
    Math.abs(((a >>> 16) & 255) - ((b >>> 16) & 255)) +
    Math.abs((a >>> 24) - (b >>> 24))
  );
}
