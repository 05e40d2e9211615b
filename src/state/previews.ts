import type { Raster } from '@/core/raster/raster';
import type { Artwork } from '@/store/schema';

/** What the screen shows of an artwork: an address for pictures, a bitmap to draw, pixels to measure coarsely. */
export interface Preview {
  url: string;
  bitmap: ImageBitmap;
  raster: Raster;
}

const urls = new Map<string, string>();
const previews = new Map<string, Promise<Preview>>();

/** The address of an artwork's small picture; made once and kept while the page lives. */
export function previewUrl(artwork: Artwork): string {
  let url = urls.get(artwork.id);
  if (!url) urls.set(artwork.id, (url = URL.createObjectURL(artwork.preview)));
  return url;
}

/** Side of the reduced copy that is measured while the hand is still moving, in pixels. */
const COARSE_SIDE = 384;

/** Decodes an artwork's small picture once. */
export function previewOf(artwork: Artwork): Promise<Preview> {
  let preview = previews.get(artwork.id);
  if (!preview) previews.set(artwork.id, (preview = decode(artwork)));
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
