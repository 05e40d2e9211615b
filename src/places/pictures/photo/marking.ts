import type { ShapeKind } from '@/core/mockup/photo/marks';
import type { PhotoPoint } from '@/core/mockup/photo/schema';

/** What is being marked by clicking: a surface's corners, or the line round what lies in front. */
export interface Marking {
  kind: ShapeKind | 'front';
  points: readonly PhotoPoint[];
  /** What is still missing, once one wanted to be done. */
  trouble: string | null;
}
