import type { Vector } from '../../geometry/vector';
import { HALF } from '../bodies/seams';
import type { Mesh } from '../mesh';

/** What is printed or sewn on counts as nearer by so many times what it lies off, so that bent cloth does not show through. */
const OVER = 9;

/**
 * A piece of a garment that lies flat, as it is where it does not: its points at their new places. What it is sewn on never
 * shows through it, and of its lying folds so much is left, besides those that it hangs in.
 */
export function laidOver(
  lying: Mesh,
  spots: readonly { at: Vector; normal: Vector }[],
  foldsLeft: number,
): Mesh {
  const { material } = lying;
  return {
    ...lying,
    over: Math.max(0, Math.abs(lying.points[0]![2]) - HALF) * OVER,
    material: { ...material, ...(material.folds && { folds: material.folds * foldsLeft }) },
    points: spots.map(({ at }) => at),
    normals: spots.map(({ normal }) => normal),
  };
}
