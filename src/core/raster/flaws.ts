import type { Flaw } from '../artwork/facts';
import { rgbOf } from '../colour/hex';
import { flatBackground } from './background';
import { measureWhole } from './band';
import { partMeasure, PRESENT } from './bounds';
import { findGaps } from './gaps';
import { findGuides } from './guides/guides';
import { isAround, markOf } from './marks';
import { absorb, boxOf, PartFinder, takeAlphaRuns, type Part } from './parts';
import { IN_SILENCE, words, type Raster } from './raster';
import { findSpots, type Spot } from './spots';

/** mm that a part off by itself may measure to be a stray speck, and pixels that its soft edge adds to that. */
const SPECK_SIDE = 0.5;
const SPECK_EDGE = 1.5;
/** mm each way up to which a hole is a pinhole and no counter of a letter. */
const PINHOLE_SIDE = 0.5;
/** Alpha up to which a pixel is a hole. */
const HOLE_ALPHA = 127;
/** mm within which a small part belongs to what lies beside it, as the dot of an i; and times its own size. */
const BESIDE = 0.4;
const BESIDE_SIZES = 1.5;
/** Flaws told one by one, of each kind. */
const MOST_TOLD = 200;
/** mm to a pixel where nothing is known of how large a picture is meant to be: 300 PPI. */
export const USUAL_MM = 25.4 / 300;

/** mm of one flat colour round a spot in the artwork itself for it to be stray, and no eye, seed or freckle. */
const OPEN = 2;

/** Stray spots of another colour on the flat parts of an artwork, each with the colour that it lies on. */
export function straySpots(raster: Raster, mm: number): Spot[] {
  return findSpots(raster, Math.round(SPECK_SIDE / mm + SPECK_EDGE), OPEN / mm);
}

/** What is left in a picture that nobody meant to print, `mm` to a pixel: guide and crop lines, specks, pinholes, gaps. */
export function findFlaws(raster: Raster, mm = USUAL_MM): Flaw[] {
  const seen = onGround(raster);
  const specks = seen ? straySpecks(seen, mm) : [];
  const pinholes = seen ? findPinholes(seen, mm) : [];
  const spots = straySpots(raster, mm).filter(
    ({ part }) => ![...specks, ...pinholes].some((other) => meet(part, other)),
  );
  const marks = specks.filter((part) => seen && markOf(part, seen, mm) !== null);
  return [
    ...findGuides(raster, mm).map(({ box, ends, thick, ...line }): Flaw => ({
      kind: 'line',
      box,
      pixels: Math.round(thick * Math.hypot(ends[2] - ends[0], ends[3] - ends[1])),
      certain: line.colour !== 'plain',
      line: { ...line, ends },
    })),
    ...told('line', marks, false),
    ...told(
      'speck',
      [...specks.filter((part) => !marks.includes(part)), ...spots.map(({ part }) => part)],
      true,
    ),
    ...told('pinhole', pinholes, true),
    ...told('gap', findGaps(raster, mm).parts, true),
  ];
}

/** Sum of differences of the channels from which a pixel stands out from the ground. */
const STANDS_OUT = 90;

/** A picture whose one ground all round is made clear; one that lets something through as it is; null of any other. */
export function onGround(raster: Raster): Raster | null {
  if (!raster.opaque) return raster;
  const ground = flatBackground(raster);
  if (ground === null) return null;
  const [red, green, blue] = rgbOf(ground);
  const pixels = words(raster);
  const clear = new Uint32Array(pixels.length);
  for (let at = 0; at < pixels.length; at++) {
    const pixel = pixels[at]!;
    const off =
      Math.abs((pixel & 255) - red) +
      Math.abs(((pixel >>> 8) & 255) - green) +
      Math.abs(((pixel >>> 16) & 255) - blue);
    if (off >= STANDS_OUT) clear[at] = pixel;
  }
  return { ...raster, data: new Uint8Array(clear.buffer), opaque: false };
}

/** Parts so small, and so far from anything else, that nobody drew them, and printer's marks; none where there is nothing else. */
export function straySpecks(raster: Raster, mm: number, parts = partsOf(raster)): Part[] {
  const most = (SPECK_SIDE / mm + SPECK_EDGE) ** 2;
  const marks = new Map(parts.map((part) => [part, markOf(part, raster, mm)]));
  const [body, ...others] = parts.filter((part) => part.pixels > most && !marks.get(part));
  if (!body) return [];
  const whole = { ...body };
  for (const part of others) absorb(whole, part);
  return parts.filter((part) => {
    const mark = marks.get(part);
    return (part.pixels <= most || (mark && isAround(mark, part, whole, mm))) && isAlone(raster, part, mm);
  });
}

function partsOf(raster: Raster): Part[] {
  return measureWhole(partMeasure(raster.width), raster, IN_SILENCE);
}

/** Whether nothing else lies near a part. */
function isAlone({ width, height, data }: Raster, part: Part, mm: number): boolean {
  const size = Math.min(part.right - part.left, part.bottom - part.top);
  // A large mark is told by its form: what it registers may come up to it.
  const counted = Math.min(size, SPECK_SIDE / mm + SPECK_EDGE);
  const off = Math.ceil(Math.max(BESIDE / mm, BESIDE_SIZES * counted, 2));
  for (let y = Math.max(0, part.top - off); y < Math.min(height, part.bottom + off); y++) {
    const within = y >= part.top && y < part.bottom;
    for (let x = Math.max(0, part.left - off); x < Math.min(width, part.right + off); x++) {
      if (within && x === part.left) x = part.right;
      if (x < width && x < part.right + off && data[(y * width + x) * 4 + 3]! > PRESENT) return false;
    }
  }
  return true;
}

/** Small holes with something all round them. */
export function findPinholes(raster: Raster, mm: number): Part[] {
  return holesOf(raster)
    .parts()
    .filter((part) => isPinhole(part, raster, mm));
}

/** Every clear part of a picture, its runs kept where they are wanted. */
export function holesOf({ width, height, data }: Raster, keepRuns = false): PartFinder {
  const finder = new PartFinder(keepRuns);
  for (let y = 0; y < height; y++) {
    finder.beginRow(y);
    takeAlphaRuns(finder, data, width, y, 0, HOLE_ALPHA);
  }
  return finder;
}

export function isPinhole(part: Part, { width, height }: Raster, mm: number): boolean {
  const most = Math.max(2, Math.round(PINHOLE_SIDE / mm));
  const inside = part.left > 0 && part.top > 0 && part.right < width && part.bottom < height;
  return inside && part.right - part.left <= most && part.bottom - part.top <= most;
}

function meet(a: Part, b: Part): boolean {
  return a.left <= b.right && b.left <= a.right && a.top <= b.bottom && b.top <= a.bottom;
}

function told(kind: Flaw['kind'], parts: Part[], certain: boolean): Flaw[] {
  const largest = [...parts].sort((a, b) => b.pixels - a.pixels);
  return largest
    .slice(0, MOST_TOLD)
    .map((part) => ({ kind, box: boxOf(part), pixels: part.pixels, certain }));
}
