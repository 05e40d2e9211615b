import type { PixelBox } from '../artwork/facts';
import { measureWhole, type BandMeasure } from './band';
import { absorb, boxOf, PartFinder, takeAlphaRuns, type Part } from './parts';
import { IN_SILENCE, type Progress, type Raster } from './raster';

/** Alpha above which a pixel counts as there. */
export const PRESENT = 8;
/** A connected part under this share of the picture's area is a speck. */
const SPECK_SHARE = 0.0005;

export interface OpaqueBounds {
  bounds: PixelBox;
  /** Share of the picture's area with alpha > 8. */
  share: number;
  specks: { count: number; pixels: number };
}

/**
 * Bounds of the pixels with alpha > 8, leaving out connected specks under 0.05 % of the picture's area
 * (unless there is nothing else).
 */
export function opaqueBounds(raster: Raster, progress: Progress = IN_SILENCE): OpaqueBounds {
  return concluded(measureWhole(partMeasure(raster.width), raster, progress), raster.width * raster.height);
}

/** Connected parts of what is there, of a picture whose bands come by. */
export function partMeasure(width: number): BandMeasure<Part[]> {
  const finder = new PartFinder();
  return {
    take: ({ raster, first, rows, y }, progress) => {
      for (let row = 0; row < rows; row++) {
        if (row % 256 === 0) progress(row / rows);
        finder.beginRow(y + row);
        if (raster.opaque) finder.take(0, width);
        else takeAlphaRuns(finder, raster.data, width, first + row, PRESENT + 1, 255);
      }
    },
    result: () => finder.parts(),
  };
}

/** Parts in two heaps: what counts, and specks; everything counts where there is nothing else. */
function withoutSpecks(parts: readonly Part[], area: number): { kept: Part[]; specks: Part[] } {
  const least = area * SPECK_SHARE;
  const kept = parts.filter((part) => part.pixels >= least);
  if (kept.length === 0) return { kept: [...parts], specks: [] };
  return { kept, specks: parts.filter((part) => part.pixels < least) };
}

/** Bounds of all connected parts but the specks among them. */
export function concluded(parts: readonly Part[], area: number): OpaqueBounds {
  const { kept, specks } = withoutSpecks(parts, area);
  const [first, ...others] = kept;
  if (!first)
    return { bounds: { x: 0, y: 0, width: 0, height: 0 }, share: 0, specks: { count: 0, pixels: 0 } };
  const all = { ...first };
  for (const part of others) absorb(all, part);
  return {
    bounds: boxOf(all),
    share: pixelsIn(parts) / area,
    specks: { count: specks.length, pixels: pixelsIn(specks) },
  };
}

function pixelsIn(parts: readonly Part[]): number {
  return parts.reduce((sum, part) => sum + part.pixels, 0);
}
