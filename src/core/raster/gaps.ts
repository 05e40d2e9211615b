import { PartFinder, takeMarkedRuns, type Part } from './parts';
import type { Raster } from './raster';

/** Alpha under which something shows through, and from which a side is solid. */
const THIN = 235;
const SOLID = 245;
/** A gap is at most this wide and at least this long, in mm; in pixels, within what can be told. */
const WIDEST = 0.25;
const SHORTEST = 1.35;
const LEAST_LENGTH = 8;
const MOST_WIDTH = 100;

/**
 * Hairline gaps: lines where solid shapes do not quite meet, so that the product shows between them. Both along rows
 * and along columns a few thin pixels lie between solid ones; those that connect to a line are a gap.
 */
export function findGaps(raster: Raster, mm: number): { parts: Part[]; finder: PartFinder } {
  const widest = Math.min(MOST_WIDTH, Math.max(1, Math.round(WIDEST / mm)));
  const shortest = Math.max(LEAST_LENGTH, SHORTEST / mm);
  const finder = new PartFinder(true);
  if (!raster.opaque) {
    const marked = markThin(raster, widest);
    for (let y = 0; y < raster.height; y++) {
      finder.beginRow(y);
      takeMarkedRuns(finder, marked, 1, y * raster.width, { from: 0, to: raster.width });
    }
  }
  const isLine = ({ left, top, right, bottom }: Part) => Math.max(right - left, bottom - top) >= shortest;
  return { parts: finder.parts().filter(isLine), finder };
}

/** Thin pixels between solid ones, across or down. */
function markThin({ width, height, data }: Raster, widest: number): Uint8Array {
  const marked = new Uint8Array(width * height);
  /** Thin pixels since the last solid one above, of each column; more than the widest where there was none. */
  const above = new Uint8Array(width).fill(widest + 1);
  for (let y = 0; y < height; y++) {
    let before = widest + 1;
    for (let x = 0, at = y * width; x < width; x++, at++) {
      const alpha = data[at * 4 + 3]!;
      if (alpha >= SOLID) {
        if (before > 0 && before <= widest) marked.fill(1, at - before, at);
        if (above[x]! > 0 && above[x]! <= widest)
          for (let up = 1; up <= above[x]!; up++) marked[at - up * width] = 1;
        before = 0;
        above[x] = 0;
      } else {
        // Half-solid pixels belong to no gap, but do not end one.
        before = Math.min(widest + 1, before + 1);
        above[x] = Math.min(widest + 1, above[x]! + 1);
      }
    }
  }
  for (let at = 0; at < marked.length; at++)
    if (marked[at] === 1 && data[at * 4 + 3]! >= THIN) marked[at] = 0;
  return marked;
}
