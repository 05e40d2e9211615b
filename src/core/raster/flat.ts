import { rgbOf } from '../colour/hex';
import { labOf, type Lab } from '../colour/lab';
import { Places } from './places';
import { signedWords, type Raster } from './raster';
import { joinedRuns, rootOf } from './runs';

/** A colour of a picture and the label of the ink that is printed for it; 0 is left open. */
export interface LabelledColour {
  hex: string;
  label: number;
}

/** Labels that a picture is parted into, at most: 0 and the inks. */
const MOST_LABELS = 16;
/** Sums of levels within which a pixel is of an ink and no mixture, and within which it is as its neighbour. */
const [PURE, EVEN] = [40, 10];
/** Share of mixtures from which a picture is no flat drawing: each pixel then goes to the nearest ink. */
const MIXED = 0.35;
const UNSETTLED = 255;

/**
 * A picture in flat inks, one label a pixel: 0 is open. What is even goes to the nearest ink; a pixel of an edge to one of
 * those that lie round it, `reach` pixels far, so that no fringe of a third ink stands between two.
 */
export function labelFlat(raster: Raster, colours: readonly LabelledColour[], reach: number): Uint8Array {
  const { width, height } = raster;
  const pixels = signedWords(raster);
  const { length } = pixels;
  const near = new Nearest(colours);
  const rgbs = colours.map(({ hex }) => rgbOf(hex));
  const label = new Uint8Array(width * height);
  const unsettled = new Places();
  let shown = 0;
  // Flat pictures have long runs of one colour: each is looked up once.
  for (let i = 0; i < length;) {
    const pixel = pixels[i]!;
    const from = i++;
    while (i < length && pixels[i] === pixel) i++;
    if (pixel >= 0) continue;
    shown += i - from;
    const pure = pureLabel(pixel, rgbs, colours);
    if (pure !== UNSETTLED) {
      label.fill(pure, from, i);
      continue;
    }
    const nearest = near.of(pixel, 0);
    for (let at = from; at < i; at++) {
      if (isEven(pixels, at, width)) label[at] = nearest;
      else {
        label[at] = UNSETTLED;
        unsettled.add(at);
      }
    }
  }
  const mixed = unsettled.all();
  const isDrawing = mixed.length < shown * MIXED;
  const settled = mixed.map((at) =>
    near.of(pixels[at]!, isDrawing ? labelsRound(label, width, height, at, reach) : 0),
  );
  for (let i = 0; i < mixed.length; i++) label[mixed[i]!] = settled[i]!;
  return label;
}

/** Whether a pixel is as those beside, above and below it. */
function isEven(pixels: Int32Array, i: number, width: number): boolean {
  const own = pixels[i]!;
  const x = i % width;
  return (
    (x === 0 || isAlike(own, pixels[i - 1]!)) &&
    (x === width - 1 || isAlike(own, pixels[i + 1]!)) &&
    (i < width || isAlike(own, pixels[i - width]!)) &&
    (i + width >= pixels.length || isAlike(own, pixels[i + width]!))
  );
}

function isAlike(a: number, b: number): boolean {
  return a === b || (b < 0 && distance(a, b & 255, (b >>> 8) & 255, (b >>> 16) & 255) <= EVEN);
}

/** The sum of levels that a pixel is off a colour. */
function distance(pixel: number, red: number, green: number, blue: number): number {
  return (
    Math.abs((pixel & 255) - red) +
    Math.abs(((pixel >>> 8) & 255) - green) +
    Math.abs(((pixel >>> 16) & 255) - blue)
  );
}

/** The label of the colour that a pixel is of; UNSETTLED where it is of none. */
function pureLabel(
  pixel: number,
  rgbs: readonly (readonly [number, number, number])[],
  colours: readonly LabelledColour[],
): number {
  let [best, least] = [UNSETTLED, PURE];
  for (let k = 0; k < rgbs.length; k++) {
    const [red, green, blue] = rgbs[k]!;
    const off = distance(pixel, red, green, blue);
    if (off < least) [best, least] = [colours[k]!.label, off];
  }
  return best;
}

