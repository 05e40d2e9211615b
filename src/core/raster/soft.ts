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

/**
 * Share of the picture's area that is soft: alpha 10 to 245 and further than 2.5 px from both a clear pixel and
 * an opaque one, so that the slope of an anti-aliased edge does not count. Only half-transparent pixels cost.
 */
export function softShare(raster: Raster, progress: Progress = IN_SILENCE): number {
  return measureWhole(softMeasure(raster.width, raster.height), raster, progress);
}

/** The same, of a picture whose bands come by. */
export function softMeasure(width: number, height: number): BandMeasure<number> {
  const steps = Int32Array.from(NEAR, ([dx, dy]) => (dy * width + dx) * 4);
  let soft = 0;
  return {
    take: ({ raster, first, rows }, progress) => {
      if (raster.opaque) return;
      for (let row = 0; row < rows; row++) {
        if (row % 256 === 0) progress(row / rows);
        soft += softInRow(raster, first + row, steps);
      }
    },
    result: () => soft / (width * height),
  };
}

function softInRow(raster: Raster, y: number, steps: Int32Array): number {
  const { width, height, data } = raster;
  let soft = 0;
  const middle = y > 1 && y < height - 2;
  for (let x = 0, at = y * width * 4 + 3; x < width; x++, at += 4) {
    const alpha = data[at]!;
    if (alpha < CLEAR || alpha > SOLID) continue;
    const inner = middle && x > 1 && x < width - 2;
    if (inner ? !nearEnd(data, at, steps) : !nearEndAtBorder(raster, x, y)) soft++;
  }
  return soft;
}

function nearEnd(data: Uint8Array, at: number, steps: Int32Array): boolean {
  for (const step of steps) if (isEnd(data[at + step]!)) return true;
  return false;
}

function nearEndAtBorder({ width, height, data }: Raster, x: number, y: number): boolean {
  return NEAR.some(([dx, dy]) => {
    const nx = x + dx;
    const ny = y + dy;
    const there = nx >= 0 && ny >= 0 && nx < width && ny < height;
    return there && isEnd(data[(ny * width + nx) * 4 + 3]!);
  });
}

function isEnd(alpha: number): boolean {
  return alpha < CLEAR || alpha > SOLID;
}
