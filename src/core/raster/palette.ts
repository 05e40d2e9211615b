import { deltaE00 } from '../colour/difference';
import { hexOf, hexOfWord, type Rgb } from '../colour/hex';
import { labOf, type Lab } from '../colour/lab';
import type { PaletteColour } from '../colour/palette';
import type { Ink } from './inks';
import { words, type Raster } from './raster';

/** Colours of flat artwork: its inks, the commonest first. */
export function paletteOfInks(inks: readonly Ink[]): PaletteColour[] {
  const whole = inks.reduce((sum, { pixels }) => sum + pixels, 0);
  return inks.map(({ word, pixels }) => ({ hex: hexOfWord(word), share: pixels / whole }));
}

/** Colours that a photograph is summed up in. */
const SUMMED_UP = 8;
const ROUNDS = 12;

interface Bucket {
  rgb: Rgb;
  lab: Lab;
  pixels: number;
}

/**
 * Colours that sum a photograph up: its pixels, gathered by near equality, each go to the nearest of eight centres,
 * which move to the middle of what came to them (k-means in Lab). The first centres are the commonest colours that
 * lie well apart, so that the same picture always gives the same palette.
 */
export function paletteOfPicture(raster: Raster): PaletteColour[] {
  const buckets = bucketsOf(raster);
  let centres = firstCentres(buckets);
  let groups: Bucket[][] = [];
  for (let round = 0; round < ROUNDS; round++) {
    groups = centres.map(() => []);
    for (const bucket of buckets) groups[nearest(centres, bucket.lab)]!.push(bucket);
    groups = groups.filter((group) => group.length > 0);
    centres = groups.map((group) => labOf(...meanOf(group)));
  }
  const whole = pixelsOf(buckets);
  return groups
    .map((group) => ({ hex: hexOf(meanOf(group)), share: pixelsOf(group) / whole }))
    .sort((a, b) => b.share - a.share);
}

/** Pixels that are there, gathered by the upper four bits of each channel. */
function bucketsOf(raster: Raster): Bucket[] {
  const sums = new Map<number, [red: number, green: number, blue: number, pixels: number]>();
  for (const word of words(raster)) {
    if (word >>> 24 < 128) continue;
    const key = word & 0x00f0f0f0;
    const sum = sums.get(key) ?? [0, 0, 0, 0];
    sum[0] += word & 255;
    sum[1] += (word >>> 8) & 255;
    sum[2] += (word >>> 16) & 255;
    sum[3]++;
    sums.set(key, sum);
  }
  return [...sums.values()].map(([red, green, blue, pixels]) => {
    const rgb: Rgb = [red / pixels, green / pixels, blue / pixels];
    return { rgb, lab: labOf(...rounded(rgb)), pixels };
  });
}

const APART = 12;

function firstCentres(buckets: readonly Bucket[]): Lab[] {
  const centres: Lab[] = [];
  for (const { lab } of [...buckets].sort((a, b) => b.pixels - a.pixels)) {
    if (centres.length === SUMMED_UP) break;
    if (centres.every((centre) => deltaE00(centre, lab) > APART)) centres.push(lab);
  }
  return centres;
}

/** By distance in Lab: near enough for gathering, and quick. */
function nearest(centres: readonly Lab[], [L, a, b]: Lab): number {
  let best = 0;
  let least = Infinity;
  centres.forEach(([cL, ca, cb], index) => {
    const far = (L - cL) ** 2 + (a - ca) ** 2 + (b - cb) ** 2;
    if (far < least) [best, least] = [index, far];
  });
  return best;
}

function meanOf(group: readonly Bucket[]): Rgb {
  const pixels = pixelsOf(group);
  const mean = (channel: 0 | 1 | 2) =>
    group.reduce((sum, bucket) => sum + bucket.rgb[channel] * bucket.pixels, 0) / pixels;
  return rounded([mean(0), mean(1), mean(2)]);
}

function rounded(rgb: Rgb): Rgb {
  return [Math.round(rgb[0]), Math.round(rgb[1]), Math.round(rgb[2])];
}

function pixelsOf(buckets: readonly Bucket[]): number {
  return buckets.reduce((sum, { pixels }) => sum + pixels, 0);
}
