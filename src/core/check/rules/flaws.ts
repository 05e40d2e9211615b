import { gridOf, type Flaw } from '../../artwork/facts';
import { outlineDistance } from '../../geometry/outline';
import { ringsOf } from '../../cut/line';
import { fromRings } from '../../cut/polygons';
import { clipOutline } from '../../fit/clip';
import type { Extent } from '../../fit/geometry';
import type { ShowingPiece } from '../../fit/schema';
import { showingPieces, type CheckContext } from '../context';
import { flawOn } from '../measure/artwork';

/** What is left in a piece that nobody meant to print, at its size there. */
export interface PlacedFlaws {
  piece: ShowingPiece;
  flaws: readonly Flaw[];
  /** mm2 of all of them. */
  area: number;
  place: Extent;
}

/** Flaws of certain kinds of every piece that has any; those that the piece's own finish has mended are gone. */
export function flawsOf(context: CheckContext, kinds: readonly Flaw['kind'][]): PlacedFlaws[] {
  return showingPieces(context).flatMap((piece) => {
    const flaws = context
      .facts(piece.artworkId)
      .flaws.filter(({ kind }) => kinds.includes(kind) && !isTidied(piece, kind))
      .filter(({ box }) => isSeen(context, piece, box));
    if (flaws.length === 0) return [];
    const { extent, area } = flawOn(context, piece);
    const extents = flaws.map(({ box }) => extent(box));
    return [
      {
        piece,
        flaws,
        area: flaws.reduce((sum, { pixels }) => sum + pixels * area, 0),
        place: {
          left: Math.min(...extents.map(({ left }) => left)),
          top: Math.min(...extents.map(({ top }) => top)),
          right: Math.max(...extents.map(({ right }) => right)),
          bottom: Math.max(...extents.map(({ bottom }) => bottom)),
        },
      },
    ];
  });
}

/** Whether a box of an artwork's own pixels is seen through the piece's clip. */
function isSeen({ facts }: CheckContext, piece: ShowingPiece, box: Flaw['box']): boolean {
  if (piece.kind !== 'artwork' || !piece.clip) return true;
  const grid = gridOf(facts(piece.artworkId));
  const [x, y] = [(box.x + box.width / 2) / grid.width, (box.y + box.height / 2) / grid.height];
  return fromRings(ringsOf(clipOutline(piece.clip, piece.width / piece.height), 0.002)).outers.some(
    (ring) => outlineDistance(ring, x, y) < 0,
  );
}

function isTidied({ finish = [] }: ShowingPiece, kind: Flaw['kind']): boolean {
  return finish.some((step) => step.kind === 'tidy' && step.what === `${kind}s`);
}
