import type { Facts } from '../artwork/facts';
import type { SpecNumber } from '../blank/questions';
import type { PrintFace, ResolvedBlank } from '../blank/resolve';
import type { ArtworkPiece, Piece } from '../fit/schema';
import type { Progress } from '../raster/raster';
import type { Pixels } from '../render/face';
import type { Grid } from '../render/transform';
import type { Finding, RuleId } from './finding';

/** All that a rule may look at: one face of a fit, the facts of its artworks, and their pixels. */
export interface CheckContext {
  blank: ResolvedBlank;
  face: PrintFace;
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

/** One rule of the docket. Gives no finding where it does not apply to this blank or these pieces. */
export interface Rule {
  id: RuleId;
  /** Numbers of the blank that its verdict rests on. */
  rests: readonly SpecNumber[];
  /** What the docket calls it. */
  name: string;
  check: (context: CheckContext) => Finding[];
}

export function visibleOf(context: CheckContext, role: Piece['role']): Piece[] {
  return context.pieces.filter((piece) => piece.visible && piece.role === role);
}

export function artworkPieces(pieces: readonly Piece[]): ArtworkPiece[] {
  return pieces.filter((piece): piece is ArtworkPiece => piece.kind === 'artwork' && piece.visible);
}

/** The face's pieces with one of them changed. */
export function withPiece(context: CheckContext, changed: Piece): Piece[] {
  return context.pieces.map((piece) => (piece.id === changed.id ? changed : piece));
}
