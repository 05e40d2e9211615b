import { surface, type Material, type Mesh } from '../../product/mesh';
import type { Room } from './room';

const STRIPES: readonly Material[] = ['#eee9de', '#7f9a94'].map((colour) => ({
  faceId: null,
  colour,
  finish: 'fabric' as const,
}));
/** Stripes on either side of the middle. */
const HALF = 9;

/** The striped edge of a stall's roof, above the things and behind them. */
export function awning({ low, high, unit }: Room): Mesh[] {
  const wide = unit * 0.34;
  const tall = high[1] - low[1];
  const middle = (low[0] + high[0]) / 2;
  const [top, hem] = [high[1] + tall * 0.62, high[1] + tall * 0.2];
  const [back, front] = [low[2] - unit * 1.6, low[2] - unit * 0.5];
  return Array.from({ length: 2 * HALF }, (_, i) => {
    const left = middle + (i - HALF) * wide;
    return surface(STRIPES[i % 2]!, 12, 24, (s, t) => {
      // It slopes to the front, and hangs down there in a scallop.
      const slope = Math.min(1, t / 0.55);
      const hangs = Math.max(0, (t - 0.55) / 0.45);
      const scallop = 0.55 + 0.45 * Math.sqrt(Math.max(0, 1 - (2 * s - 1) ** 2));
      const edge = top - (top - hem) * 0.55 * slope;
      return {
        at: [
          left + wide * s,
          edge - (edge - hem) * hangs * scallop,
          back + (front - back) * slope + hangs * unit * 0.02 * Math.sin(6 * s + i),
        ],
      };
    });
  });
}
