import { deltaE00 } from '../colour/difference';
import { hexOf, rgbOf, type Rgb } from '../colour/hex';
import { labOf, type Lab } from '../colour/lab';
import { plainName } from '../colour/names';
import type { Raster } from '../raster/raster';

/** An ink of a print made from few. */
export interface PlateInk {
  name: string;
  hex: string;
}

/** Colours this near (dE00) to one that is left open are open too. */
const OPEN = 6;
/** Colours nearer than this (dE00) to an ink that is there already are no ink of their own. */
const APART = 5;
/** Share of the picture from which a colour can be an ink. */
const LEAST_SHARE = 0.001;
/** Pixels that are looked at, at most; and levels by which a pixel may differ from its neighbour and be no edge. */
const MOST_SAMPLES = 250_000;
const EVEN = 10;
/** Pixels that a neighbour is away: an edge is smoothed over one or two. */
const AROUND = 2;
/** Separations that every press has: an ink of few is never called by their names unless it is asked for. */
const PROCESS = ['cyan', 'magenta', 'yellow', 'black', 'all', 'none'];
const ROUNDS = 24;

interface Bin {
  lab: Lab;
  rgb: Rgb;
  weight: number;
}

/**
 * The inks that a picture is best made from: those that are given, and others up to `count` in all, each where the most
 * of the picture is furthest from every ink so far, then moved to the middle of what is nearest to it (k-means in Lab).
 * Fewer where the picture has no more. For tones they are the outermost colours and no middles, since tones are what lies
 * between them. `open` are colours that need no ink, as the product has them itself.
 */
export function chooseInks(
  raster: Raster,
  {
    count,
    given = [],
    open,
    tones = false,
  }: { count: number; given?: readonly PlateInk[]; open: readonly string[]; tones?: boolean },
): PlateInk[] {
  const openLabs = open.map((hex) => labOf(...rgbOf(hex)));
  const bins = binsOf(raster).filter(({ lab }) => openLabs.every((one) => deltaE00(lab, one) > OPEN));
  const total = bins.reduce((sum, { weight }) => sum + weight, 0);
  const fixed = given.slice(0, count).map(({ hex }) => labOf(...rgbOf(hex)));
  const centres: Lab[] = [...fixed];
  const outermost: Bin[] = [];
  while (centres.length < count) {
    // What is bare of ink is an end of every tone too.
    const next = furthest(bins, tones ? [...openLabs, ...centres] : centres, total, tones);
    if (!next) break;
    centres.push(next.lab);
    outermost.push(next);
  }
  if (tones)
    return named([...given.slice(0, count), ...outermost.map(({ rgb }) => ({ name: '', hex: hexOf(rgb) }))]);
  for (let round = 0; round < ROUNDS; round++) {
    const groups = grouped(bins, centres);
    const moved = groups.map((group, i) => (i < fixed.length ? centres[i]! : middle(group, centres[i]!)));
    const still = moved.every((lab, i) => deltaE00(lab, centres[i]!) < 0.01);
    moved.forEach((lab, i) => (centres[i] = lab));
    if (still) break;
  }
  const found = grouped(bins, centres)
    .slice(fixed.length)
    .filter((group) => group.length > 0)
    .map((group) => hexOf(speaking(group)));
  return named([...given.slice(0, count), ...found.map((hex) => ({ name: '', hex }))]);
}

/** Inks each by a name of its own: plain words for those that have none. */
export function named<I extends PlateInk>(inks: readonly I[]): I[] {
  const taken = new Set<string>();
  return inks.map((ink) => {
    const plain = plainName(ink.hex);
    const base = ink.name.trim() || (PROCESS.includes(plain) ? `${plain} ink` : plain);
    let own = base;
    for (let n = 2; taken.has(own.toLowerCase()); n++) own = `${base} ${n}`;
    taken.add(own.toLowerCase());
    return { ...ink, name: own };
  });
}

