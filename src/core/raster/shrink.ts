import { wholeBand, type Band, type BandMeasure } from './band';
import { IN_SILENCE, signedWords, type Progress, type Raster } from './raster';

/** What a sum of factors may be off by. */
const SLACK = 1e-6;

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

/** The same, of a picture whose bands come by; also by factors that are not whole: a pixel on the edge of two is shared. */
export class BandShrinker implements BandMeasure<Raster> {
  private readonly width: number;
  private readonly height: number;
  private readonly data: Uint8Array;
  private readonly sums: Float64Array;
  private readonly weights: Float64Array;
  private row = 0;
  private opaque = true;

  constructor(
    width: number,
    private readonly down: number,
    private readonly fx: number,
    private readonly fy = fx,
  ) {
    this.width = Math.ceil(width / fx - SLACK);
    this.height = Math.ceil(down / fy - SLACK);
    this.data = new Uint8Array(this.width * this.height * 4);
    this.sums = new Float64Array(this.width * 4);
    this.weights = new Float64Array(this.width);
  }

  take({ raster, first, rows, y }: Band, progress: Progress = IN_SILENCE): void {
    this.opaque &&= raster.opaque;
    for (let row = 0; row < rows; row++) {
      if (row % 256 === 0) progress(row / rows);
      const end = (this.row + 1) * this.fy;
      const past = y + row + 1 - end;
      const isLast = this.row === this.height - 1;
      // What of this row lies past the one that is being made belongs to the next.
      this.addRow(raster, first + row, past > SLACK && !isLast ? 1 - past : 1);
      if (y + row + 1 === this.down || (past > -SLACK && !isLast)) this.finishRow();
      if (past > SLACK && !isLast) this.addRow(raster, first + row, past);
    }
  }

  result(): Raster {
    const { width, height, data } = this;
    return { width, height, data, opaque: this.opaque };
  }

  private addRow(raster: Raster, y: number, weight: number): void {
    if (Number.isInteger(this.fx)) this.addWhole(raster, y, weight);
    else this.addShared(raster, y, weight);
  }

  /** No pixel is shared by two columns: each column's block is summed by itself. */
  private addWhole(raster: Raster, y: number, weight: number): void {
    const { fx, sums, weights, width: columns } = this;
    const { width } = raster;
    const pixels = signedWords(raster);
    for (let column = 0, at = y * width, s = 0; column < columns; column++, s += 4) {
      const count = Math.min(fx, width - column * fx);
      let red = 0;
      let green = 0;
      let blue = 0;
      let cover = 0;
      for (const end = at + count; at < end; at++) {
        const pixel = pixels[at]!;
        const alpha = pixel >>> 24;
        red += (pixel & 255) * alpha;
        green += ((pixel >>> 8) & 255) * alpha;
        blue += ((pixel >>> 16) & 255) * alpha;
        cover += alpha;
      }
      weights[column]! += count * weight;
      if (cover === 0) continue;
      sums[s]! += red * weight;
      sums[s + 1]! += green * weight;
      sums[s + 2]! += blue * weight;
      sums[s + 3]! += cover * weight;
    }
  }

  private addShared(raster: Raster, y: number, weight: number): void {
    const { fx, width: columns } = this;
    const { width, data } = raster;
    let end = fx;
    for (let x = 0, column = 0, at = y * width * 4; x < width; x++, at += 4) {
      const past = column < columns - 1 ? x + 1 - end : -1;
      if (past > SLACK) {
        this.addPixel(data, at, column, (1 - past) * weight);
        this.addPixel(data, at, column + 1, past * weight);
      } else this.addPixel(data, at, column, weight);
      if (past > -SLACK) end = ++column * fx + fx;
    }
  }

  private addPixel(data: Uint8Array, at: number, column: number, weight: number): void {
    const { sums, weights } = this;
    const alpha = data[at + 3]! * weight;
    weights[column]! += weight;
    if (alpha === 0) return;
    const s = column * 4;
    sums[s]! += data[at]! * alpha;
    sums[s + 1]! += data[at + 1]! * alpha;
    sums[s + 2]! += data[at + 2]! * alpha;
    sums[s + 3]! += alpha;
  }

  private finishRow(): void {
    const { width, data, sums, weights } = this;
    for (let column = 0, at = this.row * width * 4, s = 0; column < width; column++, at += 4, s += 4) {
      const alpha = sums[s + 3]!;
      if (alpha === 0) continue;
      data[at] = sums[s]! / alpha + 0.5;
      data[at + 1] = sums[s + 1]! / alpha + 0.5;
      data[at + 2] = sums[s + 2]! / alpha + 0.5;
      data[at + 3] = alpha / weights[column]! + 0.5;
    }
    this.row++;
    sums.fill(0);
    weights.fill(0);
  }
}

const shrunk = new WeakMap<Raster, Map<string, Raster>>();

/** The same, kept as long as the picture's own pixels are: many ask for it. */
export function keptShrunk(raster: Raster, fx: number, fy: number, progress?: Progress): Raster {
  if (fx === 1 && fy === 1) return raster;
  const copies = shrunk.get(raster) ?? new Map<string, Raster>();
  shrunk.set(raster, copies);
  const key = `${fx}x${fy}`;
  let copy = copies.get(key);
  if (!copy) {
    copy = boxShrink(raster, fx, fy, progress);
    // Together they take no more room than the picture itself: those that were made longest ago go.
    const size = ({ width, height }: Raster) => width * height;
    let room = size(raster) - size(copy);
    for (const [other, one] of [...copies].reverse()) if ((room -= size(one)) < 0) copies.delete(other);
    copies.set(key, copy);
  }
  return copy;
}

/** The picture at no more than `side` pixels along its longer side, by a whole factor. */
export function reducedTo(raster: Raster, side: number, progress?: Progress): Raster {
  const factor = Math.ceil(Math.max(raster.width, raster.height) / side);
  return boxShrink(raster, factor, factor, progress);
}
