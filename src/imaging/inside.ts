import type { Facts, PixelSize, PlacedImage } from '@/core/artwork/facts';
import { MM_PER_INCH } from '@/core/length/units';
import { trueDetail } from '@/core/raster/detail';
import type { Progress } from '@/core/raster/raster';
import type { HeldImage, Opened } from './opened';

/** Pictures inside a drawing that are looked at, and their pixels, the largest first: any page has no more that matter. */
const MOST_IMAGES = 40;
const MOST_IMAGE_PIXELS = 120e6;

/** Each picture inside a drawing with what its own pixels hold. */
export async function imagesInside(images: readonly HeldImage[], progress: Progress): Promise<PlacedImage[]> {
  const sized = [...images].sort((a, b) => areaOf(b.pixels) - areaOf(a.pixels)).slice(0, MOST_IMAGES);
  let left = MOST_IMAGE_PIXELS;
  const details = new Map<HeldImage, Facts['detail']>();
  for (const [i, image] of sized.entries()) {
    progress(i / sized.length);
    left -= areaOf(image.pixels);
    const raster = left > 0 ? await image.raster?.() : null;
    if (raster) details.set(image, trueDetail(raster));
  }
  return images.map((image) => {
    const { pixels, ppi } = image;
    const detail = details.get(image);
    return { pixels, ppi, ...(detail !== undefined && { detail }) };
  });
}

function areaOf({ width, height }: PixelSize): number {
  return width * height;
}

/** Of a page's or a drawing's area, the share that its one picture must have for the page to be as sharp as it is. */
const MOSTLY = 0.6;

/** A drawing is as sharp as it is printed; one that is a picture for the most part has that picture's detail. */
export function detailInside(
  { detail, grid }: { detail: Facts['detail']; grid: PixelSize },
  { physical }: Pick<Opened, 'physical'>,
  images: readonly PlacedImage[],
): Facts['detail'] {
  const [image, ...others] = images;
  if (!image || others.length > 0 || !physical) return null;
  const { pixels, ppi } = image;
  const area = (pixels.width / ppi.x) * (pixels.height / ppi.y) * MM_PER_INCH ** 2;
  if (area < MOSTLY * physical.width * physical.height) return null;
  if (image.detail !== undefined || !detail) return image.detail ?? null;
  // What was measured was drawn on the grid, finer or coarser than the picture inside.
  const drawnPpi = (grid.width / physical.width) * MM_PER_INCH;
  const own = (detail.scale * drawnPpi) / Math.min(ppi.x, ppi.y);
  return own >= 1 || detail.scale >= 1 ? { scale: 1, sure: true } : { ...detail, scale: own };
}