/** The picture's colours where it is even, by their share: an edge's mixture is nobody's ink. */
function binsOf({ width, height, data }: Raster): Bin[] {
  const step = Math.max(1, Math.floor(Math.sqrt((width * height) / MOST_SAMPLES)));
  // Of each of 32,768 colours its red, green and blue in all, and how many there are.
  const sums = new Uint32Array(4 << 15);
  let found = 0;
  for (let even = 1; even >= 0 && found === 0; even--)
    for (let y = AROUND; y < height - AROUND; y += step)
      for (let x = AROUND; x < width - AROUND; x += step) {
        const at = (y * width + x) * 4;
        if (data[at + 3]! < 128) continue;
        if (even === 1 && !isEvenRound(data, at, width)) continue;
        const [red, green, blue] = [data[at]!, data[at + 1]!, data[at + 2]!];
        const sum = (((red >> 3) << 10) | ((green >> 3) << 5) | (blue >> 3)) << 2;
        sums[sum] = sums[sum]! + red;
        sums[sum + 1] = sums[sum + 1]! + green;
        sums[sum + 2] = sums[sum + 2]! + blue;
        sums[sum + 3] = sums[sum + 3]! + 1;
        found++;
      }
  const bins: Bin[] = [];
  for (let sum = 0; sum < sums.length; sum += 4) {
    const weight = sums[sum + 3]!;
    if (weight === 0) continue;
    const mean = (k: number) => Math.round(sums[sum + k]! / weight);
    const rgb: Rgb = [mean(0), mean(1), mean(2)];
    bins.push({ rgb, lab: labOf(...rgb), weight });
  }
  return bins;
}

/** Whether a pixel is as those on all sides of it, past the width of a smoothed edge. */
function isEvenRound(data: Uint8Array, at: number, width: number): boolean {
  const across = AROUND * 4;
  const down = AROUND * 4 * width;
  return (
    isEven(data, at, at - across) &&
    isEven(data, at, at + across) &&
    isEven(data, at, at - down) &&
    isEven(data, at, at + down)
  );
}

function isEven(data: Uint8Array, a: number, b: number): boolean {
  let off = 0;
  for (let k = 0; k < 4; k++) off += Math.abs(data[a + k]! - data[b + k]!);
  return off <= EVEN;
}

/** The colour that most of the picture has furthest from all inks; null where all of it is near to one. */
function furthest(bins: readonly Bin[], centres: readonly Lab[], total: number, tones: boolean): Bin | null {
  let best: Bin | null = null;
  let most = 0;
  for (const bin of bins) {
    const far = centres.length === 0 ? 100 : Math.min(...centres.map((lab) => deltaE00(lab, bin.lab)));
    // How far out a colour is says more of tones than how much there is of it.
    const pull = (tones ? Math.sqrt(Math.sqrt(bin.weight)) : bin.weight) * far * far;
    if (far < APART || bin.weight < total * LEAST_SHARE || pull <= most) continue;
    [best, most] = [bin, pull];
  }
  return best;
}

function grouped(bins: readonly Bin[], centres: readonly Lab[]): Bin[][] {
  const groups: Bin[][] = centres.map(() => []);
  for (const bin of bins) groups[nearestOf(bin.lab, centres)]?.push(bin);
  return groups;
}

/** The nearest of several colours, by plain distance in Lab. */
function nearestOf([L, a, b]: Lab, centres: readonly Lab[]): number {
  let [best, least] = [-1, Infinity];
  centres.forEach(([l, x, y], i) => {
    const far = (L - l) ** 2 + (a - x) ** 2 + (b - y) ** 2;
    if (far < least) [best, least] = [i, far];
  });
  return best;
}

function middle(group: readonly Bin[], so: Lab): Lab {
  const weight = group.reduce((sum, bin) => sum + bin.weight, 0);
  if (weight === 0) return so;
  const mean = (k: 0 | 1 | 2) => group.reduce((sum, bin) => sum + bin.lab[k] * bin.weight, 0) / weight;
  return [mean(0), mean(1), mean(2)];
}

/** The colour that speaks for a group: its own most frequent one where that is most of it, else its middle. */
function speaking(group: readonly Bin[]): Rgb {
  const weight = group.reduce((sum, bin) => sum + bin.weight, 0);
  const top = group.reduce((most, bin) => (bin.weight > most.weight ? bin : most));
  if (top.weight > weight / 2) return top.rgb;
  const mean = (k: 0 | 1 | 2) =>
    Math.round(group.reduce((sum, bin) => sum + bin.rgb[k] * bin.weight, 0) / weight);
  return [mean(0), mean(1), mean(2)];
}
