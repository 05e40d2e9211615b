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
    const { marks, rows } = markThin(raster, widest);
    for (let y = 0; marks && y < raster.height; y++) {
      finder.beginRow(y);
      if (rows[y] === 1) takeMarkedRuns(finder, marks, 1, y * raster.width, { from: 0, to: raster.width });
    }
  }
  const isLine = ({ left, top, right, bottom }: Part) => Math.max(right - left, bottom - top) >= shortest;
  return { parts: finder.parts().filter(isLine), finder };
}

/** Thin pixels between solid ones, across or down, and which rows have any; null where none has. */
function markThin(
  { width, height, data }: Raster,
  widest: number,
): { marks: Uint8Array | null; rows: Uint8Array } {
  let marks: Uint8Array | null = null;
  const rows = new Uint8Array(height);
  /** Thin pixels since the last solid one above, of each column; more than the widest where there was none. */
  const above = new Uint8Array(width).fill(widest + 1);
  for (let y = 0; y < height; y++) {
    let before = widest + 1;
    for (let x = 0, at = y * width; x < width; x++, at++) {
      const up = above[x]!;
      // Half-solid pixels belong to no gap, but do not end one.
      if (data[at * 4 + 3]! < SOLID) {
        before = Math.min(widest + 1, before + 1);
        above[x] = Math.min(widest + 1, up + 1);
        continue;
      }
      if (before > 0) {
        if (before <= widest) {
          marks ??= new Uint8Array(width * height);
          marks.fill(1, at - before, at);
          rows[y] = 1;
        }
        before = 0;
      }
      if (up > 0) {
        if (up <= widest) {
          marks ??= new Uint8Array(width * height);
          for (let by = 1; by <= up; by++) marks[at - by * width] = 1;
          rows.fill(1, y - up, y);
        }
        above[x] = 0;
      }
    }
  }
  for (let y = 0; marks && y < height; y++) {
    if (rows[y] === 0) continue;
    for (let at = y * width; at < (y + 1) * width; at++) if (data[at * 4 + 3]! >= THIN) marks[at] = 0;
  }
  return { marks, rows };
}
