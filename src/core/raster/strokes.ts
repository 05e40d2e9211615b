import type { PixelBox } from '../artwork/facts';
import { BEYOND, eachNarrow, type NarrowPlace } from './chords';
import { labelAlpha, NOTHING, SOMETHING } from './labels';
import { groupNear, withinOf } from './neighbours';
import { IN_SILENCE, signedWords, type Progress, type Raster } from './raster';
import { keptShrunk } from './shrink';
import { boxRound, stretchesOf } from './stretches';

/** A limit of more pixels than this is measured on a reduced copy. */
const FINE = 24;

/** A stroke or a gap that is narrower than a limit: its width and where it lies, in pixels of the picture. */
export interface ThinStroke {
  width: number;
  length: number;
  box: PixelBox;
  /** The same closer by, where it lies at a slant or goes round: a box for each stretch of it. */
  stretches: readonly PixelBox[];
}

/** Strokes or gaps narrower than a limit, in pixels of the picture. */
export interface ThinPlaces {
  /** Null where nothing is narrower than the limit. */
  thinnest: number | null;
  /** How much of all strokes is thin, 0 to 1. */
  share: number;
  /** One by one, the thinnest first, at most `MOST_TOLD` of them. */
  each: readonly ThinStroke[];
}

/** What a picture's strokes, and the gaps between them, measure against a limit. */
export interface StrokeReading {
  strokes: ThinPlaces;
  gaps: ThinPlaces;
}

/** Places told one by one, at most. */
export const MOST_TOLD = 200;

export const NOTHING_THIN: ThinPlaces = { thinnest: null, share: 0, each: [] };

/**
 * Strokes and gaps narrower than `limit` pixels, at any angle to a part of a pixel. What narrows towards a point is a
 * tip and no stroke; what is shorter than thin things are seen to be long is a dot.
 */
export function readStrokes(raster: Raster, limit: number, progress: Progress = IN_SILENCE): StrokeReading {
  if (raster.opaque) return { strokes: NOTHING_THIN, gaps: NOTHING_THIN };
  const factor = reductionFor(limit);
  const small = keptShrunk(raster, factor, factor);
  const { strokes, gaps } = thinStrokes(small, limit / factor, progress);
  const total = small.width * small.height;
  const inside = strokes.length + gaps.length > 0 ? insideOf(small) : 0;
  return {
    strokes: summedUp(strokes, inside, factor),
    gaps: summedUp(gaps, total - inside, factor),
  };
}

/** By how much a picture is reduced before strokes under a limit of so many pixels are looked for. */
export function reductionFor(limit: number): number {
  return limit > FINE ? Math.floor((limit * 2) / FINE) : 1;
}

/** Places in the middle of thin strokes, and of thin gaps, those of one together. */
export function thinStrokes(
  raster: Raster,
  limit: number,
  progress: Progress = IN_SILENCE,
): Record<'strokes' | 'gaps', NarrowPlace[][]> {
  const [strokes, gaps]: [NarrowPlace[], NarrowPlace[]] = [[], []];
  eachNarrow(
    labelAlpha(raster),
    limit,
    (place) => {
      if (place.label === SOMETHING) strokes.push(place);
      // A gap lies between two things; beyond the picture there is no other.
      else if (place.label === NOTHING && !place.sides.includes(BEYOND)) gaps.push(place);
    },
    progress,
  );
  return { strokes: strokesAmong(strokes, limit), gaps: strokesAmong(gaps, limit) };
}

/** How much wider a width further on a tip becomes, at least: 4 degrees. */
const TAPER = 0.07;
/** Pixels on each side of a place that its taper is told from, at the least; and in limits. */
const LOOKED = 6;
const LOOKED_LIMITS = 1.5;
/** Pixels that what is narrower than one must be long: shorter ones are what drawing leaves where curves meet. */
const FAINT_LENGTH = 24;
/** Widths that are this much alike, as a share, are one stroke's. */
const EVEN = 0.15;
/** A thin stroke is this many times as long as it is wide, and as long as the limit: less is a dot. */
const LONG = 3;

