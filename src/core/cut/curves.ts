import { fitCubic } from 'fit-curve';
import type { Segment } from '../geometry/path';
import type { Ring } from './trace';

/** An edge this long, in mm, is a straight one and stays so. */
const STRAIGHT = 2;
/** A turn from which a corner is one, and is not smoothed over: 35 degrees. */
const CORNER = (35 * Math.PI) / 180;
/** Points along a curve lie no further apart, in mm. */
const APART = 0.4;

type Point = [number, number];

/** A ring as straight edges and cubic curves that stray from it by no more than `mm` (Schneider 1990). */
export function curvesOf(ring: Ring, mm: number): Segment[] {
  const count = ring.length;
  const at = (i: number): Point => ring[((i % count) + count) % count]!;
  const edge = (i: number) => Math.hypot(at(i + 1)[0] - at(i)[0], at(i + 1)[1] - at(i)[1]);
  /** Corners of the ring at which one curve ends and the next begins. */
  const breaks = ring.flatMap((_, i) =>
    edge(i) >= STRAIGHT || edge(i - 1) >= STRAIGHT || turnAt(at(i - 1), at(i), at(i + 1)) > CORNER ? [i] : [],
  );
  const first = breaks[0];
  if (first === undefined) return closed([...ring, at(0)], mm);
  const path: Segment[] = [{ kind: 'move', to: pointOf(at(first)) }];
  breaks.forEach((from, i) => {
    const to = i + 1 < breaks.length ? breaks[i + 1]! : first + count;
    if (to === from + 1) {
      path.push({ kind: 'line', to: pointOf(at(to)) });
      return;
    }
    const points = dense(Array.from({ length: to - from + 1 }, (_, step) => at(from + step)));
    // A curve goes on as the straight edge before it came, and ends as the one after it goes on.
    const starts =
      edge(from - 1) >= STRAIGHT ? direction(at(from - 1), at(from)) : direction(points[0]!, points[1]!);
    const ends =
      edge(to) >= STRAIGHT ? direction(at(to + 1), at(to)) : direction(points.at(-1)!, points.at(-2)!);
    add(path, fitCubic(points, starts, ends, mm * mm));
  });
  path.push({ kind: 'close' });
  return path;
}

/** A ring without a corner. */
function closed(ring: Ring, mm: number): Segment[] {
  const path: Segment[] = [{ kind: 'move', to: pointOf(ring[0]!) }];
  const points = dense(ring);
  const along = direction(ring.at(-2)!, ring[1]!);
  const back: Point = [-along[0], -along[1]];
  add(path, fitCubic(points, along, back, mm * mm));
  path.push({ kind: 'close' });
  return path;
}

function add(path: Segment[], curves: ReturnType<typeof fitCubic<Point>>): void {
  for (const [, c1, c2, to] of curves)
    path.push({ kind: 'cubic', c1: pointOf(c1), c2: pointOf(c2), to: pointOf(to) });
}

/** More points along long edges, so that no curve bulges between two of them. */
function dense(points: readonly Point[]): Point[] {
  return points.flatMap((point, i) => {
    const next = points[i + 1];
    if (!next) return [point];
    const steps = Math.max(1, Math.ceil(Math.hypot(next[0] - point[0], next[1] - point[1]) / APART));
    return Array.from({ length: steps }, (_, step): Point => [
      point[0] + ((next[0] - point[0]) * step) / steps,
      point[1] + ((next[1] - point[1]) * step) / steps,
    ]);
  });
}

function turnAt(before: Point, here: Point, after: Point): number {
  const a = Math.atan2(here[1] - before[1], here[0] - before[0]);
  const b = Math.atan2(after[1] - here[1], after[0] - here[0]);
  const turn = Math.abs(b - a);
  return turn > Math.PI ? 2 * Math.PI - turn : turn;
}

function direction(from: Point, to: Point): Point {
  const length = Math.hypot(to[0] - from[0], to[1] - from[1]);
  return length === 0 ? [1, 0] : [(to[0] - from[0]) / length, (to[1] - from[1]) / length];
}

function pointOf([x, y]: Point): { x: number; y: number } {
  return { x, y };
}
