import type { PrintFace } from '@/core/blank/resolve';
import { shownPpi } from '@/core/fit/density';
import { opaqueBox, type PieceFacts } from '@/core/fit/geometry';
import { fitInside } from '@/core/fit/place';
import type { MotifPiece } from '@/core/fit/schema';
import { showLength, type UnitSetting } from '@/core/length/show';
import { toast } from '@/ui/toast';

/** A piece as large as the safe area of its face, this much wider than it is, is offered. */
const WIDER = 1.01;

/**
 * Says that a motif lies smaller than its face has room for, and why; offers the whole room. Silent where it fills it.
 * `onFill` gives it that, and answers false where it is not there any more. One such message stands at a time: what was
 * said of another motif would be pressed for this one.
 */
export function tellHeldBack(
  piece: MotifPiece,
  known: PieceFacts,
  face: PrintFace,
  unit: UnitSetting,
  onFill: (full: MotifPiece) => boolean,
): void {
  const full = fitInside(piece, known, face);
  if (full.width <= piece.width * WIDER) return;
  const widthOf = (one: MotifPiece) => showLength(opaqueBox(one, known).width, unit);
  const placed = known && shownPpi(known, piece, face);
  const why =
    placed && placed.least < face.target * WIDER
      ? 'as its pixels are good for'
      : 'as is seen whole from one side';
  toast(`“${piece.name}” is ${widthOf(piece)} wide: as large ${why}.`, {
    id: 'held back',
    duration: 10_000,
    action: {
      label: `Fill the safe area, ${widthOf(full)}`,
      onClick: () => {
        if (!onFill(full)) toast(`“${piece.name}” is not as it was: nothing is done to it.`);
      },
    },
  });
}
