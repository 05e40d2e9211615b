import type { PixelBox } from '../artwork/facts';
import { distancesOf, eachRange, fieldOf } from './distances';
import { IN_SILENCE, type Progress, type Raster } from './raster';
import { boxShrink } from './shrink';

/** A limit of more pixels than this is measured on a reduced copy. */
const FINE = 24;
/** A stroke that is this much wider a width further on is a point that runs out, and no thin stroke. */
const WIDENS = 1.25;

/** Strokes or gaps narrower than a limit, in pixels of the picture. */
export interface ThinPlaces {
  /** Null where nothing is narrower than the limit. */
  thinnest: number | null;
  /** How much of all strokes is thin, 0 to 1. */
  share: number;
  box: PixelBox | null;
}

/** What a picture's strokes, and the gaps between them, measure against a limit. */
export interface StrokeReading {
  strokes: ThinPlaces;
  gaps: ThinPlaces;
}

const NOTHING_THIN: ThinPlaces = { thinnest: null, share: 0, box: null };

/** A place in the middle of a thin stroke, and how wide it is there. */
type Told = (x: number, y: number, width: number) => void;

/**
 * Strokes and gaps narrower than `limit` pixels. A stroke is as wide as twice its middle line's distance to what lies
 * beside it (a Euclidean distance transform, cut off where nothing can be thin any more), to within a pixel.
 */
export function readStrokes(raster: Raster, limit: number, progress: Progress = IN_SILENCE): StrokeReading {
  if (raster.opaque) return { strokes: NOTHING_THIN, gaps: NOTHING_THIN };
  const factor = reductionFor(limit);
  const small = factor > 1 ? boxShrink(raster, factor, factor) : raster;
  return {
    strokes: gather(small, 'strokes', limit / factor, factor, (share) => {
      progress(share / 2);
    }),
    gaps: gather(small, 'gaps', limit / factor, factor, (share) => {
      progress(0.5 + share / 2);
    }),
  };
}

/** By how much a picture is reduced before strokes under a limit of so many pixels are looked for. */
export function reductionFor(limit: number): number {
  return limit > FINE ? Math.floor((limit * 2) / FINE) : 1;
}

function gather(
  raster: Raster,
  what: 'strokes' | 'gaps',
  limit: number,
  factor: number,
  progress: Progress,
): ThinPlaces {
  const { width, height } = raster;
  const found: number[] = [];
  const inside = walkThin(
    raster,
    what,
    limit,
    (x, y, wide) => {
      found.push(x, y, wide);
    },
    progress,
  );
  const runs = runsOf(found, width).filter((run) => isStroke(run, limit));
  if (runs.length === 0) return NOTHING_THIN;
  let [thinnest, across] = [Infinity, 0];
  let [left, top, right, bottom] = [Infinity, Infinity, -Infinity, -Infinity];
  for (const run of runs) {
    for (const { x, y, wide } of run) {
      across += lengthOf(wide) * wide;
      [left, right] = [Math.min(left, x), Math.max(right, x + 1)];
      [top, bottom] = [Math.min(top, y), Math.max(bottom, y + 1)];
    }
    thinnest = Math.min(thinnest, commonWidth(run));
  }
  const margin = Math.ceil(limit / 2);
  [left, top] = [Math.max(0, left - margin), Math.max(0, top - margin)];
  [right, bottom] = [Math.min(width, right + margin), Math.min(height, bottom + margin)];
  return {
    thinnest: thinnest * factor,
    share: Math.min(1, across / inside),
    box: {
      x: left * factor,
      y: top * factor,
      width: (right - left) * factor,
      height: (bottom - top) * factor,
    },
  };
}

interface Place {
  x: number;
  y: number;
  wide: number;
}

/** Places that lie within so many pixels of one another belong to one stroke. */
const NEXT = 2;
/** A thin stroke is this many times as long as it is wide, and as long as the limit: less is a dot, or the tip of a point. */
const LONG = 3;