/** Narrow places that are strokes, those of one stroke together. */
export function strokesAmong(places: readonly NarrowPlace[], limit: number): NarrowPlace[][] {
  const reach = Math.max(LOOKED, LOOKED_LIMITS * limit);
  return groupNear(places)
    .map((run) => {
      const near = withinOf(run, reach);
      const measured = run
        .map((place) => ({ ...place, wide: widthAt(place, near(place)) }))
        .filter(({ wide }) => wide < limit);
      const nearest = withinOf(measured, reach);
      const even = new Set(measured.filter((place) => taperOf(nearest(place)) < TAPER));
      // Towards an end that is cut off the taper is the end's: what is as wide belongs to the stroke.
      const wide = commonWidth([...even]);
      return measured.filter((place) => even.has(place) || Math.abs(place.wide - wide) <= EVEN * wide);
    })
    .filter((run) => {
      const wide = commonWidth(run);
      return lengthOf(run) >= Math.max(limit, LONG * wide, wide < 1 ? FAINT_LENGTH : 0);
    });
}

/** Of a straight stroke, how far its middle lies off a line, at the most, as a share of how far it goes along it. */
const STRAIGHT = 0.05;

/**
 * A place's width by the way that the stroke goes there, which is known from the places before and behind it: a
 * stroke's end cuts the chords along it short, and so makes what is told of one place alone too narrow.
 */
function widthAt({ wide, chord, level }: NarrowPlace, near: readonly NarrowPlace[]): number {
  const { xx, xy, yy } = spreadOf(near);
  const [half, apart] = [(xx + yy) / 2, Math.hypot((xx - yy) / 2, xy)];
  if (near.length < 4 || half - apart > STRAIGHT ** 2 * (half + apart)) return wide;
  const angle = Math.atan2(2 * xy, xx - yy) / 2;
  return chord * Math.abs(level ? Math.sin(angle) : Math.cos(angle));
}

function spreadOf(near: readonly NarrowPlace[]) {
  const mean = (of: (place: NarrowPlace) => number) =>
    near.reduce((sum, place) => sum + of(place), 0) / near.length;
  const [mx, my, mw] = [mean(({ x }) => x), mean(({ y }) => y), mean(({ wide }) => wide)];
  let [xx, xy, yy, xw, yw] = [0, 0, 0, 0, 0];
  for (const { x, y, wide } of near) {
    xx += (x - mx) ** 2;
    xy += (x - mx) * (y - my);
    yy += (y - my) ** 2;
    xw += (x - mx) * (wide - mw);
    yw += (y - my) * (wide - mw);
  }
  return { xx, xy, yy, xw, yw };
}

/** Growth of width about a place, pixel by pixel, in the direction in which it grows most (least squares). */
function taperOf(near: readonly NarrowPlace[]): number {
  const { xy, xw, yw, ...spread } = spreadOf(near);
  // Across a straight stroke nothing is known: a little is added, so that nothing is made of it.
  const [xx, yy] = [spread.xx + near.length / 4, spread.yy + near.length / 4];
  return Math.hypot(yy * xw - xy * yw, xx * yw - xy * xw) / (xx * yy - xy * xy);
}

function lengthOf(run: readonly NarrowPlace[]): number {
  return run.reduce((sum, { along }) => sum + along, 0);
}

/** The width that a tenth of a stroke is narrower than: a notch in it is not its width. */
function commonWidth(run: readonly NarrowPlace[]): number {
  const widths = run.map(({ wide }) => wide).sort((a, b) => a - b);
  return widths[Math.floor(widths.length / 10)] ?? 0;
}

/** Strokes summed up, measured on a copy reduced by a factor; `inside`: pixels of all strokes, thin or not. */
export function summedUp(runs: readonly NarrowPlace[][], inside: number, factor: number): ThinPlaces {
  if (runs.length === 0) return NOTHING_THIN;
  let area = 0;
  const inFull = ({ x, y, width, height }: PixelBox) => ({
    ...{ x: x * factor, y: y * factor },
    ...{ width: width * factor, height: height * factor },
  });
  const most = MOST_TOLD / runs.length;
  const each = runs.map((run): ThinStroke => {
    for (const { wide, along } of run) area += along * wide;
    const stretches = stretchesOf(run, most).map(inFull);
    const box = inFull(boxRound(run));
    return { width: commonWidth(run) * factor, length: lengthOf(run) * factor, box, stretches };
  });
  each.sort((a, b) => a.width - b.width);
  return {
    thinnest: each[0]!.width,
    share: Math.min(1, area / Math.max(1, inside)),
    each: each.slice(0, MOST_TOLD),
  };
}

function insideOf(raster: Raster): number {
  let inside = 0;
  for (const pixel of signedWords(raster)) inside += pixel >>> 31;
  return inside;
}
