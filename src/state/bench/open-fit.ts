import { temporal } from 'zundo';
import { create } from 'zustand';
import type { FacePieces } from '@/core/fit/selection';
import { withoutEmptyGroups } from '@/core/fit/selection';
import { remedied } from '@/core/check/remedy';
import type { Remedy } from '@/core/check/finding';
import type { Cut } from '@/core/fit/cut';
import { artworkIdsOf, type Fit, type FitFace, type Piece } from '@/core/fit/schema';
import { MOST_STEPS, readHistory } from '@/store/history';
import { readOne } from '@/store/read';
import { restHand, useHand } from './hand';
import { FitHold, type Role } from './fit-lock';
import { BY_BENCH, ChangedElsewhere, isUnsaved, keepEdit, keepWaiting } from './save-queue';
import { dequal } from 'dequal';
import { onChange } from '../shop/commit';
import { show, useShop } from '../shop/shop';

interface OpenFit {
  fit: Fit | null;
  /** Which of the fit's steps this is; each edit is one more. */
  number: number;
}

const NOTHING: OpenFit = { fit: null, number: 0 };

/** The fit on the bench. Every change here is one step of undo and is saved as it is made. */
export const useBench = create<OpenFit>()(temporal(() => NOTHING, { limit: MOST_STEPS }));

/** Whether this tab writes the open fit, or follows another that does; null until that is settled. */
export const useRole = create<{ role: Role | null }>(() => ({ role: null }));

let hold: FitHold | null = null;
/** Whether the fit as it was before its first edit is kept, to be gone back to. */
let based = false;

/** Puts a fit on the bench with its steps, to be undone as before it was put away. */
export async function openFit(fitId: string | null): Promise<void> {
  closeFit();
  if (fitId === null || !useShop.getState().fits.has(fitId)) return;
  const own = new FitHold(fitId, {
    onRole: (role) => {
      // While it is still being read, what it may do is asked once it is there.
      if (hold !== own || useRole.getState().role === null) return;
      if (role === 'writing' && useRole.getState().role === 'following') void beginWriting(own, fitId);
      else useRole.setState({ role });
    },
    finish: keepWaiting,
  });
  hold = own;
  const role = await own.open();
  if (hold !== own) return;
  await load(fitId, role === 'writing');
  if (hold !== own) return;
  useRole.setState({ role });
  // Let go elsewhere while it was read: by the place that had it before, for one.
  if (role === 'following' && own.writes) await beginWriting(own, fitId);
}

/** Nothing can be changed here before what the other tab saved last is here. */
async function beginWriting(own: FitHold, fitId: string): Promise<void> {
  await reload(fitId, true);
  if (hold === own) useRole.setState({ role: 'writing' });
}

/** Puts the open fit away. */
function closeFit(): void {
  hold?.close();
  hold = null;
  restHand();
  useBench.setState(NOTHING);
  useBench.temporal.getState().clear();
  useRole.setState({ role: null });
  useShop.setState({ onBench: null });
}

async function load(fitId: string, writes: boolean): Promise<void> {
  const kept = await readHistory(fitId);
  const { fits, artworks } = useShop.getState();
  const fit = fits.get(fitId);
  if (!fit) return;
  // A step that shows an artwork which was taken out since cannot be gone back to.
  const steps = (kept?.steps ?? []).filter((step) => artworkIdsOf(step.fit).every((id) => artworks.has(id)));
  const at = kept?.steps.find(({ number }) => number === kept.at);
  // Changed elsewhere since, by another file in an artwork's place for one: that is a step like any other.
  const changed = writes && at !== undefined && !dequal(at.fit, fit);
  const here = at?.number ?? 0;
  const states = steps.map((step): OpenFit => ({ fit: step.fit, number: step.number }));
  const { temporal: history } = useBench;
  history.getState().pause();
  useBench.setState({ fit, number: changed ? here + 1 : here });
  history.setState({
    pastStates: states.filter(({ number }) => (changed ? number <= here : number < here)),
    futureStates: changed ? [] : states.filter(({ number }) => number > here).reverse(),
  });
  history.getState().resume();
  based = kept !== null;
  useShop.setState({ onBench: fitId });
  if (changed) await keepEdit({ fit, number: here + 1, step: true }, fit);
}

/** The reading back that is under way: edits that failed together wait for one. */
let reloading: { fitId: string; done: Promise<void> } | null = null;

/** Written elsewhere: what is on the disk takes the place of what is here. A fit that was taken out is put away. */
function reload(fitId: string, writes: boolean): Promise<void> {
  if (reloading?.fitId === fitId) return reloading.done;
  const done = (async () => {
    const after = await readOne('fits', fitId);
    show([{ table: 'fits', key: fitId, after }]);
    if (after) await load(fitId, writes);
    else closeFit();
  })().finally(() => {
    if (reloading?.done === done) reloading = null;
  });
  reloading = { fitId, done };
  return done;
}

// Another window, or another place of this one, changed the fit that is open here.
onChange((changes, by) => {
  const id = useBench.getState().fit?.id;
  if (by === BY_BENCH || id === undefined || !changes.some((one) => one.table === 'fits' && one.key === id))
    return;
  void reload(id, useRole.getState().role === 'writing').catch(() => undefined);
});

/** Takes the fit over from the tab that writes it, once that has finished its edit. */
export function takeOver(): void {
  hold?.takeOver();
}

