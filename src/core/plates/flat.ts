import { rgbOf } from '../colour/hex';
import { labOf, type Lab } from '../colour/lab';
import type { Raster } from '../raster/raster';
import { nearestOf, type PlateInk } from './inks';

/** Sum of levels within which a pixel is of an ink and no mixture. */
const PURE = 40;
/** Share of mixtures from which a picture is no flat drawing: each pixel then goes to the nearest ink. */
const MIXED = 0.35;
const UNSETTLED = 255;

/**
 * A picture in flat inks, one label a pixel: 0 is open, 1 and on the inks. A pixel of an edge goes to one of those that lie
 * round it, `reach` pixels far, so that no fringe of a third ink stands between two. `open` is the product's own colour.
 */
export function labelFlat(
  { width, height, data }: Raster,
  inks: readonly PlateInk[],
  open: string | null,
  reach: number,
): Uint8Array {
  const colours = [...(open === null ? [] : [open]), ...inks.map(({ hex }) => hex)].map(rgbOf);
  const labs = colours.map((rgb) => labOf(...rgb));
  const first = open === null ? 1 : 0;
  const label = new Uint8Array(width * height);
  let mixed = 0;
  let shown = 0;
  for (let i = 0, at = 0; i < label.length; i++, at += 4) {
    if (data[at + 3]! < 128) continue;
    shown++;
    let [best, least] = [UNSETTLED, PURE];
    for (let k = 0; k < colours.length; k++) {
      const [r, g, b] = colours[k]!;
      const off = Math.abs(data[at]! - r) + Math.abs(data[at + 1]! - g) + Math.abs(data[at + 2]! - b);
      if (off < least) [best, least] = [k + first, off];
    }
    label[i] = best;
    if (best === UNSETTLED) mixed++;
  }
  const near = new Nearest(labs, first);
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

/** Which labels lie round a pixel, a bit each; open is among them only where it is the product's own colour. */
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

  constructor(
    private readonly labs: readonly Lab[],
    private readonly first: number,
  ) {}

  /** Among the labels whose bits are set, or among all where none of them is a colour. */
  of(data: Uint8Array, at: number, among: number): number {
    const bin = ((data[at]! >> 3) << 10) | ((data[at + 1]! >> 3) << 5) | (data[at + 2]! >> 3);
    const key = bin * 1024 + (among & 1023);
    let found = this.known.get(key);
    if (found === undefined) {
      const lab = labOf(data[at]!, data[at + 1]!, data[at + 2]!);
      const all = this.labs.map((_, i) => i);
      const allowed = all.filter((i) => among & (1 << (i + this.first)));
      const which = allowed.length > 0 ? allowed : all;
      const nearest = nearestOf(
        lab,
        which.map((i) => this.labs[i]!),
      );
      found = which[nearest]! + this.first;
      this.known.set(key, found);
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
