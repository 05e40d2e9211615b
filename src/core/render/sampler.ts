import { keptShrunk } from '../raster/shrink';
import { signedWords, type Progress, type Raster } from '../raster/raster';
import type { PlacedPiece } from '../fit/schema';
import { gridToArtwork, type Affine, type Grid } from './transform';

/** A piece made ready to be read at the pixels of a grid. */
export interface Sampler {
  map: Affine;
  raster: Raster;
  pixels: Int32Array;
  /** Pixels of `raster` across the whole artwork; not whole where its last block was smaller. */
  width: number;
  height: number;
  /** Grid pixels across the piece along its own axes: turns shares of the artwork into pixels for edge coverage. */
  across: number;
  down: number;
}

/**
 * Readies a piece: where the artwork has more than twice the grid's pixels it is first shrunk by whole factors, so
 * that reading between four neighbours leaves no pixel out.
 */
export function sampler(grid: Grid, piece: PlacedPiece, source: Raster, progress?: Progress): Sampler {
  const across =
    piece.width * Math.hypot(grid.perMmX * Math.cos(piece.rotation), grid.perMmY * Math.sin(piece.rotation));
  const down =
    piece.height * Math.hypot(grid.perMmX * Math.sin(piece.rotation), grid.perMmY * Math.cos(piece.rotation));
  const fx = Math.max(1, Math.floor(source.width / across));
  const fy = Math.max(1, Math.floor(source.height / down));
  const raster = keptShrunk(source, fx, fy, progress);
  return {
    map: gridToArtwork(grid, piece),
    raster,
    pixels: signedWords(raster),
    width: source.width / fx,
    height: source.height / fy,
    across,
    down,
  };
}

/** How much of a grid pixel, 0 to 1, lies on the piece; (u, v) is its centre in shares of the artwork. */
export function coverage(sampler: Sampler, u: number, v: number): number {
  const across = Math.min(u, 1 - u) * sampler.across + 0.5;
  const down = Math.min(v, 1 - v) * sampler.down + 0.5;
  if (across <= 0 || down <= 0) return 0;
  return (across >= 1 - 1e-6 ? 1 : across) * (down >= 1 - 1e-6 ? 1 : down);
}

/** The alpha, 0 to 255, that a piece has at a grid pixel: what `sampleColour` gives, without its colour. */
export function sampleAlpha(sampler: Sampler, column: number, row: number): number {
  const { map } = sampler;
  const x = column + 0.5;
  const y = row + 0.5;
  const u = map.a * x + map.c * y + map.e;
  const v = map.b * x + map.d * y + map.f;
  const covered = coverage(sampler, u, v);
  if (covered === 0 || sampler.raster.opaque) return covered * 255;
  return covered * alphaOnRow(sampler.pixels, rowAt(sampler, v), u);
}

/**
 * The colour between the four pixels round (u, v), weighted by alpha, as a word (see `words`). The edge's own
 * pixels go on past it, so that a piece that ends on a line is solid up to it.
 */
export function sampleColour(sampler: Sampler, u: number, v: number): number {
  return colourOnRow(sampler.pixels, rowAt(sampler, v), u);
}

/** A line across an artwork's pixels: the row above it, how far it lies below that in 256ths, and the way to the next. */
export interface ArtRow {
  start: number;
  wy: number;
  below: number;
  /** Pixels across the whole artwork, and across the picture that is read. */
  across: number;
  width: number;
}

/** The line at `v`; pieces that lie level read many pixels along it. */
export function rowAt(
  { raster, width: across, height: down }: Pick<Sampler, 'raster' | 'width' | 'height'>,
  v: number,
): ArtRow {
  const { width, height } = raster;
  const y = in256ths(v * down, height);
  const top = y >> 8;
  return { start: top * width, wy: y & 255, below: top + 1 < height ? width : 0, across, width };
}