/** Makes one change to the open fit: a step of undo, saved at once. Resolves when it is on the disk. */
export async function changeFit(change: (fit: Fit) => Fit): Promise<void> {
  const { fit, number } = useBench.getState();
  useHand.setState({ draft: null, snapped: null });
  if (!fit || useRole.getState().role !== 'writing') return;
  const next = change(fit);
  if (dequal(next, fit)) return;
  // Refused for the same reason as the edit that goes on from it, which tells.
  if (!based) keepEdit({ fit, number, step: true }, fit).catch(() => undefined);
  based = true;
  useBench.setState({ fit: next, number: number + 1 });
  try {
    await keepEdit({ fit: next, number: number + 1, step: true }, fit);
  } catch (error) {
    if (useBench.getState().fit?.id !== fit.id) return;
    await reload(fit.id, true);
    // Made to what it was; the other window's change stays, and this one is made to that.
    if (error instanceof ChangedElsewhere) await changeFit(change);
    else throw error;
  }
}

/**
 * Puts what follows from the last change into its step, so that one undo takes both back; nothing where the fit has
 * changed meanwhile.
 */
export async function amendFit(before: Fit, after: Fit): Promise<void> {
  const { fit, number } = useBench.getState();
  if (fit !== before || useRole.getState().role !== 'writing') return;
  const history = useBench.temporal.getState();
  history.pause();
  useBench.setState({ fit: after });
  history.resume();
  based = true;
  await keepEdit({ fit: after, number, step: true }, before);
}

/** Does what a finding's remedy says, as one step. */
export function applyRemedy(faceId: string, remedy: Remedy): Promise<void> {
  return changeFit((fit) => remedied(fit, faceId, remedy));
}

/** Changes how a face of the open fit is cut. */
export function changeCut(faceId: string, cut: Partial<Cut>): Promise<void> {
  return changeFit((fit) => withCut(fit, faceId, cut));
}

function withCut(fit: Fit, faceId: string, cut: Partial<Cut>): Fit {
  return {
    ...fit,
    faces: fit.faces.map((face) =>
      face.faceId === faceId && face.cut ? { ...face, cut: { ...face.cut, ...cut } } : face,
    ),
  };
}

/** Changes one face of the open fit, its pieces or how they are grouped. */
export function changeFace(
  faceId: string,
  change: (face: Fit['faces'][number]) => FacePieces,
): Promise<void> {
  return changeFit((fit) => withFace(fit, faceId, change));
}

/** A fit with one face changed; a face that carried nothing yet is added. */
export function withFace(fit: Fit, faceId: string, change: (face: Fit['faces'][number]) => FacePieces): Fit {
  const before: FitFace = fit.faces.find((face) => face.faceId === faceId) ?? { faceId, pieces: [] };
  const { pieces, groups } = withoutEmptyGroups(change(before));
  const { cut, plates } = before;
  const grouped = groups && groups.length > 0 && { groups };
  const after = { faceId, pieces: [...pieces], ...grouped, ...(cut && { cut }), ...(plates && { plates }) };
  return {
    ...fit,
    faces: fit.faces.some((face) => face.faceId === faceId)
      ? fit.faces.map((face) => (face.faceId === faceId ? after : face))
      : [...fit.faces, after],
  };
}

/** Replaces the pieces of one face. */
export function changePieces(faceId: string, pieces: readonly Piece[]): Promise<void> {
  return changeFace(faceId, (face) => ({ ...face, pieces: [...pieces] }));
}

/** Changes one piece of a face. */
export function changePiece(faceId: string, piece: Piece): Promise<void> {
  return changeFace(faceId, (face) => ({
    ...face,
    pieces: face.pieces.map((one) => (one.id === piece.id ? piece : one)),
  }));
}

/** Shows a face while the hand still moves; nothing is saved or undone. */
export function draftFace(
  face: FacePieces,
  snapped: ReturnType<typeof useHand.getState>['snapped'] = null,
): void {
  if (useRole.getState().role === 'writing') useHand.setState({ draft: face, snapped });
}

/** Ends a drag: what was shown becomes one step. */
export function dropDraft(faceId: string): Promise<void> {
  const { draft } = useHand.getState();
  return draft ? changeFace(faceId, () => draft) : Promise.resolve();
}

export function faceOf(faceId: string): Fit['faces'][number] {
  const { fit } = useBench.getState();
  return fit?.faces.find((face) => face.faceId === faceId) ?? { faceId, pieces: [] };
}

export function piecesOf(faceId: string): readonly Piece[] {
  return faceOf(faceId).pieces;
}

export function undo(): Promise<void> {
  return step('undo');
}

export function redo(): Promise<void> {
  return step('redo');
}

async function step(way: 'undo' | 'redo'): Promise<void> {
  useHand.setState({ draft: null, snapped: null });
  if (useRole.getState().role !== 'writing') return;
  const before = useBench.getState();
  useBench.temporal.getState()[way]();
  const { fit, number } = useBench.getState();
  if (!fit || !before.fit || number === before.number) return;
  try {
    await keepEdit({ fit, number, step: false }, before.fit);
  } catch {
    // There is another state to go back from by now: it is shown instead.
    await reload(fit.id, true);
  }
}

if (typeof window !== 'undefined') {
  addEventListener('beforeunload', (event) => {
    if (isUnsaved()) event.preventDefault();
  });
}
