import { ALIKE, apart } from '../apart';
import { inkOf, majority, standsOut, type Levels } from './colour';
import { LEAST_SHARE, reachesEnds, STRIDE, type Direction, type Ends, type StraightLine } from './line';

/** Where a line that is looked through crosses something thin. */
interface Crossing {
  /** Its middle, in pixels across. */
  at: number;
  from: number;
  to: number;
  word: number;
  beside: number;
  /** Looked up where its word does not say enough. */
  ink: Levels | null;
  /** Taken by a line that was found. */
  taken: boolean;
}

/** `at` across the picture as a straight line of the scans: `middle + slope * (scan - centre)`. */
interface Fit {
  slope: number;
  middle: number;
  centre: number;
  found: { scan: number; crossing: Crossing }[];
}

/** More of them are a picture's own texture. */
const MOST_CROSSINGS = 60_000;
/** How far off a line a crossing may lie, in pixels. */
const NEAR = 1.4;
/** Scans between the two crossings that a line is begun from, and of all scans how many are begun at. */
const APART = 10;
const BEGUN = 9;
/** A line that has no crossing in so many scans on end has come to its own end. */
const LOST = 40;
/** Of the first scans so many must hold it. */
const FIRST = 16;
const FIRST_HELD = 7;
/** Lines are begun so often, at most. */
const MOST_BEGUN = 60_000;
/** A line is at least so long, of the picture's shorter side, and drifts by so many of its own thicknesses. */
const LEAST_LENGTH = 0.5;
const LEAST_DRIFT = 1.2;
/** Which of a line's crossings, by how far they stand out, has its colour. */
const STRONG = 0.8;
/** Sum of differences of the four levels of two inks that may be one. */
const SAME_INK = 130;

/**
 * Thin straight lines at a slant, at most 45 degrees off their direction: what lines through the picture cross is
 * followed from scan to scan and fitted by least squares.
 */
export function slantedLines(pixels: Int32Array, direction: Direction, looked: Int32Array): StraightLine[] {
  const scans = crossings(looked, direction);
  if (!scans) return [];
  const lines: StraightLine[] = [];
  let begun = 0;
  for (let part = 1; part < BEGUN; part++) {
    const scan = Math.round((scans.length * part) / BEGUN);
    const later = scan + APART;
    if (later >= scans.length) continue;
    for (const first of scans[scan]!) {
      for (const second of scans[later]!) {
        const slope = (second.at - first.at) / APART;
        if (first.taken || second.taken || Math.abs(slope) > STRIDE * 1.05 || !isSame(first, second))
          continue;
        if (++begun > MOST_BEGUN) return lines;
        const fit = followed(scans, { scan, crossing: first }, { scan: later, crossing: second });
        const line = fit && lineOf(pixels, direction, fit);
        if (!line) continue;
        for (const { crossing } of fit.found) crossing.taken = true;
        lines.push(line);
      }
    }
  }
  return lines;
}

/** What every line that is looked at crosses that is thin and stands out; null where that is texture. */
function crossings(looked: Int32Array, { across, off }: Direction): Crossing[][] | null {
  // At a slant a line is crossed over more of its own thickness.
  const reach = Math.ceil(off * Math.SQRT2);
  const scans: Crossing[][] = [];
  let count = 0;
  for (let start = 0; start < looked.length; start += across) {
    const scan: Crossing[] = [];
    let from = -1;
    for (let line = reach; line < across - reach; line++) {
      const stands = standsOut(looked, start + line, reach);
      if (stands === from >= 0) continue;
      if (!stands && line - from <= reach) scan.push(crossing(looked, start, from, line, reach));
      from = stands ? line : -1;
    }
    const end = across - reach;
    if (from !== -1 && end - from <= reach) scan.push(crossing(looked, start, from, end, reach));
    count += scan.length;
    if (count > MOST_CROSSINGS) return null;
    scans.push(scan);
  }
  return scans;
}

function crossing(looked: Int32Array, start: number, from: number, to: number, reach: number): Crossing {
  const beside = looked[start + from - reach]!;
  let [word, most, sum, weight] = [0, -1, 0, 0];
  for (let line = from; line < to; line++) {
    const pixel = looked[start + line]!;
    const own = apart(pixel, beside);
    if (own > most) [word, most] = [pixel, own];
    sum += own * (line + 0.5);
    weight += own;
  }
  return { at: sum / weight, from, to, word, beside, ink: null, taken: false };
}

function isSame(a: Crossing, b: Crossing): boolean {
  if (apart(a.word, b.word) <= 2 * ALIKE) return true;
  let off = 0;
  const own = (a.ink ??= inkOf(a.word, a.beside));
  const other = (b.ink ??= inkOf(b.word, b.beside));
  for (let k = 0; k < 4; k++) off += Math.abs(own[k]! - other[k]!);
  return off <= SAME_INK;
}

