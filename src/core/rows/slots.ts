import type { ArtworkPiece, Fit, Piece, TextPiece } from '../fit/schema';
import type { TextSlot } from '../fit/slot';

/** A piece that a list fills. */
export type SlotPiece =
  (TextPiece & { slot: TextSlot }) | (ArtworkPiece & { slot: NonNullable<ArtworkPiece['slot']> });

/** Whether a piece is a slot. */
export function isSlot(piece: Piece): piece is SlotPiece {
  return (piece.kind === 'text' || piece.kind === 'artwork') && piece.slot !== undefined;
}

/** The slots of a fit, in the order of its faces and pieces. */
export function slotsOf({ faces }: Pick<Fit, 'faces'>): SlotPiece[] {
  return faces.flatMap(({ pieces }) => pieces.filter(isSlot));
}

/** What the slots of a fit are called, each once: several of one name are filled alike. */
export function slotNames(fit: Pick<Fit, 'faces'>): string[] {
  return [...new Map(slotsOf(fit).map(({ slot: { name } }) => [name.toLowerCase(), name])).values()];
}

/** A row's fit as a version of its own, of so many letters at most: its words are its own, and no list fills it any more. */
export function rowAsVersion(fit: Fit, name: string, id: string): Fit {
  const faces = fit.faces.map((face) => ({ ...face, pieces: face.pieces.map(withoutSlot) }));
  return {
    ...fit,
    id,
    version: { name: name.slice(0, MOST_NAME), colours: fit.version?.colours ?? [] },
    faces,
  };
}

const MOST_NAME = 120;

function withoutSlot(piece: Piece): Piece {
  return isSlot(piece) ? withSlot(piece, undefined) : piece;
}

/** A piece as a slot, or as none. */
export function withSlot<P extends TextPiece | ArtworkPiece>(piece: P, slot: P['slot'] | undefined): P {
  const bare = { ...piece };
  delete bare.slot;
  return slot === undefined ? bare : { ...bare, slot };
}
