import { areaWithin, grown } from './areas';
import { NearEdges } from './near-edges';
import { memoOf } from '../memo';

/** A closed outline as its corner points in mm, from the top left of its box. */
export type Outline = [x: number, y: number][];

/** Decimals in mm that grown outlines are reckoned to, and how near to a circle their corners are kept. */
const PRECISION = 4;
const ARC = 0.01;

/** Signed distance in mm from a point to a closed outline; positive outside. */
export function outlineDistance(outline: Outline, x: number, y: number): number {
  const near = nearEdges(outline);
  const mm = near.distance(x, y);
  return near.isInside(x, y) ? -mm : mm;
}

const edges = new WeakMap<Outline, NearEdges>();

/** The outline's edges, sorted once: millions of pixels ask for them. */
function nearEdges(outline: Outline): NearEdges {
  let near = edges.get(outline);
  if (!near) edges.set(outline, (near = new NearEdges(outline)));
  return near;
}

const grownOutlines = memoOf<Outline, number, Outline[]>(64);

/** The outline grown by `grow` mm (negative: shrunk), its corners rounded by it; shrinking may leave several, or none. */
export function growOutline(outline: Outline, grow: number): Outline[] {
  if (grow === 0) return [outline];
  return grownOutlines(outline, grow, () => {
    const path = outline.map(([x, y]) => ({ x, y }));
    const turned = areaWithin(path) < 0 ? path.reverse() : path;
    return grown([turned], grow, { arc: ARC, decimals: PRECISION }).map((points) =>
      points.map(({ x, y }): [number, number] => [x, y]),
    );
  });
}

/** Where the row at height y lies within outlines: spans from left to right, in mm. */
export function outlineSpans(outlines: readonly Outline[], y: number): [from: number, to: number][] {
  const crossings: number[] = [];
  for (const outline of outlines) {
    for (let i = 0, j = outline.length - 1; i < outline.length; j = i++) {
      const [ax, ay] = outline[j]!;
      const [bx, by] = outline[i]!;
      if (ay > y !== by > y) crossings.push(ax + ((y - ay) * (bx - ax)) / (by - ay));
    }
  }
  crossings.sort((a, b) => a - b);
  return Array.from({ length: Math.floor(crossings.length / 2) }, (_, i) => [
    crossings[2 * i]!,
    crossings[2 * i + 1]!,
  ]);
}

/** Outlines as one SVG path in mm, moved by (left, top). */
export function outlinePath(outlines: readonly Outline[], left = 0, top = 0): string {
  return outlines.map((points) => `M${points.map(([x, y]) => `${left + x} ${top + y}`).join('L')}Z`).join('');
}
