import type { Facts } from '../artwork/facts';
import type { Step } from '../artwork/steps';
import type { SpecNumber } from '../blank/questions';
import type { PrintFace, ResolvedBlank } from '../blank/resolve';
import { factsFor, type PieceFacts } from '../fit/geometry';
import type { Press } from '../colour/press';
import {
  isMotifKind,
  isShowing,
  type Fit,
  type Piece,
  type ShowingPiece,
  type MotifPiece,
} from '../fit/schema';
import type { Progress } from '../raster/raster';
import type { Pixels } from '../render/face';
import type { Grid } from '../render/transform';
import { tellingOnes, type Finding, type RuleId } from './finding';

/** All that a rule may look at: one face of a fit, the facts of its artworks, and their pixels. */
export interface CheckContext {
  blank: ResolvedBlank;
  face: PrintFace;
  fit: Fit;
  /** What the product may look like: its colours, or the states it has instead. */
  looks: readonly ProductLook[];
  /** What its inks do with colours; null where they are not known, so that nothing is said of them. */
  press: Press | null;
  /** All the face's pieces, in order. */
  pieces: readonly Piece[];
  facts: (artworkId: string) => Facts;
  pixels: Pixels;
  /** The grid that is measured on: the face at its target PPI, or coarser while it is being edited. */
  grid: Grid;
  /** Writes a length in the seller's unit. */
  say: (mm: number) => string;
  progress: Progress;
}

/** A look of the product, and whether the fit's verdict goes by it. */
export interface ProductLook {
  id: string;
  name: string;
  hex: string;
  counts: boolean;
  /** Whether it hides the print on purpose. */
  hides?: boolean | undefined;
}

/** One rule of the docket. Gives no finding where it does not apply to this blank or these pieces. */
export interface Rule {
  id: RuleId;
  /** Numbers of the blank that its verdict rests on. */
  rests: readonly SpecNumber[];
  /** What the docket calls it. */
  name: string;
  /** What a person does about it where no remedy is at hand: a sentence. */
  way: string;
  /** The place in which more can be done about it than a remedy does, and the verb that goes there. */
  further?: { verb: string; place: 'inks' };
  /** Whether it hangs on how large the face is, so that every graded size of the product is measured by it. */
  edges?: true;
  /** Whether it hangs on where pieces lie, how large they are and what is done to them, so that a remedy can make it worse. */
  moves?: true;
  /** Where its places are parts of the piece itself: they are marked by all that it shows there, or by what is half clear. */
  onInk?: 'whole' | 'soft';
  /** Whether what it takes long over are the artworks' own pixels; those of the print are gone over by the other rules. */
  ofArtwork?: true;
  check: (context: CheckContext) => Finding[];
}

/** The pieces of a role that are seen; one that removes what is under it is no ground. */
export function visibleOf({ pieces }: CheckContext, role: Piece['role']): Piece[] {
  return pieces.filter(
    (piece) => piece.visible && piece.role === role && !(piece.knockout && role === 'ground'),
  );
}

/** Every visible piece that shows an artwork. */
export function showingPieces({ pieces }: CheckContext): ShowingPiece[] {
  return pieces.filter((piece) => isShowing(piece)).filter(({ visible }) => visible);
}

/** Measures every piece that shows an artwork, those nearest to their limit last; `better` says which way is better. */
export function measureShowing(
  context: CheckContext,
  better: 'more' | 'less',
  measure: (context: CheckContext, piece: ShowingPiece) => Finding | null,
): Finding[] {
  return measureEach(context, showingPieces(context), better, measure);
}

/** The same of any pieces. */
export function measureEach<P extends Piece>(
  context: CheckContext,
  pieces: readonly P[],
  better: 'more' | 'less',
  measure: (context: CheckContext, piece: P) => Finding | null,
): Finding[] {
  const way = better === 'more' ? -1 : 1;
  return tellingOnes(
    pieces
      .map((piece) => measure(context, piece))
      .filter((finding) => finding !== null)
      .sort((a, b) => way * (Number(a.measured) - Number(b.measured))),
  );
}

/** Every visible motif with a place of its own. */
export function motifsOf(context: CheckContext): MotifPiece[] {
  return visibleOf(context, 'motif').filter(isMotifKind);
}

export function factsIn({ facts }: CheckContext, piece: Piece): PieceFacts {
  return factsFor(piece, facts);
}

/** Whether a piece's pixels have had a step done to them for it alone. */
export function isFinished({ finish = [] }: ShowingPiece, step: Step): boolean {
  const key = JSON.stringify(step);
  return finish.some((done) => JSON.stringify(done) === key);
}

/** The face's pieces with something more done to the pixels of one. */
export function withFinish(context: CheckContext, piece: ShowingPiece, ...steps: Step[]): Piece[] {
  return withPiece(context, { ...piece, finish: [...(piece.finish ?? []), ...steps] });
}

/** The face's pieces with one of them changed. */
export function withPiece(context: CheckContext, changed: Piece): Piece[] {
  return context.pieces.map((piece) => (piece.id === changed.id ? changed : piece));
}
