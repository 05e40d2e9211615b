import type { PixelBox } from '../artwork/facts';

/** A connected part of a picture, corners counted as touching. */
export interface Part {
  pixels: number;
  left: number;
  top: number;
  /** One past the last column and row. */
  right: number;
  bottom: number;
}

/** A run of pixels of one row that belong to one part. */
export interface Run {
  y: number;
  start: number;
  /** One past the last. */
  end: number;
  part: Part;
}

export function boxOf({ left, top, right, bottom }: Part): PixelBox {
  return { x: left, y: top, width: right - left, height: bottom - top };
}

export function absorb(into: Part, other: Part): void {
  into.pixels += other.pixels;
  into.left = Math.min(into.left, other.left);
  into.top = Math.min(into.top, other.top);
  into.right = Math.max(into.right, other.right);
  into.bottom = Math.max(into.bottom, other.bottom);
}

/**
 * Finds connected parts, row by row from the top: a run is joined with those it touches in the row above, so that the
 * work is by runs, not by pixels.
 */
export class PartFinder {
  private readonly found: Part[] = [];
  private readonly parents: number[] = [];
  /** Start, end and part of each run of the row before. */
  private above: number[] = [];
  private row: number[] = [];
  private next = 0;
  private y = 0;
  /** y, start, end and part of every run, where they are kept. */
  private readonly kept: number[] = [];

  constructor(private readonly keepRuns = false) {}

  beginRow(y: number): void {
    this.above = this.row;
    this.row = [];
    this.next = 0;
    this.y = y;
  }

  /** Takes a run of the row, from left to right; `end` is one past its last pixel. */
  take(start: number, end: number): void {
    const { above, y } = this;
    let part = -1;
    while (this.next < above.length && above[this.next + 1]! < start) this.next += 3;
    for (let run = this.next; run < above.length && above[run]! <= end; run += 3) {
      const touched = this.root(above[run + 2]!);
      part = part === -1 ? touched : this.join(this.root(part), touched);
    }
    const own = { pixels: end - start, left: start, top: y, right: end, bottom: y + 1 };
    if (part === -1) {
      part = this.found.length;
      this.parents.push(part);
      this.found.push(own);
    } else absorb(this.found[part]!, own);
    this.row.push(start, end, part);
    if (this.keepRuns) this.kept.push(y, start, end, part);
  }

  parts(): Part[] {
    return this.found.filter((_, part) => this.parents[part] === part);
  }

  /** Every run that was taken, with the part it came to belong to. */
  *runs(): Generator<Run> {
    for (let i = 0; i < this.kept.length; i += 4) {
      const [y, start, end, part] = this.kept.slice(i, i + 4) as [number, number, number, number];
      yield { y, start, end, part: this.found[this.root(part)]! };
    }
  }

  private root(start: number): number {
    const { parents } = this;
    let part = start;
    while (parents[part] !== part) part = parents[part] = parents[parents[part]!]!;
    return part;
  }

  private join(a: number, b: number): number {
    const [low, high] = a < b ? [a, b] : [b, a];
    if (low === high) return low;
    this.parents[high] = low;
    absorb(this.found[low]!, this.found[high]!);
    return low;
  }
}

/** Hands on the runs of a row whose alpha lies within limits, both included. */
export function takeAlphaRuns(
  finder: PartFinder,
  data: Uint8Array,
  width: number,
  row: number,
  least: number,
  most: number,
): void {
  let at = row * width * 4 + 3;
  for (let x = 0; x < width;) {
    for (; x < width && (data[at]! < least || data[at]! > most); at += 4) x++;
    if (x === width) return;
    const start = x;
    for (; x < width && data[at]! >= least && data[at]! <= most; at += 4) x++;
    finder.take(start, x);
  }
}

/** Hands on the runs of a row of marks that have a value, from one column to another. */
export function takeMarkedRuns(
  finder: PartFinder,
  marks: Uint8Array,
  value: number,
  row: number,
  { from, to }: { from: number; to: number },
): void {
  for (let x = from; x < to;) {
    const start = x;
    while (x < to && marks[row + x] === value) x++;
    if (x > start) finder.take(start, x);
    else x++;
  }
}

/** Connected parts of the marks of a picture that have a value. */
export function partsMarked(marks: Uint8Array, value: number, width: number): Part[] {
  const finder = new PartFinder();
  for (let y = 0; y * width < marks.length; y++) {
    finder.beginRow(y);
    takeMarkedRuns(finder, marks, value, y * width, { from: 0, to: width });
  }
  return finder.parts();
}
