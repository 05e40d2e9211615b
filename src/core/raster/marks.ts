import { PRESENT } from './bounds';
import { boxOf, type Part } from './parts';
import type { Raster } from './raster';

/** mm that a crop mark is thick at the most, a point, and long at the least; and how many times as long as thick. */
const THICKNESS = 0.353;
/** Rows more that it may have a part of, where it lies off a corner; elsewhere it may be a dash of lettering. */
const PARTS = 2;
const LENGTH = 1.35;
const RATIO = 8;
/** mm that a corner or a registration mark measures, each way. */
const LEAST_SIDE = 2;
const MOST_SIDE = 16;
/** Share of a side that a bar of it has. */
const BAR = 0.9;
/** Share of its own box that a mark of thin lines fills at the most. */
const SPARSE = 0.45;
/** How far off a side's middle, of it, a cross may have its middle. */
const MIDDLE = 0.1;
/** mm by which a registration mark may miss the middle of what it registers. */
const ON_MIDDLE = 1;

/** A bar; two that meet in a corner; or a cross, with a ring about its middle or without. */
export type Mark = 'bar' | 'corner' | 'target' | 'cross';

/** What kind of printer's mark a part has the form of; null where it has none. */
export function markOf(part: Part, raster: Raster, mm: number): Mark | null {
  return isBar(part, mm) ? 'bar' : crossOf(part, raster, mm);
}

function isBar(part: Part, mm: number): boolean {
  const { width, height } = boxOf(part);
  const [thin, long] = width < height ? [width, height] : [height, width];
  return (
    thin <= Math.max(2, THICKNESS / mm) + PARTS &&
    long >= Math.max(LENGTH / mm, thin * RATIO) &&
    part.pixels >= 0.8 * thin * long
  );
}

/** A level and an upright bar from end to end of the part, and nothing beside them but a ring about where they cross. */
function crossOf(part: Part, { width, data }: Raster, mm: number): Exclude<Mark, 'bar'> | null {
  const box = boxOf(part);
  const [least, most] = [LEAST_SIDE / mm, MOST_SIDE / mm];
  if (Math.min(box.width, box.height) < least || Math.max(box.width, box.height) > most) return null;
  if (part.pixels > SPARSE * box.width * box.height) return null;
  const isThere = (x: number, y: number) => data[((box.y + y) * width + box.x + x) * 4 + 3]! > PRESENT;
  const rows = new Uint32Array(box.height);
  const columns = new Uint32Array(box.width);
  for (let y = 0; y < box.height; y++)
    for (let x = 0; x < box.width; x++) {
      if (!isThere(x, y)) continue;
      rows[y]!++;
      columns[x]!++;
    }
  const thick = Math.max(2, THICKNESS / mm) + 2;
  const level = bandOf(rows, box.width * BAR, thick);
  const upright = bandOf(columns, box.height * BAR, thick);
  if (!level || !upright) return null;
  const [cx, cy] = [(upright.from + upright.to) / 2, (level.from + level.to) / 2];
  let [nearest, farthest] = [Infinity, 0];
  for (let y = 0; y < box.height; y++) {
    if (y >= level.from - 1 && y <= level.to) continue;
    for (let x = 0; x < box.width; x++) {
      if ((x >= upright.from - 1 && x <= upright.to) || !isThere(x, y)) continue;
      const off = Math.hypot(x + 0.5 - cx, y + 0.5 - cy);
      nearest = Math.min(nearest, off);
      farthest = Math.max(farthest, off);
    }
  }
  const inMiddle = (at: number, side: number) => Math.abs(at / side - 0.5) <= MIDDLE;
  const crosses = inMiddle(cx, box.width) && inMiddle(cy, box.height);
  if (farthest > 0) return crosses && farthest - nearest <= thick ? 'target' : null;
  if (crosses) return 'cross';
  const atEnd = (at: number, side: number) => Math.min(at, side - at) <= thick;
  return atEnd(cx, box.width) && atEnd(cy, box.height) ? 'corner' : null;
}

/** The one thin band of rows that are filled from end to end. */
function bandOf(counts: Uint32Array, full: number, thick: number): { from: number; to: number } | null {
  const from = counts.findIndex((count) => count >= full);
  if (from === -1) return null;
  const to = counts.findLastIndex((count) => count >= full) + 1;
  return to - from <= thick ? { from, to } : null;
}

/** How much of a bar may lie along the artwork for it to be a crop mark: rules and underlines do. */
const ALONG = 0.2;

/**
 * Whether a mark lies where such marks are put round the rest of a picture: bars off its ends, corners off its corners,
 * crosses beside it, those without a ring at its middle.
 */
export function isAround(mark: Mark, part: Part, whole: Part, mm: number): boolean {
  if (mark === 'bar') return !isAlong(part, whole) && (isThin(part, mm) || isOffCorner(part, whole));
  const [x, y] = [(part.left + part.right) / 2, (part.top + part.bottom) / 2];
  const beside = x < whole.left || x > whole.right;
  const aboveOrBelow = y < whole.top || y > whole.bottom;
  if (mark === 'corner') return beside && aboveOrBelow;
  if (mark === 'target') return beside || aboveOrBelow;
  const off = ON_MIDDLE / mm;
  return (
    (beside && Math.abs(y - (whole.top + whole.bottom) / 2) <= off) ||
    (aboveOrBelow && Math.abs(x - (whole.left + whole.right) / 2) <= off)
  );
}

function isThin(bar: Part, mm: number): boolean {
  const { width, height } = boxOf(bar);
  return Math.min(width, height) <= Math.max(2, THICKNESS / mm);
}

/** Share of a side within which of its end a bar lies off a corner. */
const CORNER = 0.25;

/** Whether a bar points at an end of the side that it stands off. */
function isOffCorner(bar: Part, whole: Part): boolean {
  const level = bar.right - bar.left > bar.bottom - bar.top;
  const [at, from, to] = level
    ? [(bar.top + bar.bottom) / 2, whole.top, whole.bottom]
    : [(bar.left + bar.right) / 2, whole.left, whole.right];
  return Math.min(Math.abs(at - from), Math.abs(at - to)) <= CORNER * (to - from);
}

/** Whether a line lies along the artwork, above, below or beside it. */
function isAlong(line: Part, whole: Part): boolean {
  const level = line.right - line.left > line.bottom - line.top;
  const [from, to, low, high] = level
    ? [line.left, line.right, whole.left, whole.right]
    : [line.top, line.bottom, whole.top, whole.bottom];
  return Math.min(to, high) - Math.max(from, low) > ALONG * (to - from);
}
