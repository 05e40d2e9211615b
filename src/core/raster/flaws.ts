import type { Flaw } from '../artwork/facts';
import { findGaps } from './gaps';
import { findGuides } from './guides';
import { boxOf, PartFinder, takeAlphaRuns, type Part } from './parts';
import type { Raster } from './raster';

/** A part this small, as a share of the picture's area, or in pixels, is a stray speck. */
const STRAY_SHARE = 0.00002;
const LEAST_STRAY = 9;
/** A hole no larger than this each way, in pixels, is a pinhole and no counter of a letter. */
const PINHOLE_SIDE = 6;
/** Alpha up to which a pixel is a hole. */
const HOLE_ALPHA = 127;
/** A part this thin and this long, in pixels, off by itself, is a crop mark. */
const MARK_THICKNESS = 4;
const MARK_LENGTH = 16;
const MARK_RATIO = 8;
/** Flaws told one by one, of each kind; more are counted with the last. */
const MOST_TOLD = 50;

/** What is left in a picture that nobody meant to print: guide and crop lines, stray specks, pinholes, gaps. */
export function findFlaws(raster: Raster, parts: readonly Part[]): Flaw[] {
  const specks = straySpecks(parts, raster);
  const marks = specks.filter(isMark);
  return [
    ...findGuides(raster).map(({ box, certain }): Flaw => ({
      kind: 'line',
      box,
      pixels: box.width * box.height,
      certain,
    })),
    ...told('line', marks, false),
    ...told(
      'speck',
      specks.filter((part) => !isMark(part)),
      true,
    ),
    ...told('pinhole', findPinholes(raster), true),
    ...told('gap', findGaps(raster).parts, true),
  ];
}

/** Parts so small that nobody drew them; none where there is nothing else. */
export function straySpecks(parts: readonly Part[], { width, height }: Raster): Part[] {
  const most = Math.max(LEAST_STRAY, width * height * STRAY_SHARE);
  const specks = parts.filter((part) => part.pixels <= most || isMark(part));
  return specks.length < parts.length ? specks : [];
}

/** Small holes with something all round them. */
export function findPinholes(raster: Raster): Part[] {
  return raster.opaque
    ? []
    : holesOf(raster)
        .parts()
        .filter((part) => isPinhole(part, raster));
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

export function isPinhole(part: Part, { width, height }: Raster): boolean {
  const inside = part.left > 0 && part.top > 0 && part.right < width && part.bottom < height;
  return inside && part.right - part.left <= PINHOLE_SIDE && part.bottom - part.top <= PINHOLE_SIDE;
}

function isMark(part: Part): boolean {
  const { width, height } = boxOf(part);
  const [thin, long] = width < height ? [width, height] : [height, width];
  return (
    thin <= MARK_THICKNESS &&
    long >= Math.max(MARK_LENGTH, thin * MARK_RATIO) &&
    part.pixels >= 0.8 * thin * long
  );
}

function told(kind: Flaw['kind'], parts: Part[], certain: boolean): Flaw[] {
  const largest = [...parts].sort((a, b) => b.pixels - a.pixels);
  return largest
    .slice(0, MOST_TOLD)
    .map((part) => ({ kind, box: boxOf(part), pixels: part.pixels, certain }));
}
