import { wholeBand, type Band, type BandMeasure } from './band';
import { IN_SILENCE, type Progress, type Raster } from './raster';

/**
 * Shrinks by whole factors, each pixel the average of the block it stands for, colour weighted by alpha; a last
 * block may be smaller. No pixel is skipped.
 */
export function boxShrink(raster: Raster, fx: number, fy: number, progress: Progress = IN_SILENCE): Raster {
  if (fx === 1 && fy === 1) return raster;
  const shrinker = new BandShrinker(raster.width, raster.height, fx, fy);
  shrinker.take(wholeBand(raster), progress);
  return shrinker.result();
}

/** The same, of a picture whose bands come by. */
export class BandShrinker implements BandMeasure<Raster> {
  private readonly width: number;
  private readonly data: Uint8Array;
  private readonly sums: Float64Array;
  private readonly counts: Uint32Array;
  private opaque = true;

  constructor(
    width: number,
    private readonly height: number,
    private readonly fx: number,
    private readonly fy = fx,
  ) {
    this.width = Math.ceil(width / fx);
    this.data = new Uint8Array(this.width * Math.ceil(height / fy) * 4);
    this.sums = new Float64Array(this.width * 4);
    this.counts = new Uint32Array(this.width);
  }

  take({ raster, first, rows, y }: Band, progress: Progress = IN_SILENCE): void {
    const { fx, fy, sums, counts } = this;
    this.opaque &&= raster.opaque;
    for (let row = 0; row < rows; row++) {
      if (row % 256 === 0) progress(row / rows);
      addRow(raster, first + row, fx, sums, counts);
      const done = y + row + 1;
      if (done % fy === 0 || done === this.height) this.finishRow(Math.ceil(done / fy) - 1);
    }
  }

  result(): Raster {
    const { width, data } = this;
    return { width, height: data.length / 4 / width, data, opaque: this.opaque };
  }

  private finishRow(row: number): void {
    const { width, data, sums, counts } = this;
    for (let column = 0, at = row * width * 4, s = 0; column < width; column++, at += 4, s += 4) {
      const alpha = sums[s + 3]!;
      if (alpha === 0) continue;
      data[at] = sums[s]! / alpha + 0.5;
      data[at + 1] = sums[s + 1]! / alpha + 0.5;
      data[at + 2] = sums[s + 2]! / alpha + 0.5;
      data[at + 3] = alpha / counts[column]! + 0.5;
    }
    sums.fill(0);
    counts.fill(0);
  }
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
