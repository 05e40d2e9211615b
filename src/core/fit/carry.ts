import type { PrintFace } from '../blank/resolve';
import type { FitFace } from './schema';

/** The face that a fit's face is on, and the one it goes to on another blank: of its id, or in its place among them. */
export function facePair(
  { faceId }: Pick<FitFace, 'faceId'>,
  from: readonly PrintFace[],
  to: readonly PrintFace[],
): { from: PrintFace; to: PrintFace } | null {
  const at = from.findIndex(({ id }) => id === faceId);
  const [before, after] = [from[at], to.find(({ id }) => id === faceId) ?? to[at]];
  return before && after ? { from: before, to: after } : null;
}
