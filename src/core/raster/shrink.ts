import { IN_SILENCE, type Progress, type Raster } from './raster';

/**
 * Shrinks by whole factors, each pixel the average of the block it stands for, colour weighted by alpha; a last
 * block may be smaller. No pixel is skipped.
 */
export function boxShrink(raster: Raster, fx: number, fy: number, progress: Progress = IN_SILENCE): Raster {
  if (fx === 1 && fy === 1) return raster;
  const width = Math.ceil(raster.width / fx);
  const height = Math.ceil(raster.height / fy);
  const data = new Uint8Array(width * height * 4);
  const sums = new Float64Array(width * 4);
  const counts = new Uint32Array(width);
  for (let row = 0; row < height; row++) {
    if (row % 64 === 0) progress(row / height);
    sums.fill(0);
    counts.fill(0);
    const last = Math.min(raster.height, (row + 1) * fy);
    for (let y = row * fy; y < last; y++) addRow(raster, y, fx, sums, counts);
    for (let column = 0, at = row * width * 4, s = 0; column < width; column++, at += 4, s += 4) {
      const alpha = sums[s + 3]!;
      if (alpha === 0) continue;
      data[at] = sums[s]! / alpha + 0.5;
      data[at + 1] = sums[s + 1]! / alpha + 0.5;
      data[at + 2] = sums[s + 2]! / alpha + 0.5;
      data[at + 3] = alpha / counts[column]! + 0.5;
    }
  }
  return { width, height, data, opaque: raster.opaque };
}

function addRow(raster: Raster, y: number, fx: number, sums: Float64Array, counts: Uint32Array): void {
  const { width, data } = raster;
  let at = y * width * 4;
  for (let x = 0, column = 0, left = fx; x < width; x++, at += 4) {
    const alpha = data[at + 3]!;
    const s = column * 4;
    if (alpha !== 0) {
      sums[s]! += data[at]! * alpha;
      sums[s + 1]! += data[at + 1]! * alpha;
      sums[s + 2]! += data[at + 2]! * alpha;
      sums[s + 3]! += alpha;
    }
    counts[column]!++;
    if (--left === 0) {
      column++;
      left = fx;
    }
  }
}

/** The picture at no more than `side` pixels along its longer side, by a whole factor. */
export function reducedTo(raster: Raster, side: number, progress?: Progress): Raster {
  const factor = Math.ceil(Math.max(raster.width, raster.height) / side);
  return boxShrink(raster, factor, factor, progress);
}
