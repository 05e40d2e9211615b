import type { ResolvedBlank } from '../blank/resolve';
import { isToShape } from '../cut/face';
import { facePair } from '../fit/carry';
import { carryFace } from '../fit/copy-face';
import { placeOpaqueBox, type FactsOf } from '../fit/geometry';
import type { Design, Fit, FitFace, Piece, TextPiece } from '../fit/schema';
import { artworksOf, swapArtworks, swapsByRole } from '../fit/swap';
import type { Changed } from './changed';

/** A fit with the blank it is on. */
export interface OnBlank {
  fit: Fit;
  blank: ResolvedBlank;
}

/**
 * A fit laid out as another one of the same kind of blank is: face by face, scaled to it. Its own artworks take the places
 * of those with their role, and its own words those of the other's words.
 */
export function arrangedLike(
  { fit, blank }: OnBlank,
  like: OnBlank,
  design: Pick<Design, 'artworks'>,
  { factsOf, newId }: { factsOf: FactsOf; newId: () => string },
): Changed {
  if (fit.id === like.fit.id) return { why: 'It is the one whose arrangement the others take.' };
  if (isToShape(blank) || isToShape(like.blank))
    return { why: 'What is cut to its artwork has no arrangement to take.' };
  if (blank.blank.body.kind !== like.blank.blank.body.kind)
    return { why: `${blank.blank.name} is another kind of blank than ${like.blank.blank.name}.` };
  const shown = artworksOf(fit.faces.flatMap(({ pieces }) => pieces));
  const swaps = swapsByRole(
    artworksOf(like.fit.faces.flatMap(({ pieces }) => pieces)),
    shown.length > 0 ? shown : design.artworks,
  );
  const sameDesign = fit.designId === like.fit.designId;
  const laid = like.fit.faces.flatMap((theirs): FitFace[] => {
    const pair = facePair(theirs, like.blank.faces, blank.faces);
    if (!pair) return [];
    const { from, to } = pair;
    const carried = carryFace(theirs, from, to, factsOf, newId);
    const [swapped] = swapArtworks([carried], swaps, factsOf);
    const own = fit.faces.find(({ faceId }) => faceId === to.id)?.pieces ?? [];
    return [{ ...swapped!, pieces: withOwnWords(swapped!.pieces, own, sameDesign) }];
  });
  const kept = fit.faces.filter(({ faceId }) => !laid.some((one) => one.faceId === faceId));
  return { fit: { ...fit, faces: [...laid, ...kept] } };
}

/** A face's own words in the places of others, one after another, as large as those let them be; words without a place go. */
function withOwnWords(pieces: readonly Piece[], own: readonly Piece[], sameDesign: boolean): Piece[] {
  const words = own.filter((piece): piece is TextPiece => piece.kind === 'text');
  return pieces.flatMap((piece): Piece[] => {
    if (piece.kind !== 'text') return [piece];
    const next = words.shift();
    if (!next) return sameDesign ? [piece] : [];
    const scale = Math.min(piece.width / next.width, piece.height / next.height);
    return [
      placeOpaqueBox({ ...next, groupId: piece.groupId }, null, {
        x: piece.x,
        y: piece.y,
        width: next.width * scale,
        height: next.height * scale,
        rotation: piece.rotation,
      }),
    ];
  });
}
