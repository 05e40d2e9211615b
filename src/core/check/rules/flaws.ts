import type { Flaw } from '../../artwork/facts';
import type { Extent } from '../../fit/geometry';
import type { ShowingPiece } from '../../fit/schema';
import { findFlaws } from '../../raster/flaws';
import { showingPieces, type CheckContext } from '../context';
import { once, shownOf, type ShownPixels } from '../measure/artwork';

/** What is left in a piece that nobody meant to print, at its size there. */
export interface PlacedFlaws {
  piece: ShowingPiece;
  flaws: readonly Flaw[];
  /** mm2 of all of them. */
  area: number;
  /** Where each of them is. */
  places: Extent[];
  /** The pixels that they were told by. */
  shown: ShownPixels;
}

/** Flaws of certain kinds of every piece that has any, told by their size there; `counts` leaves out what is meant. */
export function flawsOf(
  context: CheckContext,
  kinds: readonly Flaw['kind'][],
  counts: (flaw: Flaw, shown: ShownPixels) => boolean = () => true,
): PlacedFlaws[] {
  return showingPieces(context).flatMap((piece) => {
    const shown = shownOf(context, piece);
    const { raster, mm, placeOf } = shown;
    const all = once(raster, `flaws/${mm.toFixed(5)}`, () => findFlaws(raster, mm));
    const flaws = all.filter((flaw) => kinds.includes(flaw.kind) && counts(flaw, shown));
    if (flaws.length === 0) return [];
    const area = flaws.reduce((sum, { pixels }) => sum + pixels * mm * mm, 0);
    return [{ piece, flaws, area, places: flaws.map(({ box }) => placeOf(box)), shown }];
  });
}
