import { edgeAt, LEAST_STEP } from './edge';

/** Pixels of a line that are looked at together, and frequencies told apart in them, from 0 to half a cycle a pixel. */
const WINDOW = 64;
export const BINS = WINDOW / 2 + 1;
/** Pixels of a tile's side: its windows are judged together. */
const TILE = 128;
/** A window counts from where a single slope has this share of its difference of lightness. */
const STEEP = 0.08;
/** Windows that a tile, and a picture, must have to say anything. */
const LEAST_OF_TILE = 3;
const LEAST_OF_ALL = 6;
/** Of all tiles, the share that is taken for the sharpest. */
const BEST = 0.1;
/** A tile is strong enough to say anything from this share of what a strong one has. */
const STRONG = 0.2;

/** Windows of nothing but grain that are kept: every so many, and the share of the quietest of them. */
const GRAIN_EVERY = 7;
const MOST_GRAIN = 3000;
const QUIET = 0.2;

/** Weights that fade a window out towards its ends (Hann), and each frequency's wave. */
const FADE = Float64Array.from(
  { length: WINDOW },
  (_, i) => 0.5 - 0.5 * Math.cos((2 * Math.PI * (i + 0.5)) / WINDOW),
);
const COS = waves(Math.cos);
const SIN = waves(Math.sin);

function waves(of: (angle: number) => number): Float64Array {
  return Float64Array.from({ length: BINS * WINDOW }, (_, at) => {
    const [bin, i] = [Math.floor(at / WINDOW), at % WINDOW];
    return of((2 * Math.PI * bin * i) / WINDOW) * FADE[i]!;
  });
}

interface Tile {
  windows: number;
  power: Float64Array;
  rises: number[];
  rings: number[];
  /** Pixels between flat and flat, of edges that have that on both sides. */
  spans: number[];
}

/** What the sharpest parts of a picture have: power of slopes by frequency, and of their edges the rise and the ringing. */
export interface Sharpest {
  power: Float64Array;
  /** Pixels from a tenth to nine tenths of a step, at the median. */
  rise: number;
  /** Share of the step by which lightness goes past it, at the median. */
  ringing: number;
  /** Pixels between flat and flat at the edges of a flat drawing that are crossed straight; null of other pictures. */
  span: number | null;
}

/** Spectra of the slopes of a picture's lines, tile by tile. */
export class Spectra {
  private readonly tiles = new Map<number, Tile>();
  private readonly slopes = new Float64Array(WINDOW);
  private readonly power = new Float64Array(BINS);
  /** Spectra of windows in which nothing happens but grain, some of them. */
  private readonly grain: { total: number; power: Float64Array }[] = [];
  private faint = 0;

  /** Looks at one line of pixels; `at` is where it begins in the picture, and its direction. */
  line(
    length: number,
    read: (index: number) => number,
    at: { x: number; y: number; dx: number; dy: number },
  ): void {
    if (length < 4) return;
    for (let from = 0; from === 0 || from + WINDOW < length; from += WINDOW / 2) {
      const values = Math.min(WINDOW + 1, length - from);
      let [least, most, steepest, where] = [Infinity, -Infinity, 0, 0];
      this.slopes.fill(0);
      let before = read(from);
      [least, most] = [before, before];
      for (let i = 1; i < values; i++) {
        const value = read(from + i);
        const slope = value - before;
        this.slopes[i - 1] = slope;
        // Faded out towards its ends, a window tells of what is in its middle; the next one has the rest there.
        if (Math.abs(slope) > steepest && i > WINDOW / 4 && i <= (3 * WINDOW) / 4)
          [steepest, where] = [Math.abs(slope), i];
        if (value < least) least = value;
        if (value > most) most = value;
        before = value;
      }
      if (most - least < LEAST_STEP) this.takeGrain();
      if (most - least < LEAST_STEP || steepest < STEEP * (most - least)) continue;
      const middle = from + WINDOW / 2;
      const tile = this.tileAt(at.x + at.dx * middle, at.y + at.dy * middle);
      tile.windows++;
      this.transform();
      for (let bin = 0; bin < BINS; bin++) tile.power[bin]! += this.power[bin]!;
      const edge = edgeAt(length, read, from + where, most - least);
      if (!edge) continue;
      tile.rises.push(edge.rise);
      tile.rings.push(edge.ring);
      if (edge.span !== null) tile.spans.push(edge.span);
    }
  }

