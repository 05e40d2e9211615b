import { Clipper, EndType, FillRule, JoinType, type PathD, type PathsD } from 'clipper2-ts';
import type { Ring } from './trace';

/** A shape as its outer lines and the holes in them. */
export interface Shape {
  outers: Ring[];
  holes: Ring[];
}

/** Decimals in mm, and how near to a circle round corners are kept. */
const PRECISION = 4;
const ARC = 0.003;

/** Grows a shape by mm, or shrinks it; corners become round by it. */
export function grow(shape: Shape, mm: number): Shape {
  return shapeOf(inflate(pathsOf(shape), mm));
}

/** Several growths after one another, as one work. */
export function growAll(shape: Shape, steps: readonly number[]): Shape {
  return shapeOf(steps.reduce((paths, mm) => inflate(paths, mm), pathsOf(shape)));
}

function inflate(paths: PathsD, mm: number): PathsD {
  if (mm === 0 || paths.length === 0) return paths;
  return Clipper.inflatePathsD(paths, mm, JoinType.Round, EndType.Polygon, 2, PRECISION, ARC);
}

/** Rings, one inside the other, as a shape: what an odd number of them goes round is filled. */
export function fromRings(rings: readonly Ring[]): Shape {
  return shapeOf(Clipper.unionD(rings.map(pathOf), [], FillRule.EvenOdd, PRECISION));
}

export function united(...shapes: readonly Shape[]): Shape {
  return shapeOf(Clipper.unionD(shapes.flatMap(pathsOf), [], FillRule.NonZero, PRECISION));
}

/** What of `shape` is not in `other`. */
export function less(shape: Shape, other: Shape): Shape {
  return shapeOf(Clipper.differenceD(pathsOf(shape), pathsOf(other), FillRule.NonZero, PRECISION));
}

/** What two shapes have in common. */
export function common(shape: Shape, other: Shape): Shape {
  return shapeOf(Clipper.intersectD(pathsOf(shape), pathsOf(other), FillRule.NonZero, PRECISION));
}

/** The shape with points left out that lie within mm of the line without them. */
export function simplified(shape: Shape, mm: number): Shape {
  return shapeOf(Clipper.simplifyPathsD(pathsOf(shape), mm, true));
}

/** mm2 of a ring; positive for an outer line of a shape. */
export function areaOf(ring: Ring): number {
  return Clipper.areaD(pathOf(ring));
}

export function lengthOf(ring: Ring): number {
  return ring.reduce((sum, [x, y], i) => {
    const [px, py] = ring[(i + ring.length - 1) % ring.length]!;
    return sum + Math.hypot(x - px, y - py);
  }, 0);
}

function pathOf(ring: Ring): PathD {
  return ring.map(([x, y]) => ({ x, y }));
}

function pathsOf({ outers, holes }: Shape): PathsD {
  return [...outers, ...holes].map(pathOf);
}

/** The largest outer line comes first. */
function shapeOf(paths: PathsD): Shape {
  const rings = paths
    .filter((path) => path.length > 2)
    .map((path) => ({ ring: path.map(({ x, y }): [number, number] => [x, y]), area: Clipper.areaD(path) }));
  const sorted = rings.sort((a, b) => Math.abs(b.area) - Math.abs(a.area));
  return {
    outers: sorted.filter(({ area }) => area > 0).map(({ ring }) => ring),
    holes: sorted.filter(({ area }) => area < 0).map(({ ring }) => ring),
  };
}
