import type { PixelBox } from '../artwork/facts';
import type { NarrowPlace } from './chords';

/** A stroke's box is its place where it is this many times as large as what lies in it is wide, and no more. */
const SLIM = 4;
/** A stretch is at least so many times as long as its stroke is wide, and so many pixels. */
const LONG = 6;
const LEAST = 8;

/**
 * The boxes of a narrow thing, at most about `most` of them: one where it lies along an axis; where it lies at a slant
 * or goes round, one for each stretch of it, so that nothing beside it is marked.
 */
export function stretchesOf(run: readonly NarrowPlace[], most: number): PixelBox[] {
  const whole = boxRound(run);
  const wide = run.reduce((sum, one) => sum + one.wide, 0) / run.length;
  const [short, long] = [Math.min(whole.width, whole.height), Math.max(whole.width, whole.height)];
  if (most < 2 || short <= SLIM * wide + LEAST) return [whole];
  // A line from corner to corner goes through twice as many squares as lie along a side.
  const side = Math.max(LEAST, LONG * wide, (2 * long) / most);
  const squares = new Map<string, NarrowPlace[]>();
  for (const place of run) {
    const key = `${Math.floor(place.x / side)} ${Math.floor(place.y / side)}`;
    const own = squares.get(key);
    if (own) own.push(place);
    else squares.set(key, [place]);
  }
  return [...squares.values()].map(boxRound);
}

/** The box of narrow places, each as wide as it is. */
export function boxRound(run: readonly NarrowPlace[]): PixelBox {
  let [left, top, right, bottom] = [Infinity, Infinity, -Infinity, -Infinity];
  for (const { x, y, wide } of run) {
    [left, right] = [Math.min(left, x - wide / 2), Math.max(right, x + wide / 2)];
    [top, bottom] = [Math.min(top, y - wide / 2), Math.max(bottom, y + wide / 2)];
  }
  return { x: left, y: top, width: right - left, height: bottom - top };
}
