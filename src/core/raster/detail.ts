import { measureWhole, type Band, type BandMeasure } from './band';
import { IN_SILENCE, words, type Progress, type Raster } from './raster';
import { lerp } from '../geometry/lerp';

/**
 * Rise of an edge in pixels, from a tenth to nine tenths of its step, that a crisp picture has at its median: edges
 * fall anywhere between pixels and lie at any angle, so that it is more than the least, 0.8.
 */
const CRISP_RISE = 1.5;
/** Edges count from this step of lightness, of 255, and from this share of the picture's strong ones. */
const LEAST_STEP = 24;
const STRONG_SHARE = 0.6;
/** Fewer edges than this say nothing. */
const LEAST_EDGES = 40;
/** Pixels looked at along each direction; of a larger picture every so many lines are left out. */
const SAMPLED = 700_000;

/**
 * The scale at which a picture holds all its detail, 0 to 1: the median rise of its strong edges against that of a
 * crisp picture. Enlarging widens every edge by its factor, whatever the filter. Enlarging by nearest neighbour
 * keeps edges sharp and shows as runs of equal pixels instead. Null where there is no detail to judge.
 */
export function trueDetail(raster: Raster, progress: Progress = IN_SILENCE): number | null {
  return measureWhole(detailMeasure(raster.width, raster.height), raster, progress);
}

/** The same, of a picture whose bands come by. */
export function detailMeasure(width: number, height: number): BandMeasure<number | null> {
  const step = Math.max(1, Math.ceil((width * height) / SAMPLED));
  const edges: Edge[] = [];
  const repetition = new Repetition(width, height);
  return {
    take: (band, progress) => {
      const { raster, first, rows, y } = band;
      const read = lightness(raster);
      for (let row = (step - (y % step)) % step; row < rows; row += step) {
        if (row % (64 * step) < step) progress((row / rows) * 0.5);
        const start = (first + row) * width;
        followLine(width, (x) => read(start + x), edges);
      }
      for (let column = 0; column < width; column += step) {
        if (column % (64 * step) === 0) progress(0.5 + (column / width) * 0.5);
        followLine(rows, (row) => read((first + row) * width + column), edges);
      }
      repetition.take(band);
    },
    result: () => concluded(edges, repetition.factor()),
  };
}

function concluded(edges: readonly Edge[], repeated: number): number | null {
  if (edges.length < LEAST_EDGES) return null;
  if (repeated > 1) return 1 / repeated;
  const steps = edges.map(({ step }) => step).sort((a, b) => a - b);
  const strong = STRONG_SHARE * steps[Math.floor(steps.length * 0.95)]!;
  const rises = edges
    .filter(({ step }) => step >= strong)
    .map(({ rise }) => rise)
    .sort((a, b) => a - b);
  return Math.min(1, CRISP_RISE / rises[Math.floor(rises.length / 2)]!);
}

interface Edge {
  /** Pixels from a tenth to nine tenths of the step. */
  rise: number;
  /** Difference of lightness across it, of 255. */
  step: number;
}

/** Lightness of a pixel by its index, 0 to 255; what is clear lies on whichever of black and white the picture is not. */
function lightness(raster: Raster): (index: number) => number {
  const pixels = words(raster);
  const luma = (word: number) =>
    (54 * (word & 255) + 183 * ((word >>> 8) & 255) + 19 * ((word >>> 16) & 255)) / 256;
  if (raster.opaque) return (index) => luma(pixels[index]!);
  let sum = 0;
  let weight = 0;
  const step = Math.max(1, Math.floor(pixels.length / 20_000));
  for (let i = 0; i < pixels.length; i += step) {
    const alpha = pixels[i]! >>> 24;
    sum += alpha * luma(pixels[i]!);
    weight += alpha;
  }
  const under = weight > 0 && sum / weight > 127 ? 0 : 255;
  return (index) => {
    const word = pixels[index]!;
    const alpha = (word >>> 24) / 255;
    return alpha * luma(word) + (1 - alpha) * under;
  };
}

/** Finds the steps along one line: runs that only rise, or only fall. */
function followLine(length: number, read: (at: number) => number, edges: Edge[]): void {
  let start = 0;
  let before = read(0);
  let from = before;
  let direction = 0;
  for (let at = 1; at <= length; at++) {
    const value = at < length ? read(at) : before;
    const way = Math.sign(value - before);
    if (way !== direction || at === length) {
      if (direction !== 0 && Math.abs(before - from) >= LEAST_STEP) {
        edges.push({ rise: riseOf(read, start, at - 1, from, before), step: Math.abs(before - from) });
      }
      start = at - 1;
      from = before;
      direction = way;
    }
    before = value;
  }
}

function riseOf(read: (at: number) => number, start: number, end: number, from: number, to: number): number {
  const direction = Math.sign(to - from);
  const crossing = (share: number) => {
    const wanted = lerp(from, to, share);
    let at = start;
    while (at < end - 1 && (read(at + 1) - wanted) * direction < 0) at++;
    const low = read(at);
    return at + (wanted - low) / (read(at + 1) - low);
  };
  return crossing(0.9) - crossing(0.1);
}

/** Gaps between changes that must be seen before they tell of repetition. */
const LEAST_GAPS = 8;

/** How many times each pixel was repeated by nearest-neighbour enlargement. */
class Repetition {
  private readonly across: Uint8Array;
  private readonly down: Uint8Array;
  /** Set once two changes lie side by side. */
  private none = false;

  constructor(width: number, height: number) {
    this.across = new Uint8Array(width);
    this.down = new Uint8Array(height);
  }

  take({ raster, first, rows, y }: Band): void {
    const pixels = words(raster);
    for (let row = 0; row < rows && !this.none; row++) {
      if (first + row + 1 < raster.height) this.takeRow(pixels, first + row, y + row);
    }
  }

  /** 1 where nothing was repeated. */
  factor(): number {
    return this.none ? 1 : Math.max(1, Math.min(stepOf(this.across), stepOf(this.down)));
  }

  private takeRow(pixels: Uint32Array, row: number, y: number): void {
    const { across, down } = this;
    const width = across.length;
    const start = row * width;
    let differs = false;
    for (let x = 0; x + 1 < width; x++) {
      const pixel = pixels[start + x]!;
      differs ||= pixel !== pixels[start + width + x]!;
      if (pixel === pixels[start + x + 1]! || across[x] === 1) continue;
      if (across[x + 1] === 1 || (x > 0 && across[x - 1] === 1)) {
        this.none = true;
        return;
      }
      across[x] = 1;
    }
    if (!differs) return;
    if (y > 0 && down[y - 1] === 1) this.none = true;
    down[y] = 1;
  }
}

/**
 * The step in which a picture changes; 1 where too few changes tell. A factor that is no whole number repeats some
 * pixels once more than others: their mean is the factor.
 */
function stepOf(changed: Uint8Array): number {
  const at = [...changed.keys()].filter((index) => changed[index] === 1);
  const gaps = at.slice(1).map((index, i) => index - at[i]!);
  if (gaps.length < LEAST_GAPS) return 1;
  const least = Math.min(...gaps);
  const whole = gaps.filter((gap) => gap <= least + 1);
  return whole.reduce((sum, gap) => sum + gap, 0) / whole.length;
}
