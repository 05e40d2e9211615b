import * as areas from '../geometry/areas';
import type { Area, AreaRing } from '../geometry/areas';
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
  return shapeOfArea(inflate(areaOfShape(shape), mm));
}

/** Several growths after one another, as one work. */
export function growAll(shape: Shape, steps: readonly number[]): Shape {
  return shapeOfArea(steps.reduce((paths, mm) => inflate(paths, mm), areaOfShape(shape)));
}

function inflate(paths: Area, mm: number): Area {
  if (mm === 0 || paths.length === 0) return paths;
  return areas.grown(paths, mm, { arc: ARC, decimals: PRECISION });
}

/** Rings, one inside the other, as a shape: what an odd number of them goes round is filled. */
export function fromRings(rings: readonly Ring[]): Shape {
  return shapeOfArea(areas.unitedEvenOdd(rings.map(pathOf), PRECISION));
}

export function united(...shapes: readonly Shape[]): Shape {
  return shapeOfArea(areas.united(shapes.flatMap(areaOfShape), PRECISION));
}

/** What of `shape` is not in `other`. */
export function less(shape: Shape, other: Shape): Shape {
  return shapeOfArea(areas.less(areaOfShape(shape), areaOfShape(other), PRECISION));
}

/** What two shapes have in common. */
export function common(shape: Shape, other: Shape): Shape {
  return shapeOfArea(areas.common(areaOfShape(shape), areaOfShape(other), PRECISION));
}

/** mm2 of a ring; positive for an outer line of a shape. */
export function areaOf(ring: Ring): number {
  return areas.areaWithin(pathOf(ring));
}

export function lengthOf(ring: Ring): number {
  return ring.reduce((sum, [x, y], i) => {
    const [px, py] = ring[(i + ring.length - 1) % ring.length]!;
    return sum + Math.hypot(x - px, y - py);
  }, 0);
}

function pathOf(ring: Ring): AreaRing {
  return ring.map(([x, y]) => ({ x, y }));
}

export function areaOfShape({ outers, holes }: Shape): Area {
  return [...outers, ...holes].map(pathOf);
}

/** The largest outer line comes first. */
export function shapeOfArea(paths: Area): Shape {
  const rings = paths
    .filter((path) => path.length > 2)
    .map((path) => ({
      ring: path.map(({ x, y }): [number, number] => [x, y]),
      area: areas.areaWithin(path),
    }));
  const sorted = rings.sort((a, b) => Math.abs(b.area) - Math.abs(a.area));
  return {
    outers: sorted.filter(({ area }) => area > 0).map(({ ring }) => ring),
    holes: sorted.filter(({ area }) => area < 0).map(({ ring }) => ring),
  };
}