/** Places in the middle of thin strokes, those of one stroke together. */
function runsOf(found: readonly number[], width: number): Place[][] {
  const places = new Map<number, Place>();
  for (let i = 0; i < found.length; i += 3) {
    const [x, y, wide] = [found[i]!, found[i + 1]!, found[i + 2]!];
    places.set(y * width + x, { x, y, wide });
  }
  const runs: Place[][] = [];
  for (const [first, start] of places) {
    places.delete(first);
    const run = [start];
    // What is found on the way is looked round from in its turn.
    for (const { x, y } of run) {
      for (let dy = -NEXT; dy <= NEXT; dy++) {
        for (let dx = -NEXT; dx <= NEXT; dx++) {
          const at = (y + dy) * width + x + dx;
          const next = places.get(at);
          if (!next || next.x !== x + dx) continue;
          places.delete(at);
          run.push(next);
        }
      }
    }
    runs.push(run);
  }
  return runs;
}

function isStroke(run: readonly Place[], limit: number): boolean {
  const length = run.reduce((sum, { wide }) => sum + lengthOf(wide), 0);
  return length >= Math.max(limit, LONG * commonWidth(run));
}

/** Pixels along a stroke that one place in its middle stands for: an even stroke has two side by side. */
function lengthOf(wide: number): number {
  return wide % 2 === 0 ? 0.5 : 1;
}

/** The width that a tenth of a stroke is narrower than: a notch in it is not its width. */
function commonWidth(run: readonly Place[]): number {
  const widths = run.map(({ wide }) => wide).sort((a, b) => a - b);
  return widths[Math.floor(widths.length / 10)]!;
}

/** Tells of every place in the middle of a stroke, or of a gap, that is thinner than the limit; gives back the pixels of all of them. */
export function walkThin(
  raster: Raster,
  what: 'strokes' | 'gaps',
  limit: number,
  told: Told,
  progress: Progress = IN_SILENCE,
): number {
  const { width, height } = raster;
  const reach = Math.min(120, Math.ceil(limit / 2) + 2);
  const field = fieldOf(raster, what, reach);
  const far = distancesOf(width, field, reach, what === 'strokes', progress);
  // No thin place is this far from what lies beside it: 2 sqrt(d) - 1 >= limit.
  const deep = ((limit + 1) / 2) ** 2;
  eachRange(field, height, (y, from, to) => {
    if (y % 256 === 0) progress(0.7 + (0.3 * y) / height);
    for (let x = from, at = y * width + from; x < to; x++, at++) {
      const own = far[at]!;
      if (own === 0 || own >= deep) continue;
      const radius = Math.sqrt(own);
      const beside = (dx: number, dy: number) => {
        const [nx, ny] = [x + dx, y + dy];
        return nx < 0 || ny < 0 || nx >= width || ny >= height ? 0 : far[ny * width + nx]!;
      };
      const [w, e, n, s] = [beside(-1, 0), beside(1, 0), beside(0, -1), beside(0, 1)];
      if (w > own || e > own || n > own || s > own) continue;
      if (beside(-1, -1) > own || beside(1, -1) > own || beside(-1, 1) > own || beside(1, 1) > own) continue;
      const even = (w === own || e === own) && (n === own || s === own);
      const wide = even ? 2 * radius : 2 * radius - 1;
      if (wide < limit && !runsOut(beside, radius)) told(x, y, wide);
    }
  });
  return field.inside;
}

/** Whether a stroke soon gets much wider one way: the tip of a point, or the corner of a notch. */
function runsOut(far: (dx: number, dy: number) => number, radius: number): boolean {
  const off = Math.round(2 * radius);
  const slant = Math.round(1.4142 * radius);
  const most = (radius * WIDENS + 0.5) ** 2;
  return (
    far(off, 0) > most ||
    far(-off, 0) > most ||
    far(0, off) > most ||
    far(0, -off) > most ||
    far(slant, slant) > most ||
    far(-slant, slant) > most ||
    far(slant, -slant) > most ||
    far(-slant, -slant) > most
  );
}
