import type { Raster } from '@/core/raster/raster';
import type { Artwork } from '@/store/schema';

/** What the screen shows of an artwork: an address for pictures, a bitmap to draw, pixels to measure coarsely. */
export interface Preview {
  url: string;
  bitmap: ImageBitmap;
  raster: Raster;
}

/** By the small picture itself: an artwork whose pixels change gets another. */
const urls = new WeakMap<Blob, string>();
const previews = new WeakMap<Blob, Promise<Preview>>();

/** The address of an artwork's small picture; made once and kept while the page lives. */
export function previewUrl(artwork: Artwork): string {
  let url = urls.get(artwork.preview);
  if (!url) urls.set(artwork.preview, (url = URL.createObjectURL(artwork.preview)));
  return url;
}

/** Side of the reduced copy that is measured while the hand is still moving, in pixels. */
const COARSE_SIDE = 384;

/** Decodes an artwork's small picture once. */
export function previewOf(artwork: Artwork): Promise<Preview> {
  let preview = previews.get(artwork.preview);
  if (!preview) previews.set(artwork.preview, (preview = decode(artwork)));
  return preview;
}

async function decode(artwork: Artwork): Promise<Preview> {
  const bitmap = await createImageBitmap(artwork.preview);
  const scale = Math.min(1, COARSE_SIDE / Math.max(bitmap.width, bitmap.height));
  const width = Math.max(1, Math.round(bitmap.width * scale));
  const height = Math.max(1, Math.round(bitmap.height * scale));
  const context = new OffscreenCanvas(width, height).getContext('2d', { willReadFrequently: true })!;
  context.imageSmoothingQuality = 'high';
  context.drawImage(bitmap, 0, 0, width, height);
  const { data } = context.getImageData(0, 0, width, height);
  const raster = { width, height, data: new Uint8Array(data.buffer), opaque: !artwork.facts.alpha.present };
  return { url: previewUrl(artwork), bitmap, raster };
}
