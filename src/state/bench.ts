import { temporal } from 'zundo';
import { create } from 'zustand';
import type { Fit, Piece } from '@/core/fit/schema';
import { saveFit } from './shop';

interface OpenFit {
  fit: Fit | null;
}

/** The fit on the bench. Every change here is one step of undo and is saved as it is made. */
export const useBench = create<OpenFit>()(temporal(() => ({ fit: null as Fit | null }), { limit: 200 }));

/** What the hand is doing: not undone, not saved. */
export interface Hand {
  /** The face's pieces while something is dragged; `null` where nothing is. */
  draft: readonly Piece[] | null;
  selectedId: string | null;
  /** The face that is on the bench; the first where none was chosen. */
  faceId: string | null;
  /** What a drag has snapped to, in words, and the lines that show it (mm). */
  snapped: { words: string[]; x: number | null; y: number | null } | null;
  /** The dimension whose number is being typed. */
  editing: string | null;
  legend: boolean;
  /** The finding that is pointed at on the docket. */
  pointedAt: number | null;
}

const AT_REST: Hand = {
  draft: null,
  selectedId: null,
  faceId: null,
  snapped: null,
  editing: null,
  legend: false,
  pointedAt: null,
};

export const useHand = create<Hand>(() => AT_REST);

/** Puts a fit on the bench, with nothing to undo yet. */
export function openFit(fit: Fit | null): void {
  useHand.setState(AT_REST, true);
  useBench.setState({ fit });
  useBench.temporal.getState().clear();
}

/** Makes one change to the open fit: a step of undo, saved at once. Resolves when it is on the disk. */
export function changeFit(change: (fit: Fit) => Fit): Promise<void> {
  const { fit } = useBench.getState();
  if (!fit) return Promise.resolve();
  const next = change(fit);
  useHand.setState({ draft: null, snapped: null });
  if (JSON.stringify(next) === JSON.stringify(fit)) return Promise.resolve();
  useBench.setState({ fit: next });
  return saveFit(next);
}

/** Replaces the pieces of one face. */
export function changePieces(faceId: string, pieces: readonly Piece[]): Promise<void> {
  return changeFit((fit) => ({
    ...fit,
    faces: withPieces(fit, faceId, pieces),
  }));
}

/** The faces of a fit with one face's pieces replaced; a face that carried nothing yet is added. */
export function withPieces(fit: Fit, faceId: string, pieces: readonly Piece[]): Fit['faces'] {
  const set = { faceId, pieces: [...pieces] };
  return fit.faces.some((face) => face.faceId === faceId)
    ? fit.faces.map((face) => (face.faceId === faceId ? set : face))
    : [...fit.faces, set];
}

/** Changes one piece of a face. */
export function changePiece(faceId: string, piece: Piece): Promise<void> {
  return changePieces(
    faceId,
    piecesOf(faceId).map((one) => (one.id === piece.id ? piece : one)),
  );
}

/** Shows pieces while the hand still moves; nothing is saved or undone. */
export function draftPieces(pieces: readonly Piece[], snapped: Hand['snapped'] = null): void {
  useHand.setState({ draft: pieces, snapped });
}

/** Ends a drag: what was shown becomes one step. */
export function dropDraft(faceId: string): Promise<void> {
  const { draft } = useHand.getState();
  return draft ? changePieces(faceId, draft) : Promise.resolve();
}

export function piecesOf(faceId: string): readonly Piece[] {
  const { fit } = useBench.getState();
  return fit?.faces.find((face) => face.faceId === faceId)?.pieces ?? [];
}

export function undo(): Promise<void> {
  return step('undo');
}

export function redo(): Promise<void> {
  return step('redo');
}

function step(way: 'undo' | 'redo'): Promise<void> {
  useBench.temporal.getState()[way]();
  useHand.setState({ draft: null, snapped: null });
  const { fit } = useBench.getState();
  return fit ? saveFit(fit) : Promise.resolve();
}
