import type { Facts, PlacedImage } from '@/core/artwork/facts';

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
