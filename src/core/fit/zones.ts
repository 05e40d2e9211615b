import type { Zone } from '../blank/face';
import type { Point } from './geometry';

/** The zone whose centre lies nearest to a point, and how far off it is across (+ right) and down (+ down), in mm. */
export function nearestZone(
  zones: readonly Zone[],
  at: Point,
): { zone: Zone; across: number; down: number } | null {
  let best: { zone: Zone; across: number; down: number } | null = null;
  for (const zone of zones) {
    const off = { zone, across: at.x - zone.x, down: at.y - zone.y };
    if (!best || Math.hypot(off.across, off.down) < Math.hypot(best.across, best.down)) best = off;
  }
  return best;
}
