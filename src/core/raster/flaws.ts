import type { Flaw } from '../artwork/facts';
import { rgbOf } from '../colour/hex';
import { flatBackground } from './background';
import { measureWhole } from './band';
import { partMeasure, PRESENT } from './bounds';
import { findGaps } from './gaps';
import { findGuides } from './guides';
import { absorb, boxOf, PartFinder, takeAlphaRuns, type Part } from './parts';
import { IN_SILENCE, words, type Raster } from './raster';

/** mm that a part off by itself may measure to be a stray speck, and pixels that its soft edge adds to that. */
const SPECK_SIDE = 0.5;
const SPECK_EDGE = 1.5;
/** mm each way up to which a hole is a pinhole and no counter of a letter. */
const PINHOLE_SIDE = 0.5;
/** Alpha up to which a pixel is a hole. */
const HOLE_ALPHA = 127;
/** mm that a crop mark is thick at the most, and long at the least; and how many times as long as thick. */
const MARK_THICKNESS = 0.35;
const MARK_LENGTH = 1.35;
const MARK_RATIO = 8;
/** mm within which a small part belongs to what lies beside it, as the dot of an i; and times its own size. */
const BESIDE = 0.4;
const BESIDE_SIZES = 1.5;
/** Flaws told one by one, of each kind. */
const MOST_TOLD = 200;
/** mm to a pixel where nothing is known of how large a picture is meant to be: 300 PPI. */
export const USUAL_MM = 25.4 / 300;

/** What is left in a picture that nobody meant to print, `mm` to a pixel: guide and crop lines, specks, pinholes, gaps. */
export function findFlaws(raster: Raster, mm = USUAL_MM): Flaw[] {
  const seen = onGround(raster);
  const specks = seen ? straySpecks(seen, mm) : [];
  const marks = specks.filter((part) => isMark(part, mm));
  return [
    ...findGuides(raster, mm).map(({ box, ...line }): Flaw => ({
      kind: 'line',
      box,
      pixels: box.width * box.height,
      certain: line.colour !== 'plain',
      line,
    })),
    ...told('line', marks, false),
    ...told(
      'speck',
      specks.filter((part) => !isMark(part, mm)),
      true,
    ),
    ...told('pinhole', seen ? findPinholes(seen, mm) : [], true),
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

/** Parts so small, and so far from anything else, that nobody drew them; none where there is nothing else. */
export function straySpecks(raster: Raster, mm: number, parts = partsOf(raster)): Part[] {
  const most = (SPECK_SIDE / mm + SPECK_EDGE) ** 2;
  const isSmall = (part: Part) => part.pixels <= most || isMark(part, mm);
  const [body, ...others] = parts.filter((part) => !isSmall(part));
  if (!body) return [];
  const whole = { ...body };
  for (const part of others) absorb(whole, part);
  return parts.filter(
    (part) => isSmall(part) && isAlone(raster, part, mm) && (part.pixels <= most || !isUnder(part, whole)),
  );
}

/** How much of a line may lie along the artwork for it to be a crop mark: rules and underlines do. */
const ALONG = 0.2;

/** Whether a line lies along the artwork, above, below or beside it. */
function isUnder(line: Part, whole: Part): boolean {
  const level = line.right - line.left > line.bottom - line.top;
  const [from, to, low, high] = level
    ? [line.left, line.right, whole.left, whole.right]
    : [line.top, line.bottom, whole.top, whole.bottom];
  return Math.min(to, high) - Math.max(from, low) > ALONG * (to - from);
}

function partsOf(raster: Raster): Part[] {
  return measureWhole(partMeasure(raster.width), raster, IN_SILENCE);
}

/** Whether nothing else lies near a part. */
function isAlone({ width, height, data }: Raster, part: Part, mm: number): boolean {
  const size = Math.min(part.right - part.left, part.bottom - part.top);
  const off = Math.ceil(Math.max(BESIDE / mm, BESIDE_SIZES * size, 2));
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

function isMark(part: Part, mm: number): boolean {
  const { width, height } = boxOf(part);
  const [thin, long] = width < height ? [width, height] : [height, width];
  return (
    thin <= Math.max(2, MARK_THICKNESS / mm) &&
    long >= Math.max(MARK_LENGTH / mm, thin * MARK_RATIO) &&
    part.pixels >= 0.8 * thin * long
  );
}

function told(kind: Flaw['kind'], parts: Part[], certain: boolean): Flaw[] {
  const largest = [...parts].sort((a, b) => b.pixels - a.pixels);
  return largest
    .slice(0, MOST_TOLD)
    .map((part) => ({ kind, box: boxOf(part), pixels: part.pixels, certain }));
}