  /** The sharpest tenth of the tiles, by how far their spectra reach; null where too little says anything. */
  sharpest(lowest: number): Sharpest | null {
    const all = [...this.tiles.values()];
    const windows = all.reduce((sum, tile) => sum + tile.windows, 0);
    if (windows < LEAST_OF_ALL) return null;
    const telling = all.filter((tile) => tile.windows >= LEAST_OF_TILE);
    const judged = telling.length > 0 ? telling : all;
    // Faint tiles are even by their grain alone.
    const strengths = judged.map((tile) => lowOf(tile.power, lowest) / tile.windows).sort((a, b) => a - b);
    const least = STRONG * strengths[Math.floor(strengths.length * 0.75)]!;
    const ranked = judged
      .filter((tile) => lowOf(tile.power, lowest) / tile.windows >= least)
      .map((tile) => ({ tile, even: evennessOf(tile.power, lowest) }))
      .sort((a, b) => b.even - a.even);
    const best = ranked.slice(0, Math.max(1, Math.ceil(ranked.length * BEST)));
    const power = new Float64Array(BINS);
    const grain = this.grainOf();
    for (const { tile } of best) {
      const low = lowOf(tile.power, lowest);
      for (let bin = 0; bin < BINS; bin++)
        power[bin]! += Math.max(0, tile.power[bin]! - tile.windows * grain[bin]!) / low;
    }
    return {
      power,
      rise: medianOf(best.flatMap(({ tile }) => tile.rises)) ?? 1,
      ringing: medianOf(best.flatMap(({ tile }) => tile.rings)) ?? 0,
      span: spanOf(judged),
    };
  }

  private takeGrain(): void {
    // Every so many, so that all of the picture is looked at and little is kept.
    if (this.faint++ % GRAIN_EVERY !== 0 || this.grain.length >= MOST_GRAIN) return;
    this.transform();
    this.grain.push({ total: this.power.reduce((sum, own) => sum + own, 0), power: this.power.slice() });
  }

  /** The grain's own spectrum: what the quietest parts of the picture have. */
  private grainOf(): Float64Array {
    const quiet = [...this.grain]
      .sort((a, b) => a.total - b.total)
      .slice(0, Math.ceil(this.grain.length * QUIET));
    const mean = new Float64Array(BINS);
    for (const { power } of quiet)
      for (let bin = 0; bin < BINS; bin++) mean[bin]! += power[bin]! / quiet.length;
    return mean;
  }

  private tileAt(x: number, y: number): Tile {
    const key = Math.floor(y / TILE) * 65_536 + Math.floor(x / TILE);
    let tile = this.tiles.get(key);
    if (!tile)
      this.tiles.set(
        key,
        (tile = { windows: 0, power: new Float64Array(BINS), rises: [], rings: [], spans: [] }),
      );
    return tile;
  }

  private transform(): void {
    for (let bin = 0; bin < BINS; bin++) {
      let [real, imaginary] = [0, 0];
      for (let i = 0, at = bin * WINDOW; i < WINDOW; i++, at++) {
        real += this.slopes[i]! * COS[at]!;
        imaginary += this.slopes[i]! * SIN[at]!;
      }
      this.power[bin] = real * real + imaginary * imaginary;
    }
  }
}

function lowOf(power: Float64Array, lowest: number): number {
  let low = 1e-9;
  for (let bin = 1; bin <= lowest; bin++) low += power[bin]!;
  return low;
}

/** How much of the lowest frequencies' strength the upper half of them has. */
function evennessOf(power: Float64Array, lowest: number): number {
  let high = 0;
  for (let bin = lowest + 1; bin < BINS; bin++) high += power[bin]!;
  return high / lowOf(power, lowest);
}

/** A drawing is flat where so many of its edges have flat sides. */
const FLAT = 0.5;
/** Of a tile's edges those that are crossed straight are a fifth at the least. */
const STRAIGHT = 0.2;

/** The least that tiles have between flat and flat: what is soft on purpose has sharper parts beside it. */
function spanOf(tiles: readonly Tile[]): number | null {
  const edges = tiles.reduce((sum, { rises }) => sum + rises.length, 0);
  const flat = tiles.reduce((sum, { spans }) => sum + spans.length, 0);
  const telling = tiles
    .filter(({ spans }) => spans.length >= LEAST_OF_TILE)
    .map(({ spans }) => [...spans].sort((a, b) => a - b)[Math.floor(spans.length * STRAIGHT)]!)
    .sort((a, b) => a - b);
  return flat >= FLAT * edges ? (telling[Math.floor(telling.length * BEST)] ?? null) : null;
}

function medianOf(values: readonly number[]): number | null {
  const sorted = [...values].sort((a, b) => a - b);
  return sorted[Math.floor(sorted.length / 2)] ?? null;
}
