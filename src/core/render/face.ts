import type { Drawing } from './drawing';
import type { PrintFace } from '../blank/resolve';
import { wordOf } from '../colour/hex';
import { factsFor, type FactsOf } from '../fit/geometry';
import { isMixed, MIXED } from '../fit/mix';
import { isInk, type Piece } from '../fit/schema';
import { parsePath } from '../geometry/parse-path';
import { maskAt, type Mask } from '../raster/cover';
import { IN_SILENCE, words, type Progress, type Raster } from '../raster/raster';
import { spreadEdges } from '../raster/spread';
import { bender, type Bender } from './bend';
import { bentGround, coverOn, cutOf, flatGround, inkCover, inksOf, type Ground } from './ground';
import { bleedPath } from './layers';
import { colourOnRow, coverage, rowAt, sampleColour, sampler, type ArtRow, type Sampler } from './sampler';
import { pixelsOf } from './finish';
import { tilesOf } from './tiles';
import { gridOver, type Affine, type Grid } from './transform';

/** Gives the pixels of an artwork that a piece shows. */
export type Pixels = (artworkId: string) => Raster;

/** What pieces show: what is known of their artworks, their pixels, and what those that are drawings are made of. */
export interface Shown {
  facts: FactsOf;
  pixels: Pixels;
  drawing?: (artworkId: string) => Promise<Drawing | null>;
}

export interface RenderOptions {
  /** Pixels of the whole: trim plus bleed. */
  pixels: { width: number; height: number };
  /** Flips the finished picture left to right, for a transfer. */
  mirror?: boolean;
  progress?: Progress;
}

/** The picture under way: its pixels, and how points of the face come to lie on them. */
interface Canvas {
  target: Uint32Array;
  width: number;
  height: number;
  grid: Grid;
  bend: Bender | null;
  ground: Ground;
}

/**
 * A face as a house gets it: its visible pieces over nothing, trim plus bleed, never a guide. A taper's art is bent
 * onto its arc, in the one step in which it is drawn.
 */
export function renderFace(
  face: PrintFace,
  pieces: readonly Piece[],
  shown: Shown,
  options: RenderOptions,
): Raster {
  const { width, height } = options.pixels;
  const bend = face.bend && bender(face, face.bend, options.pixels);
  const grid = bend?.grid ?? gridOver(face, options.pixels);
  const ground = bend ? bentGround(face, options.pixels) : flatGround(grid);
  const canvas: Canvas = { target: new Uint32Array(width * height), width, height, grid, bend, ground };
  const progress = options.progress ?? IN_SILENCE;
  const visible = pieces.filter((piece) => piece.visible);
  visible.forEach((piece, index) => {
    const told = (share: number) => {
      progress((index + share) / visible.length);
    };
    if (!isMixed(piece)) {
      drawPiece(canvas, face, piece, shown, told);
      return;
    }
    const apart = { ...canvas, target: new Uint32Array(width * height) };
    drawPiece(apart, face, piece, shown, told);
    mixIn(canvas.target, apart.target, piece);
  });
  if (face.cut) finishCut(canvas, face, face.cut.spread);
  if (options.mirror) mirrorRows(canvas.target, width);
  return { width, height, data: new Uint8Array(canvas.target.buffer), opaque: false };
}

/** What is cut to shape: its edge colours drawn out where they are to be, and all past its bleed left clear. */
function finishCut({ target, width, height, ground }: Canvas, face: PrintFace, spread: boolean): void {
  if (spread) spreadEdges({ width, height, data: new Uint8Array(target.buffer), opaque: false });
  const mask = coverOn(ground, parsePath(bleedPath(face))!);
  for (let y = 0, at = 0; y < height; y++)
    for (let x = 0; x < width; x++, at++) {
      const there = maskAt(mask, x, y);
      if (there < 255) target[at] = faded(target[at]!, there);
    }
}

function faded(pixel: number, share: number): number {
  const alpha = Math.round(((pixel >>> 24) * share) / 255);
  return alpha === 0 ? 0 : ((alpha << 24) | (pixel & 0xffffff)) >>> 0;
}

function drawPiece(canvas: Canvas, face: PrintFace, piece: Piece, shown: Shown, progress: Progress): void {
  const { grid, bend, ground, target } = canvas;
  if (isInk(piece)) {
    // What is knocked out is all of it, once.
    const inks = piece.knockout ? [{ path: inkCover(piece), colour: '#000000' }] : inksOf(piece);
    for (const { path, colour } of inks)
      drawBrush(canvas, plain(wordOf(colour)), coverOn(ground, path), piece.knockout, progress);
    return;
  }
  const cut = cutOf(piece, face);
  const mask = cut && coverOn(ground, cut);
  if (piece.kind === 'repeat') {
    const tiles = tilesOf(grid, piece, factsFor(piece, shown.facts), pixelsOf(piece, shown.pixels));
    drawBrush(canvas, tiles, mask, piece.knockout, progress);
    return;
  }
  if (piece.kind === 'fill') {
    const word = wordOf(piece.colour);
    if (mask || piece.knockout) drawBrush(canvas, plain(word), mask, piece.knockout, progress);
    else if (bend) fillBent(target, bend, word);
    else target.fill(word);
    return;
  }
  const source = sampler(grid, piece, pixelsOf(piece, shown.pixels), progress);
  if (mask || piece.knockout) drawBrush(canvas, brushOf(source), mask, piece.knockout, progress);
  else if (bend) drawBent(target, bend, source, progress);
  else drawOver(target, grid, source, progress);
}

