import type { Vector } from '../../geometry/vector';

/** The room that the things of a scene take, in mm, and the width of the first of them. */
export interface Room {
  low: Vector;
  high: Vector;
  unit: number;
}
