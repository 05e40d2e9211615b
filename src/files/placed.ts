import type { Facts, PlacedImage } from '@/core/artwork/facts';
import { bytesSource } from '@/core/formats/source';
import type { Raster } from '@/core/raster/raster';
import type { Engine } from '@/imaging/engine';
import { openPicture } from '@/imaging/picture';

/** Under this PPI a picture inside a drawing is worth a word. */
const SHARP = 300;

/** What is to be said of the pictures inside a drawing or a page. */
export function sharpness(images: readonly PlacedImage[]): Facts['notes'] {
  if (images.length === 0) return [];
  const least = Math.min(...images.map(({ ppi }) => Math.min(ppi.x, ppi.y)));
  const holds =
    images.length === 1 ? 'Holds a picture of' : `Holds ${images.length} pictures, the least with`;
  const soft = least < SHARP ? ', which prints softer than the drawing round it' : '';
  return [
    { code: 'images', message: `${holds} ${Math.floor(least + 0.005)} PPI at the file’s own size${soft}.` },
  ];
}

/** The pixels of a picture that lies in a drawing as a file of its own; null where it cannot be read, or is too large to hold. */
export async function pictureInside(engine: Engine, name: string, bytes: Uint8Array): Promise<Raster | null> {
  try {
    const opened = openPicture(engine, name, bytesSource(bytes));
    return opened.bands ? null : await opened.raster(opened.pixels!);
  } catch {
    return null;
  }
}
