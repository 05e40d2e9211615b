import type { Facts } from '../artwork/facts';
import { artSize, type PrintFace } from '../blank/resolve';
import type { Verdict } from './finding';
import { shownPpi } from '../fit/density';
import { newPiece, roleOf } from '../fit/place';

/** Whether an artwork has pixels enough for a face, and its PPI there; null for a drawing, which has enough for any. */
export interface Suitability {
  verdict: Verdict;
  ppi: number | null;
}

/** An artwork fitted whole to a face: a motif inside its safe area, an opaque one over its bleed. */
export function suitabilityOf(facts: Facts, face: PrintFace): Suitability {
  if (facts.alpha.opaqueBounds.width === 0 || artSize(face).width === 0) return { verdict: 'fix', ppi: 0 };
  const piece = newPiece('suits', facts.sha256, facts, roleOf(facts), face);
  const placed = shownPpi(facts, piece, face);
  if (!placed) return { verdict: 'ready', ppi: null };
  const ppi = placed.least;
  return { ppi, verdict: ppi >= face.target - 0.005 ? 'ready' : ppi >= face.floor ? 'look' : 'fix' };
}
