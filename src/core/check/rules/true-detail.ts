import { placedPixels } from '../measure/density';
import type { ShowingPiece } from '../../fit/schema';
import { measureShowing, type CheckContext, type Rule } from '../context';
import type { Finding } from '../finding';
import { honestSize } from '../measure/honest-size';
import { CHECK_LIMITS } from '../../limits';

/** A picture with this much of its detail was not enlarged. */
const CRISP = 0.8;

/** How many of a piece's placed PPI carry detail: an enlarged picture has pixels enough and nothing in them. */
export const trueDetail: Rule = {
  id: 'true-detail',
  version: 4,
  rests: ['target', 'floor'],
  name: 'True detail',
  way: 'Bring a sharper original, or make it smaller.',
  check: (context) => measureShowing(context, 'more', measure),
};

function measure(context: CheckContext, piece: ShowingPiece): Finding | null {
  const { detail } = context.facts(piece.artworkId);
  const density = placedPixels(context, piece);
  if (!density || !detail) return null;
  const { target, floor } = context.face;
  const placed = density.least;
  const real = placed * detail.scale;
  const wanted = target * CHECK_LIMITS.detailShare;
  const low = real < floor * CHECK_LIMITS.detailShare;
  // Nothing is refused by one sign alone.
  const verdict = real >= wanted ? 'ready' : low && detail.sure ? 'fix' : 'look';
  const shown = Math.floor(real + 0.005);
  return {
    rule: 'true-detail',
    verdict,
    faceId: context.face.id,
    measured: real,
    required: wanted,
    unit: 'PPI',
    shown: {
      measured: `detail for ${shown} PPI`,
      required: `${Math.round(detail.scale * 100)} % of ${Math.floor(placed)} PPI; ${Math.round(wanted)} wanted`,
    },
    gauge: { from: 0, to: target * 1.5, limit: wanted, value: real },
    pieceId: piece.id,
    word: `Detail for ${shown} PPI`,
    message:
      verdict === 'ready'
        ? `“${piece.name}” holds detail for ${shown} PPI.`
        : detail.scale >= CRISP
          ? `“${piece.name}” is crisp, and holds detail for ${shown} PPI at this size; ${Math.round(wanted)} is wanted.`
          : `“${piece.name}” has ${Math.floor(placed)} PPI here, but detail for ${shown} only: it was enlarged or is not sharp. More pixels will not help; a sharper original will.`,
    remedies: verdict === 'ready' ? [] : honestSize(context, piece, real / wanted),
  };
}