/** A line followed both ways from two crossings of it; null where it is soon lost. */
function followed(
  scans: readonly Crossing[][],
  first: Fit['found'][number],
  second: Fit['found'][number],
): Fit | null {
  const sums = { n: 0, s: 0, a: 0, ss: 0, sa: 0 };
  const found: Fit['found'] = [];
  const take = (one: Fit['found'][number]) => {
    const [s, a] = [one.scan, one.crossing.at];
    found.push(one);
    sums.n++;
    sums.s += s;
    sums.a += a;
    sums.ss += s * s;
    sums.sa += s * a;
  };
  const fit = (): Omit<Fit, 'found'> => {
    const { n, s, a, ss, sa } = sums;
    return { slope: (n * sa - s * a) / (n * ss - s * s), middle: a / n, centre: s / n };
  };
  take(first);
  take(second);
  const model = second.crossing;
  for (const [from, way] of [
    [first.scan + 1, 1],
    [first.scan - 1, -1],
  ] as const) {
    let missed = 0;
    for (let scan = from; scan >= 0 && scan < scans.length && missed < LOST; scan += way) {
      if (scan === second.scan) continue;
      const { slope, middle, centre } = fit();
      const at = middle + slope * (scan - centre);
      const near = nearest(scans[scan]!, at);
      if (near && !near.taken && Math.abs(near.at - at) <= NEAR && isSame(near, model)) {
        take({ scan, crossing: near });
        missed = 0;
      } else missed++;
      if (way === 1 && scan - first.scan === FIRST && found.length < FIRST_HELD) return null;
    }
  }
  return { ...fit(), found };
}

function nearest(scan: readonly Crossing[], at: number): Crossing | undefined {
  let [low, high] = [0, scan.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if (scan[middle]!.at < at) low = middle + 1;
    else high = middle;
  }
  const [before, behind] = [scan[low - 1], scan[low]];
  return before && (!behind || at - before.at < behind.at - at) ? before : behind;
}

function lineOf(
  pixels: Int32Array,
  { along, across, alongStep, acrossStep, off }: Direction,
  { slope, middle, centre, found }: Fit,
): StraightLine | null {
  const atOf = (scan: number) => middle + slope * (scan - centre);
  const isInside = (scan: number) => atOf(scan) > off && atOf(scan) < across - off;
  const count = Math.ceil(along / STRIDE);
  const inside = Array.from({ length: count }, (_, scan) => scan).filter(isInside);
  const [first, last] = [inside[0], inside.at(-1)];
  if (first === undefined || last === undefined) return null;
  const drift = Math.abs(slope) * (last - first);
  const crossed = found.map(({ crossing }) => crossing);
  const thick = crossed.reduce((sum, one) => sum + one.to - one.from, 0) / crossed.length;
  const length = Math.hypot((last - first) * STRIDE, drift);
  const square = thick * Math.cos(Math.atan(slope / STRIDE));
  if (
    // Its rims are half covered.
    square - 1 >= off ||
    drift < LEAST_DRIFT * Math.max(1, thick) ||
    length < LEAST_LENGTH * Math.min(along, across) ||
    crossed.length < LEAST_SHARE * inside.length
  )
    return null;
  // Nearly the strongest: the very strongest may be where it meets something else.
  const byStrength = [...crossed].sort((a, b) => apart(a.word, a.beside) - apart(b.word, b.beside));
  const strong = byStrength[Math.floor(byStrength.length * STRONG)]!;
  // On to where it leaves the picture.
  const [enters, leaves] = [0, across].map((side) => centre + (side - middle) / slope).sort((a, b) => a - b);
  const [begin, end] = [Math.max(0, enters!), Math.min(along / STRIDE, leaves!)];
  const [low, high] = [atOf(begin), atOf(end)];
  const [from, to] = [begin * STRIDE, end * STRIDE];
  const isLevel = alongStep < acrossStep;
  const ends: Ends = isLevel ? [from, low, to, high] : [low, from, high, to];
  const [left, top] = [Math.min(ends[0], ends[2]), Math.min(ends[1], ends[3])];
  return {
    ends,
    box: {
      x: Math.floor(left),
      y: Math.floor(top),
      width: Math.ceil(Math.abs(ends[2] - ends[0])),
      height: Math.ceil(Math.abs(ends[3] - ends[1])),
    },
    thick: square,
    solid: square,
    word: strong.word,
    beside: majority(crossed.length, (i) => crossed[i]!.beside),
    reaches: reachesEnds(
      found.map(({ scan }) => scan - first),
      inside.length,
    ),
    count: (is) => {
      let own = 0;
      const half = thick / 2 + 0.5;
      // All along, also where it crosses what it does not stand out from.
      for (const scan of inside) {
        const end = Math.min(across, Math.round(atOf(scan) + half));
        for (let line = Math.max(0, Math.round(atOf(scan) - half)); line < end; line++)
          if (is(pixels[scan * STRIDE * alongStep + line * acrossStep]!)) own++;
      }
      return own * STRIDE;
    },
  };
}
