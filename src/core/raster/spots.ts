import { ALIKE, apart, DIFFERENT } from './apart';
import { flatColours } from './inks';
import { PartFinder, takeMarkedRuns, type Part } from './parts';
import { signedWords, type Raster } from './raster';

/** A spot of another colour in the middle of a flat one, and that colour. */
export interface Spot {
  part: Part;
  ground: number;
}

/** More spots than these, or more of one colour however near they lie, are a pattern that somebody drew. */
const MOST_SPOTS = 12;
const MOST_ALIKE = 6;
/** More pieces of rows that stand out than these are a picture's grain, or a pattern. */
const MOST_RUNS = 8000;

/**
 * Spots no wider than `side` pixels on artwork of several flat colours, each with nothing but one colour for `beside`
 * pixels round it. None in photographs: their grain is full of them.
 */
export function findSpots(raster: Raster, side: number, beside: number): Spot[] {
  // A few of its pixels tell a photograph at once.
  if (!flatColours(raster)) return [];
  const { width, height } = raster;
  const pixels = signedWords(raster);
  const parts = marked(raster, pixels, side).filter(
    ({ left, top, right, bottom }) => right - left <= side && bottom - top <= side,
  );
  const middle = ({ left, top, right, bottom }: Part) =>
    pixels[((top + bottom - 1) >> 1) * width + ((left + right - 1) >> 1)]!;
  const spots: Spot[] = [];
  for (const part of parts) {
    const ground = groundRound(pixels, width, height, part, Math.ceil(beside));
    if (ground === null) continue;
    const own = middle(part);
    if (parts.filter((other) => apart(middle(other), own) <= DIFFERENT).length > MOST_ALIKE) continue;
    spots.push({ part, ground });
    if (spots.length > MOST_SPOTS) return [];
  }
  return spots;
}

/** Connected pixels that stand out, across and down, from what is alike on both sides; none where that is texture. */
function marked({ width, height }: Raster, pixels: Int32Array, side: number): Part[] {
  const off = side + 1;
  const finder = new PartFinder();
  const marks = new Uint8Array(width);
  let runs = 0;
  for (let y = 0; y < height; y++) {
    finder.beginRow(y);
    if (y < off || y >= height - off) continue;
    let any = false;
    for (let x = off, at = y * width + off; x < width - off; x++, at++) {
      const own = pixels[at]!;
      const left = pixels[at - off]!;
      // Most pixels are as their neighbours.
      const is =
        own !== left &&
        stands(own, left, pixels[at + off]!) &&
        stands(own, pixels[at - off * width]!, pixels[at + off * width]!);
      if (is && marks[x - 1] === 0 && ++runs > MOST_RUNS) return [];
      marks[x] = is ? 1 : 0;
      any ||= is;
    }
    if (any) takeMarkedRuns(finder, marks, 1, 0, { from: off, to: width - off });
  }
  return finder.parts();
}

function stands(own: number, before: number, behind: number): boolean {
  return apart(before, behind) <= ALIKE && apart(own, before) >= DIFFERENT;
}

/** The one colour all round a part, `off` pixels far but for its own soft rim; null where there is another. */
function groundRound(
  pixels: Int32Array,
  width: number,
  height: number,
  { left, top, right, bottom }: Part,
  off: number,
): number | null {
  if (left - off < 0 || top - off < 0 || right + off > width || bottom + off > height) return null;
  const ground = pixels[(top - off) * width + left - off]!;
  for (let y = top - off; y < bottom + off; y++) {
    const within = y >= top - 1 && y <= bottom;
    for (let x = left - off; x < right + off; x++) {
      if (within && x === left - 1) x = right + 1;
      if (x < right + off && apart(pixels[y * width + x]!, ground) > ALIKE) return null;
    }
  }
  return ground;
}
