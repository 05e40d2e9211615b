import type { Facts, PixelSize, PlacedImage } from '@/core/artwork/facts';
import type { Band } from '@/core/raster/band';
import type { Progress, Raster } from '@/core/raster/raster';

/** A picture inside a drawing, and the way to its own pixels where they can be read; null where they cannot after all. */
export type HeldImage = PlacedImage & { raster?: () => Promise<Raster | null> };

/** What a file says of itself, and the way to its pixels. Whatever it was, a picture comes out of it. */
export interface Opened
  extends
    Pick<Facts, 'format' | 'pixels' | 'physical' | 'density' | 'colour' | 'orientation' | 'notes'>,
    Partial<Pick<Facts, 'page' | 'pageCount' | 'pages'>> {
  /** Pictures inside a drawing or a page. */
  images?: HeldImage[];
  /**
   * Its pixels, upright: all of a picture that lies in memory whole, a copy of a larger one reduced by a whole factor,
   * a drawing drawn at the size wanted.
   */
  raster: (wanted: PixelSize, progress?: Progress) => Promise<Raster>;
  /** The most ink a picture in inks has of its own, in percent of solid. */
  totalInk?: () => number;
  /** The way by bands, not turned upright, of a picture that does not lie in memory whole. */
  bands: ((take: (band: Band) => void, progress?: Progress) => void) | null;
}

/** Longest side in pixels that a drawing is measured at. */
const DRAWING_SIDE = 2048;

/** The pixels a file is measured at: its own, or so many along a drawing's longer side. */
export function measuredSize({ pixels, physical }: Pick<Opened, 'pixels' | 'physical'>): PixelSize {
  if (pixels) return pixels;
  const { width, height } = physical!;
  const scale = DRAWING_SIDE / Math.max(width, height);
  return { width: Math.max(1, Math.round(width * scale)), height: Math.max(1, Math.round(height * scale)) };
}
