import { rgbOf } from '../colour/hex';
import { labOf, type Lab } from '../colour/lab';
import { words, type Raster } from './raster';

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
  // As signed numbers, which are small ones to the machine: what is there has its topmost bit.
  const { buffer, byteOffset, length } = words(raster);
  const pixels = new Int32Array(buffer, byteOffset, length);
  const near = new Nearest(colours);
  const rgbs = colours.map(({ hex }) => rgbOf(hex));
  const label = new Uint8Array(width * height);
  let mixed = 0;
  let shown = 0;
  // Flat pictures have long runs of one colour: it is looked up once a run.
  let [last, lastLabel, lastNearest] = [0, 0, 0];
  for (let y = 0, i = 0; y < height; y++)
    for (let x = 0; x < width; x++, i++) {
      const pixel = pixels[i]!;
      if (pixel >= 0) continue;
      shown++;
      if (pixel !== last) {
        last = pixel;
        lastLabel = pureLabel(pixel, rgbs, colours);
        if (lastLabel === UNSETTLED) lastNearest = near.of(pixel, 0);
      }
      if (lastLabel !== UNSETTLED) label[i] = lastLabel;
      else if (isEven(pixels, i, x, y, width, height)) label[i] = lastNearest;
      else {
        label[i] = UNSETTLED;
        mixed++;
      }
    }
  if (mixed === 0) return label;
  const isDrawing = mixed < shown * MIXED;
  const settled = label.slice();
  for (let y = 0, i = 0; y < height; y++)
    for (let x = 0; x < width; x++, i++) {
      if (label[i] !== UNSETTLED) continue;
      settled[i] = near.of(pixels[i]!, isDrawing ? labelsRound(label, width, height, x, y, reach) : 0);
    }
  return settled;
}

/** Whether a pixel is as those beside, above and below it. */
function isEven(pixels: Int32Array, i: number, x: number, y: number, width: number, height: number): boolean {
  const own = pixels[i]!;
  return (
    (x === 0 || isAlike(own, pixels[i - 1]!)) &&
    (x === width - 1 || isAlike(own, pixels[i + 1]!)) &&
    (y === 0 || isAlike(own, pixels[i - width]!)) &&
    (y === height - 1 || isAlike(own, pixels[i + width]!))
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
function labelsRound(
  label: Uint8Array,
  width: number,
  height: number,
  x: number,
  y: number,
  reach: number,
): number {
  let bits = 0;
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
  const runs = runsOf(label, width, height);
  const area = new Map<number, number>();
  const rootOf = (i: number): number => {
    let root = i;
    while (runs[root]!.parent !== root) root = runs[root]!.parent;
    for (let at = i; at !== root;) [at, runs[at]!.parent] = [runs[at]!.parent, root];
    return root;
  };
  runs.forEach(({ from, to }, i) => {
    const root = rootOf(i);
    area.set(root, (area.get(root) ?? 0) + to - from);
  });
  const meets = new Map<number, Map<number, number>>();
  runs.forEach(({ y, from, to, label: own }, i) => {
    const root = rootOf(i);
    if (area.get(root)! >= least) return;
    const tally = meets.get(root) ?? new Map<number, number>();
    meets.set(root, tally);
    const count = (x: number, row: number) => {
      if (x < 0 || x >= width || row < 0 || row >= height) return;
      const other = label[row * width + x]!;
      if (other !== own) tally.set(other, (tally.get(other) ?? 0) + 1);
    };
    count(from - 1, y);
    count(to, y);
    for (let x = from; x < to; x++) {
      count(x, y - 1);
      count(x, y + 1);
    }
  });
  runs.forEach(({ y, from, to }, i) => {
    const tally = meets.get(rootOf(i));
    if (!tally || tally.size === 0) return;
    const [most] = [...tally].sort((a, b) => b[1] - a[1]);
    label.fill(most![0], y * width + from, y * width + to);
  });
}

interface Run {
  y: number;
  from: number;
  to: number;
  label: number;
  parent: number;
}

/** Runs of one label along rows, joined with those of the same label in the row above. */
function runsOf(label: Uint8Array, width: number, height: number): Run[] {
  const runs: Run[] = [];
  const find = (i: number): number => {
    let root = i;
    while (runs[root]!.parent !== root) root = runs[root]!.parent;
    return root;
  };
  let above: [start: number, end: number] = [0, 0];
  for (let y = 0; y < height; y++) {
    const start = runs.length;
    let before = above[0];
    for (let x = 0; x < width;) {
      const own = label[y * width + x]!;
      let to = x + 1;
      while (to < width && label[y * width + to] === own) to++;
      const i = runs.length;
      runs.push({ y, from: x, to, label: own, parent: i });
      while (before < above[1] && runs[before]!.to <= x) before++;
      for (let k = before; k < above[1] && runs[k]!.from < to; k++)
        if (runs[k]!.label === own) runs[find(k)]!.parent = find(i);
      x = to;
    }
    above = [start, runs.length];
  }
  return runs;
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
