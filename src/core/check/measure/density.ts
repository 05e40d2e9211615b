import type { PlacedImage } from '../../artwork/facts';
import { heldSize } from '../../artwork/limits';
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
  const { pixels, images = [] } = facts(piece.artworkId);
  // A picture that is too large to hold is printed from a copy.
  if (pixels) return placedPpi(heldSize(pixels), piece, face);
  const [worst] = images
    .map((image) => placedImage({ facts, face }, piece, image))
    .filter((placed) => placed !== null)
    .sort((a, b) => a.least - b.least);
  return worst ?? null;
}

/** Placed PPI of one of the pictures inside a piece's drawing; null where the drawing has no size. */
export function placedImage(
  { facts, face }: Pick<CheckContext, 'facts' | 'face'>,
  piece: ShowingPiece,
  { ppi }: PlacedImage,
): ReturnType<typeof placedPpi> | null {
  const { physical } = facts(piece.artworkId);
  if (!physical) return null;
  // As many pixels as the whole drawing would have at the picture's density.
  const whole = {
    width: (physical.width / MM_PER_INCH) * ppi.x,
    height: (physical.height / MM_PER_INCH) * ppi.y,
  };
  return placedPpi(whole, piece, face);
}
