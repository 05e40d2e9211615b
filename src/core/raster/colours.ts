import { IN_SILENCE, signedWords, words, type Progress, type Raster } from './raster';
import { memoOf } from '../memo';
import { PartFinder, partsMarked, takeMarkedRuns, type Part } from './parts';

/** Alpha from which a pixel counts as printed. */
const PRINTED = 128;

/** The colours of a picture's printed pixels: each once, as red, green and blue in a word, with how often it is there. */
export interface ColourCounts {
  colours: Uint32Array;
  counts: Uint32Array;
  /** Printed pixels in all. */
  total: number;
}

/** Pictures of fewer pixels are counted by sorting them; for more a place for every colour there is costs less. */
const FEW = 3_000_000;

/** Counts every colour exactly. */
export function countColours(raster: Raster, progress: Progress = IN_SILENCE): ColourCounts {
  return raster.width * raster.height < FEW ? countSorted(raster) : countAll(raster, progress);
}

function countSorted(raster: Raster): ColourCounts {
  const sorted = new Uint32Array(raster.width * raster.height);
  let total = 0;
  for (const word of words(raster)) if (word >>> 24 >= PRINTED) sorted[total++] = word & 0xffffff;
  const all = sorted.subarray(0, total).sort();
  const colours = new Uint32Array(total);
  const counts = new Uint32Array(total);
  let distinct = 0;
  for (let at = 0; at < total; at++) {
    if (at === 0 || all[at] !== all[at - 1]) colours[distinct++] = all[at]!;
    counts[distinct - 1]!++;
  }
  return { colours: colours.slice(0, distinct), counts: counts.slice(0, distinct), total };
}

/** Colours that lie beside one another in the table of all: where none of them is there, they are passed over. */
const BESIDE = 4096;

function countAll(raster: Raster, progress: Progress): ColourCounts {
  const pixels = signedWords(raster);
  const all = new Uint32Array(1 << 24);
  const used = new Uint8Array(all.length / BESIDE);
  let total = 0;
  let distinct = 0;
  for (let y = 0, at = 0; y < raster.height; y++) {
    if (y % 256 === 0) progress(y / raster.height);
    for (const end = at + raster.width; at < end; at++) {
      const word = pixels[at]!;
      // What is printed is negative.
      if (word >= 0) continue;
      const colour = word & 0xffffff;
      if (all[colour]!++ === 0) {
        used[(colour / BESIDE) | 0] = 1;
        distinct++;
      }
      total++;
    }
  }
  const colours = new Uint32Array(distinct);
  const counts = new Uint32Array(distinct);
  for (let block = 0, at = 0; block < used.length; block++) {
    if (used[block] === 0) continue;
    for (let colour = block * BESIDE; colour < (block + 1) * BESIDE; colour++) {
      if (all[colour] === 0) continue;
      colours[at] = colour;
      counts[at++] = all[colour]!;
    }
  }
  return { colours, counts, total };
}

/** Which colours of a picture come under a question, how many pixels have them, and the largest answer. */
export interface Sorted {
  off: Set<number>;
  pixels: number;
  largest: number;
}

const sorted = memoOf<ColourCounts, string, Sorted>(64);

/**
 * Goes through every colour of a picture and takes those whose value is above a limit; `value` is told the largest so
 * far. Asked again by the same key, the answer is there already.
 */
export function sortColours(
  counts: ColourCounts,
  key: string,
  limit: number,
  value: (colour: number, largest: number) => number,
): Sorted {
  return sorted(counts, key, () => {
    const off = new Set<number>();
    let [pixels, largest] = [0, 0];
    for (let i = 0; i < counts.colours.length; i++) {
      const colour = counts.colours[i]!;
      const own = value(colour, largest);
      if (own > largest) largest = own;
      if (own <= limit) continue;
      off.add(colour);
      pixels += counts.counts[i]!;
    }
    return { off, pixels, largest };
  });
}

/** One bit a colour. */
function marksOf(colours: ReadonlySet<number>): Uint8Array {
  const marked = new Uint8Array(1 << 21);
  for (const colour of colours) marked[colour >>> 3]! |= 1 << (colour & 7);
  return marked;
}

/** Marks every printed pixel of certain colours. */
function pixelsWith(raster: Raster, colours: ReadonlySet<number>): Uint8Array {
  const marked = marksOf(colours);
  const all = words(raster);
  const there = new Uint8Array(all.length);
  for (let at = 0; at < there.length; at++) {
    const word = all[at]!;
    const colour = word & 0xffffff;
    if (word >>> 24 >= PRINTED && (marked[colour >>> 3]! & (1 << (colour & 7))) !== 0) there[at] = 1;
  }
  return there;
}

/** More runs than this are a picture's grain: where they are is told as one place. */
const MOST_RUNS = 60_000;

/** Connected areas of certain colours; all of them as one where they are strewn all over. */
export function partsWith(raster: Raster, colours: ReadonlySet<number>): Part[] {
  const { width } = raster;
  const there = pixelsWith(raster, colours);
  let runs = 0;
  const all: Part = { pixels: 0, left: width, top: Infinity, right: 0, bottom: 0 };
  for (let y = 0, at = 0; y < raster.height; y++) {
    for (let x = 0, before = 0; x < width; x++, at++) {
      const own = there[at]!;
      if (own > before) runs++;
      before = own;
      if (own === 0) continue;
      all.pixels++;
      if (x < all.left) all.left = x;
      if (x >= all.right) all.right = x + 1;
      if (all.bottom === 0) all.top = y;
      all.bottom = y + 1;
    }
  }
  return runs > MOST_RUNS ? [all] : partsMarked(there, 1, width);
}

/**
 * Connected areas of certain colours, without what of them is narrower than so many pixels across or down: strokes and
 * lettering are none.
 */
export function wideParts(
  raster: Raster,
  colours: ReadonlySet<number>,
  across: number,
  down: number,
): Part[] {
  const { width, height } = raster;
  const there = pixelsWith(raster, colours);
  for (let x = 0; x < width; x++) {
    for (let y = 0; y < height;) {
      const from = y;
      while (y < height && there[y * width + x] !== 0) y++;
      if (y - from >= down) for (let row = from; row < y; row++) there[row * width + x] = 2;
      if (y === from) y++;
    }
  }
  const finder = new PartFinder();
  for (let y = 0; y < height; y++) {
    finder.beginRow(y);
    for (let x = 0; x < width;) {
      const from = x;
      while (x < width && there[y * width + x] !== 0) x++;
      // Narrow one way is narrow: both ways of each pixel are looked at.
      if (x - from >= across) takeMarkedRuns(finder, there, 2, y * width, { from, to: x });
      if (x === from) x++;
    }
  }
  return finder.parts();
}

/** Red, green and blue of a colour given as a word. */
export function levelsOf(colour: number): readonly [red: number, green: number, blue: number] {
  return [colour & 255, (colour >>> 8) & 255, (colour >>> 16) & 255];
}