/** Which labels lie round a pixel, a bit each; where nothing lies counts as open, and is chosen only where a colour is. */
function labelsRound(label: Uint8Array, width: number, height: number, at: number, reach: number): number {
  let bits = 0;
  const [x, y] = [at % width, Math.floor(at / width)];
  const [left, right] = [Math.max(0, x - reach), Math.min(width - 1, x + reach)];
  const bottom = Math.min(height - 1, y + reach);
  for (let row = Math.max(0, y - reach); row <= bottom; row++)
    for (let i = row * width + left; i <= row * width + right; i++) {
      const own = label[i]!;
      if (own !== UNSETTLED) bits |= 1 << own;
    }
  return bits;
}

/** The nearest of several colours, asked once for each of 32,768. */
class Nearest {
  private readonly known = new Map<number, number>();
  private readonly colours: readonly { lab: Lab; label: number }[];

  constructor(colours: readonly LabelledColour[]) {
    this.colours = colours.map(({ hex, label }) => ({ lab: labOf(...rgbOf(hex)), label }));
  }

  /** Among the labels whose bits are set, or among all where none of them is a colour. */
  of(pixel: number, among: number): number {
    const [red, green, blue] = [pixel & 255, (pixel >>> 8) & 255, (pixel >>> 16) & 255];
    const bin = ((red >> 3) << 10) | ((green >> 3) << 5) | (blue >> 3);
    const key = bin * (1 << MOST_LABELS) + among;
    let found = this.known.get(key);
    if (found === undefined) {
      const [L, a, b] = labOf(red, green, blue);
      const allowed = this.colours.filter(({ label }) => among & (1 << label));
      let least = Infinity;
      for (const { lab, label } of allowed.length > 0 ? allowed : this.colours) {
        const far = (L - lab[0]) ** 2 + (a - lab[1]) ** 2 + (b - lab[2]) ** 2;
        if (far < least) [found, least] = [label, far];
      }
      this.known.set(key, (found ??= 0));
    }
    return found;
  }
}

/** Gives parts of one label that are smaller than so many pixels to the label that most of their edge meets. */
export function settleIslands(label: Uint8Array, width: number, height: number, least: number): void {
  // No part is smaller than a pixel.
  if (least <= 1) return;
  const { from, to, parent } = joinedRuns(label, width, height);
  const area = new Uint32Array(from.length);
  for (let i = 0; i < from.length; i++) {
    const root = rootOf(parent, i);
    area[root] = area[root]! + to[i]! - from[i]!;
  }
  const meets = new Map<number, Map<number, number>>();
  for (let i = 0; i < from.length; i++) {
    const root = rootOf(parent, i);
    if (area[root]! >= least) continue;
    const tally = meets.get(root) ?? new Map<number, number>();
    meets.set(root, tally);
    const [start, end] = [from[i]!, to[i]!];
    const own = label[start]!;
    const count = (at: number) => {
      const other = label[at];
      if (other !== undefined && other !== own) tally.set(other, (tally.get(other) ?? 0) + 1);
    };
    if (start % width > 0) count(start - 1);
    if (end % width > 0) count(end);
    for (let at = start; at < end; at++) {
      count(at - width);
      count(at + width);
    }
  }
  for (let i = 0; meets.size > 0 && i < from.length; i++) {
    const tally = meets.get(rootOf(parent, i));
    if (!tally || tally.size === 0) continue;
    const [most] = [...tally].sort((a, b) => b[1] - a[1]);
    label.fill(most![0], from[i], to[i]);
  }
}

/** Gives the connected part of one label that a pixel belongs to another label; where nothing else bounds it, all of it. */
export function relabelPart(
  label: Uint8Array,
  width: number,
  height: number,
  { x, y }: { x: number; y: number },
  to: number,
): void {
  if (x < 0 || y < 0 || x >= width || y >= height) return;
  const own = label[y * width + x]!;
  if (own === to) return;
  const waiting = [y * width + x];
  for (let at = waiting.pop(); at !== undefined; at = waiting.pop()) {
    if (label[at] !== own) continue;
    const row = at - (at % width);
    let [from, end] = [at, at + 1];
    while (from > row && label[from - 1] === own) from--;
    while (end < row + width && label[end] === own) end++;
    label.fill(to, from, end);
    for (const beside of [from - width, from + width]) {
      if (beside < 0 || beside >= label.length) continue;
      // One pixel of each run that touches.
      for (let i = beside, inRun = false; i < beside + end - from; i++) {
        const is = label[i] === own;
        if (is && !inRun) waiting.push(i);
        inRun = is;
      }
    }
  }
}