/** Something to paint with: how much of a pixel it covers, 0 to 1, and in which colour, at a place of its own map. */
interface Brush {
  map: Affine;
  coverage: (u: number, v: number) => number;
  colour: (u: number, v: number) => number;
}

function plain(word: number): Brush {
  return { map: { a: 0, b: 0, c: 0, d: 0, e: 0, f: 0 }, coverage: () => 1, colour: () => word };
}

function brushOf(source: Sampler): Brush {
  return {
    map: source.map,
    coverage: (u, v) => coverage(source, u, v),
    colour: (u, v) => sampleColour(source, u, v),
  };
}

/** Paints with a brush, or removes what is under it, pixel by pixel within a mask; everywhere without one. */
function drawBrush(
  { target, width, height, bend }: Canvas,
  { map, coverage: covers, colour }: Brush,
  mask: Mask | null,
  knockout: boolean,
  progress: Progress,
): void {
  const paint = (at: number, x: number, y: number, edge: number) => {
    const u = map.a * x + map.c * y + map.e;
    const v = map.b * x + map.d * y + map.f;
    const covered = covers(u, v) * edge;
    if (covered === 0) return;
    if (knockout) knock(target, at, colour(u, v), covered);
    else put(target, at, colour(u, v), covered);
  };
  if (!bend) {
    const { left, top, width: across, height: down } = mask ?? { left: 0, top: 0, width, height };
    for (let row = 0; row < down; row++) {
      if (row % 64 === 0) progress(row / down);
      for (let column = 0; column < across; column++) {
        const there = mask ? mask.data[row * across + column]! : 255;
        if (there > 0)
          paint((top + row) * width + left + column, left + column + 0.5, top + row + 0.5, there / 255);
      }
    }
    return;
  }
  const masked = (at: number) => (mask ? maskAt(mask, at % width, Math.floor(at / width)) / 255 : 1);
  bend.walk(
    {
      run: (at, count, x, y, dx, dy) => {
        for (let i = 0; i < count; i++) paint(at + i, x + dx * i, y + dy * i, masked(at + i));
      },
      pixel: (at, x, y, edge) => {
        paint(at, x, y, edge * masked(at));
      },
    },
    progress,
  );
}

/** Takes away of a pixel as much as a colour, of which so much covers it, would have painted. */
function knock(target: Uint32Array, at: number, word: number, covered: number): void {
  const under = target[at]!;
  const kept = (under >>> 24) * (1 - ((word >>> 24) / 255) * covered);
  target[at] = kept < 0.5 ? 0 : (((Math.round(kept) << 24) >>> 0) | (under & 0xffffff)) >>> 0;
}

function fillBent(target: Uint32Array, bend: Bender, word: number): void {
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
  const draw = (i: number): boolean => {
    const [u, v] = [u0 + du * i, v0 + dv * i];
    const covered = coverage(source, u, v);
    if (covered > 0) put(target, at + i, sampleColour(source, u, v), covered);
    return covered === 1;
  };
  // Between two pixels that lie whole on the piece all do.
  let first = 0;
  let last = count - 1;
  while (first <= last && !draw(first)) first++;
  while (last > first && !draw(last)) last--;
  if (dv === 0) drawLevel(target, source, at, first + 1, last, u0, du, rowAt(source, v0));
  else
    for (let i = first + 1; i < last; i++) {
      const word = sampleColour(source, u0 + du * i, v0 + dv * i);
      if (word >>> 24 === 255) target[at + i] = word;
      else put(target, at + i, word, 1);
    }
}

function drawLevel(
  target: Uint32Array,
  { pixels }: Sampler,
  at: number,
  from: number,
  to: number,
  u0: number,
  du: number,
  row: ArtRow,
): void {
  for (let i = from; i < to; i++) {
    const word = colourOnRow(pixels, row, u0 + du * i);
    if (word >>> 24 === 255) target[at + i] = word;
    else put(target, at + i, word, 1);
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

/**
 * Lays a piece that was drawn apart over what is there, as strongly and by the blend that it has: where both are, the blended
 * colour by the share that what is under it covers, its own by the rest (W3C Compositing and Blending, section 5).
 */
function mixIn(target: Uint32Array, drawn: Uint32Array, { opacity = 1, blend }: Piece): void {
  const mixed = blend && MIXED[blend];
  for (let at = 0; at < drawn.length; at++) {
    const word = drawn[at]!;
    const alpha = Math.round((word >>> 24) * opacity);
    if (alpha === 0) continue;
    const under = target[at]!;
    const there = mixed ? (under >>> 24) / 255 : 0;
    const part = (shift: number) => {
      const own = (word >>> shift) & 255;
      return there === 0 ? own : Math.round(own * (1 - there) + mixed!((under >>> shift) & 255, own) * there);
    };
    const colour = (part(16) << 16) | (part(8) << 8) | part(0);
    target[at] = alpha === 255 ? ((255 << 24) | colour) >>> 0 : over(colour, alpha, under);
  }
}

function mirrorRows(target: Uint32Array, width: number): void {
  for (let start = 0; start < target.length; start += width) target.subarray(start, start + width).reverse();
}

/** The same pixels laid on a colour, for files that take no transparency. */
export function flatten(raster: Raster, colour: string): Raster {
  const under = new Uint32Array(1);
  under.fill(wordOf(colour));
  const pixels = words(raster);
  const flat = new Uint32Array(pixels.length);
  for (let i = 0; i < pixels.length; i++) {
    const word = pixels[i]!;
    flat[i] = over(word, word >>> 24, under[0]!);
  }
  return { width: raster.width, height: raster.height, data: new Uint8Array(flat.buffer), opaque: true };
}
