import { deltaE00 } from '../colour/difference';
import { labOf, type Lab } from '../colour/lab';
import { measureWhole, type BandMeasure } from './band';
import { once } from '../memo';
import { IN_SILENCE, signedWords, type Progress, type Raster } from './raster';

/** Above this a picture counts as a photograph and has no ink count. */
export const MOST_INKS = 32;
/** An ink under this share of the picture's area does not count. */
const LEAST_SHARE = 0.0005;
/** Distinct colours, and colours too far apart to merge, beyond which it is no flat artwork, lossy or not. */
const MOST_COLOURS = 4000;
const MOST_APART = 200;
/** Pixels looked at, at most: enough that a colour of 0.05 % is still seen a hundred times over. */
const SAMPLES = 400_000;

/** Colours nearer than this (dE00) are one ink. */
export const MERGED = 5;
/** Flat artwork lies this near (dE00) to its inks, nearly all of it; gradients and photographs do not. */
const CLOSE = 1.5;
const FLAT_SHARE = 0.8;

/** An ink of flat artwork: its colour, and the pixels of it that were looked at. */
export interface Ink {
  lab: Lab;
  /** The commonest colour of those that were merged, as `words` gives it. */
  word: number;
  pixels: number;
}

/**
 * Inks that the picture needs: flat colours after leaving out anti-aliased edges and merging colours that lie
 * nearer than dE 5; `null` where there are more than 32, or colours run into one another, as in a photograph. A pixel is flat where its right
 * and lower neighbours are alike, which no edge pixel is.
 */
export function inkCount(raster: Raster, progress: Progress = IN_SILENCE): number | null {
  return measureWhole(inkMeasure(raster.width, raster.height), raster, progress)?.length ?? null;
}

/** The inks themselves, the commonest first, of a picture whose bands come by. */
export function inkMeasure(width: number, height: number): BandMeasure<Ink[] | null> {
  const step = Math.max(1, Math.floor(Math.sqrt((width * height) / SAMPLES)));
  const counts: Counts = { byColour: new Map(), looked: 0, present: 0, flat: 0 };
  return {
    take: ({ raster, first, rows, y }, progress) => {
      for (let row = (step - (y % step)) % step; row < rows; row += step) {
        if (row % 64 < step) progress(row / rows);
        if (first + row + 1 < raster.height) countRow(raster, first + row, step, counts);
      }
    },
    result: () => {
      const inks = mergedInks(counts);
      const counted = inks?.filter(({ pixels }) => pixels >= counts.looked * LEAST_SHARE) ?? null;
      return counted && counted.length > MOST_INKS ? null : counted;
    },
  };
}

/** Every flat colour of a picture, also the rarest; null where it is no flat artwork. Several rules ask for them. */
export const flatColours = once((raster: Raster): readonly Ink[] | null => {
  const { width, height } = raster;
  const step = Math.max(1, Math.floor(Math.sqrt((width * height) / SAMPLES)));
  const counts: Counts = { byColour: new Map(), looked: 0, present: 0, flat: 0 };
  for (let row = 0; row + 1 < height; row += step) countRow(raster, row, step, counts);
  return mergedInks(counts);
});

/** Flat colours, those that are alike merged, the commonest first. */
function mergedInks(counts: Counts): Ink[] | null {
  // Hardly anything flat, or too many colours that are: no flat artwork.
  if (counts.present > 0 && (counts.flat < counts.present / 3 || counts.byColour.size > MOST_COLOURS))
    return null;
  const colours: Ink[] = [...counts.byColour]
    .sort((a, b) => b[1] - a[1])
    .map(([word, pixels]) => ({
      lab: labOf(word & 255, (word >> 8) & 255, (word >> 16) & 255),
      word,
      pixels,
    }));
  const inks: Ink[] = [];
  let close = 0;
  for (const colour of colours) {
    const same = inks.find((ink) => deltaE00(ink.lab, colour.lab) < MERGED);
    if (!same || deltaE00(same.lab, colour.lab) < CLOSE) close += colour.pixels;
    if (same) same.pixels += colour.pixels;
    else inks.push({ ...colour });
    if (inks.length > MOST_APART) return null;
  }
  const flat = colours.reduce((sum, { pixels }) => sum + pixels, 0);
  if (close < flat * FLAT_SHARE) return null;
  return inks.sort((a, b) => b.pixels - a.pixels);
}

/** Flat colours with their pixels, and how many pixels were looked at, were there, and were flat. */
interface Counts {
  byColour: Map<number, number>;
  looked: number;
  present: number;
  flat: number;
}

function countRow(raster: Raster, y: number, step: number, counts: Counts): void {
  const { width } = raster;
  const pixels = signedWords(raster);
  for (let x = 0; x + 1 < width; x += step) {
    counts.looked++;
    const at = y * width + x;
    const word = pixels[at]!;
    // What is printed is negative.
    if (word >= 0) continue;
    counts.present++;
    if (!alike(word, pixels[at + 1]!) || !alike(word, pixels[at + width]!)) continue;
    counts.flat++;
    const key = word & 0xffffff;
    counts.byColour.set(key, (counts.byColour.get(key) ?? 0) + 1);
  }
}

/** Within 3 levels in each channel: what a lossy file does to a flat colour. */
function alike(a: number, b: number): boolean {
  return (
    Math.abs((a & 255) - (b & 255)) <= 3 &&
    Math.abs(((a >> 8) & 255) - ((b >> 8) & 255)) <= 3 &&
    Math.abs(((a >> 16) & 255) - ((b >> 16) & 255)) <= 3
  );
}
