import type { Raster } from '@/core/raster/raster';
import type { Artwork } from '@/store/schema';
import { onChange } from '../shop/commit';

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
  const bitmap = await createImageBitmap(artwork.preview).catch(standIn);
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

/** A hatched plate in the place of a small picture that cannot be decoded: the fit is laid out all the same. */
function standIn(): ImageBitmap {
  const canvas = new OffscreenCanvas(64, 64);
  const context = canvas.getContext('2d')!;
  context.fillStyle = '#d8d8d8';
  context.fillRect(0, 0, 64, 64);
  context.strokeStyle = '#6b6b6b';
  for (let at = -64; at < 64; at += 8) {
    context.moveTo(at, 64);
    context.lineTo(at + 64, 0);
  }
  context.stroke();
  return canvas.transferToImageBitmap();
}

// A picture that another took the place of is not shown any more; an undo gives it an address anew.
onChange((changes) => {
  for (const { table, before, after } of changes) {
    if (table !== 'artworks' || before === undefined) continue;
    const { preview } = before as Artwork;
    const url = urls.get(preview);
    if (url === undefined || (after as Artwork | undefined)?.preview === preview) continue;
    urls.delete(preview);
    URL.revokeObjectURL(url);
  }
});
