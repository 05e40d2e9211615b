import { measureWhole, type BandMeasure } from './band';
import { lightnessOf } from './lightness';
import { IN_SILENCE, type Progress, type Raster } from './raster';
import { Repetition } from './repetition';
import { Spectra } from './spectra';

/** What of a picture's pixels carries detail. */
export interface Detail {
  /** The scale at which it holds all of its detail, 0 to 1. */
  scale: number;
  /** Whether a second sign, the rise of its edges or what rings beside them, says so too. */
  sure: boolean;
}

/** Pixels looked at along each direction; of a larger picture every so many lines are left out. */
const SAMPLED = 350_000;
/** Of a crisp picture's slopes this share of the strength is left at any frequency that it holds. */
const HELD = 0.42;
/** Bins of the lowest frequencies, that any picture holds, and that the others are measured against. */
const LOWEST = 3;
/** A picture with this much of its detail needs no second sign. */
const CRISP = 0.8;
/** What the two signs may be apart, as a factor. */
const AGREE = 1.6;
/** Rise of edges that fall between two pixels, whole, in pixels. */
const HARD_RISE = 1;
/** Rise of edges that are evened out by their share of a pixel, at the most. */
const PATTERN_RISE = 1.65;
/** Rise of a crisp picture's edges at their median, in pixels, from a tenth to nine tenths of the step. */
const CRISP_RISE = 1.5;
/**
 * Pixels between the flat sides of a drawing's edges from which they are wide; what they have for each time it was
 * enlarged; and by what factor that may be less than the spectrum says.
 */
const WIDE = 2;
const ENLARGED = 1.33;
const SPANS_AGREE = 1.1;
/** Share of an edge's step by which scaling with sharpening goes past its ends. */
const RINGS = 0.04;

/**
 * The scale at which a picture holds all its detail: how far the spectrum of its slopes reaches, where it is sharpest.
 * Edges and natural light alike have slopes whose spectrum is even; enlarging by n leaves nothing beyond a frequency of
 * 1 / 2n, whatever the filter, and no sharpening brings it back. What is soft on purpose (depth, shading, glows) has
 * sharper parts beside it, and those are what is judged. Enlarging by nearest neighbour shows as runs of equal pixels
 * instead. Null where there is no detail to judge.
 */
export function trueDetail(raster: Raster, progress: Progress = IN_SILENCE): Detail | null {
  return measureWhole(detailMeasure(raster.width, raster.height), raster, progress);
}

/** The same, of a picture whose bands come by. */
export function detailMeasure(width: number, height: number): BandMeasure<Detail | null> {
  const step = Math.max(1, Math.ceil((width * height) / SAMPLED));
  const spectra = new Spectra();
  const repetition = new Repetition(width, height);
  return {
    take: (band, progress) => {
      const { raster, first, rows, y } = band;
      const read = lightnessOf(raster);
      for (let row = (step - (y % step)) % step; row < rows; row += step) {
        if (row % (64 * step) < step) progress((row / rows) * 0.5);
        const start = (first + row) * width;
        spectra.line(width, (x) => read(start + x), { x: 0, y: y + row, dx: 1, dy: 0 });
      }
      for (let column = 0; column < width; column += step) {
        if (column % (64 * step) === 0) progress(0.5 + (column / width) * 0.5);
        spectra.line(rows, (row) => read((first + row) * width + column), { x: column, y, dx: 0, dy: 1 });
      }
      repetition.take(band);
    },
    result: () => concluded(spectra, repetition.factor()),
  };
}

function concluded(spectra: Spectra, repeated: number): Detail | null {
  const sharpest = spectra.sharpest(LOWEST);
  if (!sharpest) return null;
  if (repeated > 1) return { scale: 1 / repeated, sure: true };
  // Steps from one pixel to the next: no filter leaves those, and a pattern of them has gaps in its spectrum.
  const scale =
    sharpest.rise <= HARD_RISE
      ? 1
      : reachOf(sharpest.power, sharpest.ringing >= RINGS, sharpest.rise <= PATTERN_RISE);
  // What was enlarged and sharpened, and clipped at white or black, has steep edges and all frequencies, but no narrow edges.
  const narrow = sharpest.span !== null && sharpest.span >= WIDE ? ENLARGED / sharpest.span : 1;
  if (scale > narrow * SPANS_AGREE) return { scale: narrow, sure: false };
  const risen = Math.min(1, CRISP_RISE / sharpest.rise);
  const agrees = risen < CRISP && Math.max(risen / scale, scale / risen) <= AGREE;
  return { scale, sure: scale >= CRISP || agrees || sharpest.ringing >= RINGS };
}

/** The frequency, as a share of the highest that there is, up to which a spectrum holds its strength. */
function reachOf(power: Float64Array, rings: boolean, steep: boolean): number {
  let low = 0;
  for (let bin = 1; bin <= LOWEST; bin++) low += power[bin]! / LOWEST;
  const held = Array.from(power, (own) => Math.sqrt(Math.max(0, own) / low));
  const endOf = steep ? lastEnd : firstEnd;
  if (endOf(held, HELD) === null) return 1;
  // Sharpening lifts the frequencies before the end, and must not be taken for more of them.
  const lift = Math.max(1, ...held.slice(LOWEST));
  return levelled(endOf(held, HELD * lift)!, rings);
}

/** Where a spectrum falls below a level and stays there, as a share of its length; null where it does not. */
function firstEnd(held: readonly number[], level: number): number | null {
  for (let bin = LOWEST; bin + 1 < held.length; bin++) {
    const [here, next] = [held[bin]!, held[bin + 1]!];
    // Less once is a dip; less from there on is the end.
    if (next < level && (held[bin + 2] ?? 0) < level)
      return (bin + Math.max(0, here - level) / Math.max(1e-9, here - next)) / (held.length - 1);
  }
  return null;
}

/** Where a spectrum is above a level for the last time: a pattern of steep edges has gaps between its tones. */
function lastEnd(held: readonly number[], level: number): number | null {
  let last = held.length - 1;
  while (last > LOWEST && held[last]! < level) last--;
  return firstEnd(
    held.map((own, bin) => (bin < last ? Math.max(own, level) : own)),
    level,
  );
}

/**
 * Filters let go before the end, soft ones the earlier: the mean of those that programs scale by. What rings was scaled
 * by a hard one, or sharpened, and holds on beyond it.
 */
function levelled(reach: number, rings: boolean): number {
  return Math.min(1, reach * (rings ? 0.92 : 0.99 + 0.4 * reach));
}
