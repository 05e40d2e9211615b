import type { PrintFace } from '../blank/resolve';
import { gridOf, type Facts } from '../artwork/facts';
import { MM_PER_INCH } from '../length/units';
import { isShowing, type Fit } from './schema';

/** Widths step up by this factor, so that a drawing is not drawn anew for each small change of its size. */
const STEP = 1.25;

/** Pixels across that an artwork needs on a fit, for each of its pieces to have its face's target PPI. */
export function wantedAcross(fit: Fit, faces: readonly PrintFace[], artworkId: string, facts: Facts): number {
  const { width, height } = gridOf(facts);
  let most = 1;
  for (const { faceId, pieces } of fit.faces) {
    const target = faces.find(({ id }) => id === faceId)?.target ?? 0;
    for (const piece of pieces) {
      if (!isShowing(piece) || piece.artworkId !== artworkId) continue;
      const across = Math.max(piece.width, (piece.height * width) / height);
      most = Math.max(most, (across / MM_PER_INCH) * target);
    }
  }
  return Math.ceil(STEP ** Math.ceil(Math.log(most) / Math.log(STEP) - 1e-9));
}
