import type { ShowingPiece } from '../fit/schema';
import { applySteps } from '../raster/steps/apply';
import type { Progress, Raster } from '../raster/raster';

const finished = new WeakMap<Raster, Map<string, Raster>>();

/** The pixels that a piece shows: its artwork's, with what is done to them for this piece alone. Kept with the artwork's. */
export function pixelsOf(
  piece: ShowingPiece,
  pixels: (artworkId: string) => Raster,
  progress?: Progress,
): Raster {
  const raster = pixels(piece.artworkId);
  return piece.finish && piece.finish.length > 0 ? finish(raster, piece.finish, progress) : raster;
}

function finish(raster: Raster, steps: NonNullable<ShowingPiece['finish']>, progress?: Progress): Raster {
  const known = finished.get(raster) ?? new Map<string, Raster>();
  finished.set(raster, known);
  const key = JSON.stringify(steps);
  let own = known.get(key);
  if (!own) {
    own = applySteps(raster, steps, progress);
    // One more than the last: a remedy and what it was before, for undo.
    if (known.size > 1) known.delete(known.keys().next().value!);
    known.set(key, own);
  }
  return own;
}
