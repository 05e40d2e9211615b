import type { PrintFace } from '../blank/resolve';
import { wordOf } from '../colour/hex';
import type { Piece } from '../fit/schema';
import { IN_SILENCE, words, type Progress, type Raster } from '../raster/raster';
import { bender, type Bender } from './bend';
import { coverage, sampleColour, sampler, type Sampler } from './sampler';
import { gridOver, type Grid } from './transform';

/** Gives the pixels of an artwork that a piece shows. */
export type Pixels = (artworkId: string) => Raster;

export interface RenderOptions {
  /** Pixels of the whole: trim plus bleed. */
  pixels: { width: number; height: number };
  /** Flips the finished picture left to right, for a transfer. */
  mirror?: boolean;
  progress?: Progress;
}

/**
 * A face as a house gets it: its visible pieces over nothing, trim plus bleed, never a guide. A taper's art is bent
 * onto its arc, in the one step in which it is drawn.
 */
export function renderFace(
  face: PrintFace,
  pieces: readonly Piece[],
  artwork: Pixels,
  options: RenderOptions,
): Raster {
  const { width, height } = options.pixels;
  const bend = face.bend && bender(face, face.bend, options.pixels);
  const grid = bend?.grid ?? gridOver(face, options.pixels);
  const progress = options.progress ?? IN_SILENCE;
  const target = new Uint32Array(width * height);
  const shown = pieces.filter(({ visible }) => visible);
  shown.forEach((piece, index) => {
    const step: Progress = (share) => progress((index + share) / shown.length);
    if (piece.kind === 'fill') {
      if (bend) fillBent(target, bend, piece.colour);
      else fillOver(target, piece.colour);
      return;
    }
    const source = sampler(grid, piece, artwork(piece.artworkId), step);
    if (bend) drawBent(target, bend, source, step);
    else drawOver(target, grid, source, step);
  });
  if (options.mirror) mirrorRows(target, width);
  return { width, height, data: new Uint8Array(target.buffer), opaque: false };
}

function fillOver(target: Uint32Array, colour: string): void {
  target.fill(wordOf(colour));
}

function fillBent(target: Uint32Array, bend: Bender, colour: string): void {
  const word = wordOf(colour);
  bend.walk({
    run: (at, count) => target.fill(word, at, at + count),
    pixel: (at, _x, _y, edge) => {
      put(target, at, word, edge);
    },
  });
}

function drawBent(target: Uint32Array, bend: Bender, source: Sampler, progress: Progress): void {
  const { map } = source;
  const u = (x: number, y: number) => map.a * x + map.c * y + map.e;
  const v = (x: number, y: number) => map.b * x + map.d * y + map.f;
  bend.walk(
    {
      run: (at, count, x, y, dx, dy) => {
        const du = map.a * dx + map.c * dy;
        const dv = map.b * dx + map.d * dy;
        drawRun(target, source, at, count, u(x, y), v(x, y), du, dv);
      },
      pixel: (at, x, y, edge) => {
        const covered = coverage(source, u(x, y), v(x, y)) * edge;
        if (covered > 0) put(target, at, sampleColour(source, u(x, y), v(x, y)), covered);
      },
    },
    progress,
  );
}

/** Draws so many pixels along a row; the first shows (u, v) of the artwork, in shares, each next one (du, dv) on. */
function drawRun(
  target: Uint32Array,
  source: Sampler,
  at: number,
  count: number,
  u0: number,
  v0: number,
  du: number,
  dv: number,
): void {
  const end = count - 1;
  // Both ends whole on the piece: so is all between them.
  const whole = coverage(source, u0, v0) === 1 && coverage(source, u0 + du * end, v0 + dv * end) === 1;
  for (let i = 0; i < count; i++) {
    const u = u0 + du * i;
    const v = v0 + dv * i;
    const covered = whole ? 1 : coverage(source, u, v);
    if (covered === 0) continue;
    const word = sampleColour(source, u, v);
    if (covered === 1 && word >>> 24 === 255) target[at + i] = word;
    else put(target, at + i, word, covered);
  }
}

/** Lays a colour over a pixel, of which it covers a share. */
function put(target: Uint32Array, at: number, word: number, covered: number): void {
  const alpha = covered === 1 ? word >>> 24 : ((word >>> 24) * covered + 0.5) | 0;
  if (alpha > 0) target[at] = alpha === 255 ? word : over(word, alpha, target[at]!);
}

function drawOver(target: Uint32Array, grid: Grid, source: Sampler, progress: Progress): void {
  const { map } = source;
  const marginX = 0.5 / source.across;
  const marginY = 0.5 / source.down;
  for (let row = 0; row < grid.height; row++) {
    if (row % 64 === 0) progress(row / grid.height);
    const y = row + 0.5;
    const u0 = map.c * y + map.e;
    const v0 = map.d * y + map.f;
    const [first, last] = span(grid.width, u0, map.a, marginX, v0, map.b, marginY);
    const x = first + 0.5;
    drawRun(
      target,
      source,
      row * grid.width + first,
      last - first,
      map.a * x + u0,
      map.b * x + v0,
      map.a,
      map.b,
    );
  }
}

/** The columns of a row whose pixels can touch the piece: both shares within 0 to 1, plus half a pixel. */
function span(
  width: number,
  u0: number,
  du: number,
  marginU: number,
  v0: number,
  dv: number,
  marginV: number,
): [first: number, last: number] {
  let low = 0;
  let high = width;
  for (const [start, step, margin] of [
    [u0, du, marginU],
    [v0, dv, marginV],
  ] as const) {
    if (Math.abs(step) < 1e-15) {
      if (start < -margin || start > 1 + margin) return [0, 0];
      continue;
    }
    const a = (-margin - start) / step - 0.5;
    const b = (1 + margin - start) / step - 0.5;
    low = Math.max(low, Math.floor(Math.min(a, b)));
    high = Math.min(high, Math.ceil(Math.max(a, b)) + 1);
  }
  return [low, Math.max(low, high)];
}

/** Source over backdrop, not premultiplied (Porter and Duff 1984). */
function over(source: number, alpha: number, under: number): number {
  const underAlpha = under >>> 24;
  if (underAlpha === 0) return (((alpha << 24) >>> 0) | (source & 0xffffff)) >>> 0;
  const kept = (underAlpha * (255 - alpha)) / 255;
  const total = alpha + kept;
  const mix = (shift: number) =>
    (((source >>> shift) & 255) * alpha + ((under >>> shift) & 255) * kept) / total + 0.5;
  return (
    ((((total + 0.5) | 0) << 24) | ((mix(16) & 255) << 16) | ((mix(8) & 255) << 8) | (mix(0) & 255)) >>> 0
  );
}

function mirrorRows(target: Uint32Array, width: number): void {
  for (let start = 0; start < target.length; start += width) target.subarray(start, start + width).reverse();
}

/** The same pixels laid on a colour, for files that take no transparency. */
export function flatten(raster: Raster, colour: string): Raster {
  const under = new Uint32Array(1);
  fillOver(under, colour);
  const pixels = words(raster);
  const flat = new Uint32Array(pixels.length);
  for (let i = 0; i < pixels.length; i++) {
    const word = pixels[i]!;
    flat[i] = over(word, word >>> 24, under[0]!);
  }
  return { width: raster.width, height: raster.height, data: new Uint8Array(flat.buffer), opaque: true };
}
