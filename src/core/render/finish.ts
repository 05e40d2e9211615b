import type { ShowingPiece } from '../fit/schema';
import { applySteps } from '../raster/steps/apply';
import type { Progress, Raster } from '../raster/raster';
import { memoOf } from '../memo';

/** Two of each: a remedy and what it was before, for undo. */
const finished = memoOf<Raster, string, Raster>(2);

/** The pixels that a piece shows: its artwork's, with what is done to them for this piece alone. Kept with the artwork's. */
export function pixelsOf(
  piece: ShowingPiece,
  pixels: (artworkId: string) => Raster,
  progress?: Progress,
): Raster {
  const raster = pixels(piece.artworkId);
  const { finish: steps = [] } = piece;
  if (steps.length === 0) return raster;
  return finished(raster, JSON.stringify(steps), () => applySteps(raster, steps, progress));
}