/** As `sampleColour`, along a line. */
export function colourOnRow(pixels: Int32Array, row: ArtRow, u: number): number {
  const { start, wy, below, width } = row;
  const x = in256ths(u * row.across, width);
  const left = x >> 8;
  const wx = x & 255;
  const at = start + left;
  const right = left + 1 < width ? 1 : 0;
  const a = pixels[at]!;
  if (wx === 0 && wy === 0) return a;
  const b = pixels[at + right]!;
  const c = pixels[at + below]!;
  const d = pixels[at + below + right]!;
  if (a === b && a === c && a === d) return a;
  const solid = a & b & c & d;
  if (solid >>> 24 === 255) return blendSolid(a, b, c, d, wx, wy);
  return blendAlpha(a, b, c, d, wx, wy);
}

/** The alpha alone of what `colourOnRow` gives, 0 to 255. */
function alphaOnRow(pixels: Int32Array, row: ArtRow, u: number): number {
  const { start, wy, below, width } = row;
  const x = in256ths(u * row.across, width);
  const left = x >> 8;
  const wx = x & 255;
  const at = start + left;
  const right = left + 1 < width ? 1 : 0;
  const a = pixels[at]! >>> 24;
  const b = pixels[at + right]! >>> 24;
  const c = pixels[at + below]! >>> 24;
  const d = pixels[at + below + right]! >>> 24;
  return ((a * (256 - wx) + b * wx) * (256 - wy) + (c * (256 - wx) + d * wx) * wy + 32768) >>> 16;
}

const RED_BLUE = 0x00ff00ff;
const GREEN = 0x0000ff00;

/**
 * All four solid: no weighting by alpha. Weights along each axis are 256ths, and so are their products, so that red
 * and blue are mixed in one go and nothing spills from one into the other.
 */
function blendSolid(a: number, b: number, c: number, d: number, wx: number, wy: number): number {
  const w11 = (wx * wy + 128) >>> 8;
  const w10 = wx - w11;
  const w01 = wy - w11;
  const w00 = 256 - wx - wy + w11;
  const redBlue =
    (Math.imul(a & RED_BLUE, w00) +
      Math.imul(b & RED_BLUE, w10) +
      Math.imul(c & RED_BLUE, w01) +
      Math.imul(d & RED_BLUE, w11) +
      0x00800080) >>>
    8;
  const green =
    (Math.imul(a & GREEN, w00) +
      Math.imul(b & GREEN, w10) +
      Math.imul(c & GREEN, w01) +
      Math.imul(d & GREEN, w11) +
      0x8000) >>>
    8;
  return 0xff000000 | (redBlue & RED_BLUE) | (green & GREEN);
}

function blendAlpha(a: number, b: number, c: number, d: number, wx: number, wy: number): number {
  const w11 = wx * wy;
  const w10 = (wx << 8) - w11;
  const w01 = (wy << 8) - w11;
  const w00 = 65536 - w10 - w01 - w11;
  const aa = (a >>> 24) * w00;
  const ba = (b >>> 24) * w10;
  const ca = (c >>> 24) * w01;
  const da = (d >>> 24) * w11;
  const sum = aa + ba + ca + da;
  const alpha = (sum + 32768) >>> 16;
  if (alpha === 0) return 0;
  const per = 1 / sum;
  const red = ((a & 255) * aa + (b & 255) * ba + (c & 255) * ca + (d & 255) * da) * per + 0.5;
  const green =
    (((a >>> 8) & 255) * aa + ((b >>> 8) & 255) * ba + ((c >>> 8) & 255) * ca + ((d >>> 8) & 255) * da) *
      per +
    0.5;
  const blue =
    (((a >>> 16) & 255) * aa + ((b >>> 16) & 255) * ba + ((c >>> 16) & 255) * ca + ((d >>> 16) & 255) * da) *
      per +
    0.5;
  return (alpha << 24) | ((blue & 255) << 16) | ((green & 255) << 8) | (red & 255);
}

/** How far a place lies past the middle of the first of so many pixels, in 256ths; the outermost go on past the edge. */
function in256ths(place: number, count: number): number {
  const past = place - 0.5;
  return ((past < 0 ? 0 : past > count - 1 ? count - 1 : past) * 256 + 0.5) | 0;
}
