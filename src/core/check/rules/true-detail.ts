import type { Facts } from '../../artwork/facts';
import { heldSize } from '../../artwork/limits';
import type { ShowingPiece } from '../../fit/schema';
import { measureShowing, type CheckContext, type Rule } from '../context';
import type { Finding } from '../finding';
import { honestSize } from '../measure/honest-size';
import { imagePpi, shownPpi, wholePpi } from '../../fit/density';
import { CHECK_LIMITS } from '../../limits';

/** A picture with this much of its detail was not enlarged. */
const CRISP = 0.8;

/** How many of a piece's placed PPI carry detail: an enlarged picture has pixels enough and nothing in them. */
export const trueDetail: Rule = {
  id: 'true-detail',
  rests: ['target', 'floor'],
  name: 'True detail',
  way: 'Bring a sharper original, or make it smaller.',
  check: (context) => measureShowing(context, 'more', measure),
};

function measure(context: CheckContext, piece: ShowingPiece): Finding | null {
  const worst = leastDetail(context, piece);
  if (!worst) return null;
  const { target, floor } = context.face;
  const { placed, detail } = worst;
  const real = placed * detail.scale;
  const wanted = target * CHECK_LIMITS.detailShare;
  const low = real < floor * CHECK_LIMITS.detailShare;
  // Nothing is refused by one sign alone.
  const verdict = real >= wanted ? 'ready' : low && detail.sure ? 'fix' : 'look';
  const shown = wholePpi(real);
  const several = (context.facts(piece.artworkId).images ?? []).length > 1;
  const held = several ? `A picture in “${piece.name}”` : `“${piece.name}”`;
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
        ? `${held} holds detail for ${shown} PPI.`
        : detail.scale >= CRISP
          ? `${held} is crisp, and holds detail for ${shown} PPI at this size; ${Math.round(wanted)} is wanted.`
          : `${held} has ${Math.floor(placed)} PPI here, but detail for ${shown} only: it was enlarged or is not sharp. More pixels will not help; a sharper original will.`,
    remedies: verdict === 'ready' ? [] : honestSize(context, piece, real / wanted),
  };
}

/** The placed PPI and the detail of what a piece shows; of a drawing's pictures those of the one that is worst off. */
function leastDetail(
  context: CheckContext,
  piece: ShowingPiece,
): { placed: number; detail: NonNullable<Facts['detail']> } | null {
  const facts = context.facts(piece.artworkId);
  const { detail, pixels, images = [] } = facts;
  const inside = images.flatMap((image) => {
    const placed = imagePpi(facts, image, piece, context.face);
    return image.detail && placed ? [{ placed: placed.least, detail: image.detail }] : [];
  });
  if (inside.length > 0)
    return inside.reduce((a, b) => (b.placed * b.detail.scale < a.placed * a.detail.scale ? b : a));
  const placed = shownPpi(facts, piece, context.face);
  if (!placed || !detail) return null;
  // Of the file's own pixels those are left that the copy has which is printed.
  const left = pixels ? heldSize(pixels).width / pixels.width : 1;
  return { placed: placed.least, detail: { ...detail, scale: Math.min(1, detail.scale / left) } };
}
