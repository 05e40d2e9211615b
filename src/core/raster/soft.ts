import type { PixelBox } from '../artwork/facts';
import { measureWhole, type BandMeasure } from './band';
import { IN_SILENCE, type Progress, type Raster } from './raster';

const CLEAR = 10;
const SOLID = 245;
/** Offsets within 2.5 pixels, nearest first: a half-transparent pixel this near to an edge's end is anti-aliasing. */
const NEAR: readonly (readonly [dx: number, dy: number])[] = (() => {
  const near: [number, number][] = [];
  for (let dy = -2; dy <= 2; dy++) {
    for (let dx = -2; dx <= 2; dx++)
      if (dx * dx + dy * dy <= 6.25 && (dx !== 0 || dy !== 0)) near.push([dx, dy]);
  }
  return near.sort((a, b) => Math.hypot(...a) - Math.hypot(...b));
})();

/** How much of a picture is soft, 0 to 1 of its area, and the box in pixels that holds all of it. */
export interface SoftPlaces {
  share: number;
  box: PixelBox | null;
}

/** Share of the picture's area that is soft: see `softPlaces`. */
export function softShare(raster: Raster, progress: Progress = IN_SILENCE): number {
  return softPlaces(raster, progress).share;
}

/**
 * What of a picture is soft: alpha 10 to 245 and further than 2.5 px from both a clear pixel and an opaque one, so that
 * the slope of an anti-aliased edge does not count. Only half-transparent pixels cost.
 */
export function softPlaces(raster: Raster, progress: Progress = IN_SILENCE): SoftPlaces {
  return measureWhole(softMeasure(raster.width, raster.height), raster, progress);
}

/** The same, of a picture whose bands come by. */
export function softMeasure(width: number, height: number): BandMeasure<SoftPlaces> {
  let soft = 0;
  let [left, top, right, bottom] = [Infinity, Infinity, -1, -1];
  return {
    take: ({ raster, first, rows, y }, progress) => {
      if (raster.opaque) return;
      for (let row = 0; row < rows; row++) {
        if (row % 256 === 0) progress(row / rows);
        const found = softInRow(raster, first + row);
        if (found.count === 0) continue;
        soft += found.count;
        [left, right] = [Math.min(left, found.first), Math.max(right, found.last)];
        [top, bottom] = [Math.min(top, y + row), y + row];
      }
    },
    result: () => ({
      share: soft / (width * height),
      box: soft === 0 ? null : { x: left, y: top, width: right - left + 1, height: bottom - top + 1 },
    }),
  };
}

/** Tells of every soft pixel. */
export function walkSoft(raster: Raster, told: (x: number, y: number) => void): void {
  if (raster.opaque) return;
  for (let y = 0; y < raster.height; y++) softInRow(raster, y, told);
}

/** Rows about a pixel, and how far along each lies within 2.5 pixels of it. */
const ROWS_NEAR = [-2, -1, 0, 1, 2].map((down) => ({
  down,
  reach: Math.floor(Math.sqrt(6.25 - down * down)),
}));

function softInRow(
  raster: Raster,
  y: number,
  told?: (x: number, y: number) => void,
): { count: number; first: number; last: number } {
  const { width, height, data } = raster;
  const row = y * width * 4 + 3;
  let count = 0;
  let first = 0;
  let last = 0;
  let inRun = false;
  /** The column up to which an end that was seen is near. */
  let near = -1;
  for (let x = 0; x < width; x++) {
    if (isEnd(data[row + x * 4]!)) {
      inRun = false;
      continue;
    }
    for (const { down, reach } of ROWS_NEAR) {
      if (y + down < 0 || y + down >= height) continue;
      const beside = row + down * width * 4;
      // What lies further back was seen from the pixel before.
      const from = inRun ? x + reach : Math.max(0, x - reach);
      for (let at = from; at <= x + reach && at < width; at++)
        if (isEnd(data[beside + at * 4]!)) near = Math.max(near, at + reach);
    }
    inRun = true;
    if (near >= x) continue;
    told?.(x, y);
    if (count === 0) first = x;
    last = x;
    count++;
  }
  return { count, first, last };
}

/** Whether a pixel is solid, or so near to one that what it is less is the smoothing of an edge. */
export function isNearSolid({ width, height, data }: Raster, x: number, y: number): boolean {
  const isSolid = (nx: number, ny: number) =>
    nx >= 0 && ny >= 0 && nx < width && ny < height && data[(ny * width + nx) * 4 + 3]! > SOLID;
  return isSolid(x, y) || NEAR.some(([dx, dy]) => isSolid(x + dx, y + dy));
}

function isEnd(alpha: number): boolean {
  return alpha < CLEAR || alpha > SOLID;
}
