import { rgbOf } from '../colour/hex';
import { labOf, type Lab } from '../colour/lab';
import type { Raster } from './raster';

/** A colour of a picture and the label of the ink that is printed for it; 0 is left open. */
export interface LabelledColour {
  hex: string;
  label: number;
}

/** Labels that a picture is parted into, at most: 0 and the inks. */
const MOST_LABELS = 16;
/** Sum of levels within which a pixel is of an ink and no mixture. */
const PURE = 40;
/** Share of mixtures from which a picture is no flat drawing: each pixel then goes to the nearest ink. */
const MIXED = 0.35;
const UNSETTLED = 255;

/**
 * A picture in flat inks, one label a pixel: 0 is open. A pixel of an edge goes to one of those that lie round it, `reach`
 * pixels far, so that no fringe of a third ink stands between two.
 */
export function labelFlat(
  { width, height, data }: Raster,
  colours: readonly LabelledColour[],
  reach: number,
): Uint8Array {
  const near = new Nearest(colours);
  const rgbs = colours.map(({ hex }) => rgbOf(hex));
  const label = new Uint8Array(width * height);
  let mixed = 0;
  let shown = 0;
  // Flat pictures have long runs of one colour: it is looked up once a run.
  let [last, lastLabel] = [-1, 0];
  for (let i = 0, at = 0; i < label.length; i++, at += 4) {
    if (data[at + 3]! < 128) continue;
    shown++;
    const word = (data[at]! << 16) | (data[at + 1]! << 8) | data[at + 2]!;
    if (word !== last) [last, lastLabel] = [word, pureLabel(data, at, rgbs, colours)];
    label[i] = lastLabel;
    if (lastLabel === UNSETTLED) mixed++;
  }
  const isDrawing = mixed < shown * MIXED;
  const settled = label.slice();
  for (let y = 0, i = 0; y < height; y++)
    for (let x = 0; x < width; x++, i++) {
      if (label[i] !== UNSETTLED) continue;
      const round = isDrawing ? labelsRound(label, width, height, x, y, reach) : 0;
      settled[i] = near.of(data, i * 4, round);
    }
  return settled;
}

/** The label of the colour that a pixel is of; UNSETTLED where it is a mixture. */
function pureLabel(
  data: Uint8Array,
  at: number,
  rgbs: readonly (readonly [number, number, number])[],
  colours: readonly LabelledColour[],
): number {
  let [best, least] = [UNSETTLED, PURE];
  for (let k = 0; k < rgbs.length; k++) {
    const [r, g, b] = rgbs[k]!;
    const off = Math.abs(data[at]! - r) + Math.abs(data[at + 1]! - g) + Math.abs(data[at + 2]! - b);
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
  for (let row = Math.max(0, y - reach); row <= Math.min(height - 1, y + reach); row++)
    for (let column = Math.max(0, x - reach); column <= Math.min(width - 1, x + reach); column++) {
      const own = label[row * width + column]!;
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
  of(data: Uint8Array, at: number, among: number): number {
    const bin = ((data[at]! >> 3) << 10) | ((data[at + 1]! >> 3) << 5) | (data[at + 2]! >> 3);
    const key = bin * (1 << MOST_LABELS) + among;
    let found = this.known.get(key);
    if (found === undefined) {
      const [L, a, b] = labOf(data[at]!, data[at + 1]!, data[at + 2]!);
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
