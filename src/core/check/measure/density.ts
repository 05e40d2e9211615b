import type { PixelSize } from '../../artwork/facts';
import { placedPpi } from '../../fit/density';
import type { ShowingPiece } from '../../fit/schema';
import { MM_PER_INCH } from '../../length/units';
import type { CheckContext } from '../context';

/**
 * Placed PPI of what a piece shows: of a picture its own, of a drawing that of the picture inside it that has the least.
 * Null of a drawing that holds none: it is sharp at any size.
 */
export function placedPixels(
  { facts, face }: Pick<CheckContext, 'facts' | 'face'>,
  piece: ShowingPiece,
): ReturnType<typeof placedPpi> | null {
  const { pixels, images, physical } = facts(piece.artworkId);
  if (pixels) return placedPpi(pixels, piece, face);
  if (!images || images.length === 0 || !physical) return null;
  // As many pixels as the whole drawing would have at each picture's density.
  const [worst] = images
    .map(({ ppi }): PixelSize => ({
      width: (physical.width / MM_PER_INCH) * ppi.x,
      height: (physical.height / MM_PER_INCH) * ppi.y,
    }))
    .map((size) => placedPpi(size, piece, face))
    .sort((a, b) => a.least - b.least);
  return worst ?? null;
}
