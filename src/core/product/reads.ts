import { PRESENT } from '../raster/bounds';
import type { Raster } from '../raster/raster';
import type { Span } from './views';

/** How much of a motif lies at each mm of a face: pixels that are there, by column, and how many columns a mm has. */
export interface Columns {
  counts: Float64Array;
  perMm: number;
  /** mm of the face where the first column begins. */
  left: number;
}

/** Counts what of a motif, drawn alone over a face, is there in each column. */
export function columnsOf({ width, height, data }: Raster, left: number, perMm: number): Columns {
  const counts = new Float64Array(width);
  for (let y = 0, at = 3; y < height; y++)
    for (let x = 0; x < width; x++, at += 4) if (data[at]! > PRESENT) counts[x]!++;
  return { counts, perMm, left };
}

/**
 * Read share of a motif from a side: its area within the stretches of the face that read from there, over its area.
 * 1 where there is nothing of it.
 */
export function readShare({ counts, perMm, left }: Columns, spans: readonly Span[]): number {
  let [all, within] = [0, 0];
  counts.forEach((count, column) => {
    const [from, to] = [left + column / perMm, left + (column + 1) / perMm];
    all += count;
    // A column that lies partly in a stretch counts by as much.
    const share = spans.reduce(
      (sum, span) => sum + Math.max(0, Math.min(to, span.to) - Math.max(from, span.from)),
      0,
    );
    within += count * Math.min(1, share * perMm);
  });
  return all === 0 ? 1 : within / all;
}
