import type { Finish } from '../blank/schema';
import { spline } from '../geometry/ring';
import { along, cross, lengthOf, minus, unit, type Vector } from '../geometry/vector';

/** What a surface is made of. */
export interface Material {
  /** The face that is printed on it; null where nothing is. */
  faceId: string | null;
  /** `#rrggbb`, or `product`: the colour that it is shown in. */
  colour: string;
  finish: Finish | 'product';
  /** Folds of cloth, by how deep they are, 0 to 1. */
  folds?: number;
  /** Whether it is the skin of something solid, so that it is never seen from its back. */
  solid?: boolean;
  /** Share of the light that reaches it, where that is less than all: an inside, a seam. */
  tone?: number;
}

/** A surface of triangles. */
export interface Mesh {
  material: Material;
  /** Not of the product: it stands beside it, so that one sees how large that is. */
  aid?: boolean;
  /** mm by which it counts as nearer to the viewer than it lies, so that what it lies on never shows through it. */
  over?: number;
  /** Not of the product: it holds it. Pictures are framed by what it holds. */
  prop?: boolean;
  points: Vector[];
  normals: Vector[];
  /** Where each point lies on its face, in mm from the trim's top left corner; empty where nothing is printed. */
  places: (readonly [x: number, y: number])[];
  /** Three numbers of points for each triangle. */
  triangles: number[];
}

/** What stands at (s, t) of a surface, both 0 to 1. */
export interface Spot {
  at: Vector;
  place?: readonly [x: number, y: number];
}

const NEAR = 1e-4;

/** A surface over a grid of so many cells, its normals from the surface itself: `ds x dt`. */
export function surface(
  material: Material,
  columns: number,
  rows: number,
  spotAt: (s: number, t: number) => Spot,
): Mesh {
  const mesh: Mesh = { material, points: [], normals: [], places: [], triangles: [] };
  for (let row = 0; row <= rows; row++) {
    for (let column = 0; column <= columns; column++) {
      const [s, t] = [column / columns, row / rows];
      const { at, place } = spotAt(s, t);
      mesh.points.push(at);
      mesh.normals.push(normalAt(spotAt, s, t));
      if (place) mesh.places.push(place);
    }
  }
  for (let row = 0; row < rows; row++) {
    for (let column = 0; column < columns; column++) {
      const a = row * (columns + 1) + column;
      const c = a + columns + 1;
      mesh.triangles.push(a, c, a + 1, a + 1, c, c + 1);
    }
  }
  return mesh;
}

/** A little way in from where a surface ends in a point, it has a direction. */
function normalAt(spotAt: (s: number, t: number) => Spot, s: number, t: number): Vector {
  const inwards = (value: number) => Math.min(1 - NEAR, Math.max(NEAR, value));
  const [u, v] = [inwards(s), inwards(t)];
  const ds = minus(spotAt(u + NEAR, v).at, spotAt(u - NEAR, v).at);
  const dt = minus(spotAt(u, v + NEAR).at, spotAt(u, v - NEAR).at);
  return unit(cross(dt, ds));
}

/** Every point and normal of a surface moved by a change that keeps angles. */
export function moved(mesh: Mesh, at: (point: Vector) => Vector): Mesh {
  const zero = at([0, 0, 0]);
  return {
    ...mesh,
    points: mesh.points.map(at),
    normals: mesh.normals.map((normal) => unit(minus(at(normal), zero))),
  };
}

/** A round bar along a line: `radii` across its two directions, a ring of so many sides. */
export function tube(
  material: Material,
  line: readonly Vector[],
  [wide, thick]: readonly [wide: number, thick: number],
  across: Vector,
  sides = 20,
): Mesh {
  const at = smooth(line);
  return surface(material, sides, line.length * 8, (s, t) => {
    const ahead = unit(minus(at(Math.min(1, t + NEAR)), at(Math.max(0, t - NEAR))));
    const out = unit(cross(ahead, across));
    const angle = -2 * Math.PI * s;
    const ring = along(along([0, 0, 0], across, wide * Math.cos(angle)), out, thick * Math.sin(angle));
    return { at: along(at(t), ring, 1) };
  });
}

/** A curve through points, by Catmull and Rom (1974). */
export function smooth(points: readonly Vector[]): (t: number) => Vector {
  const spans = points.length - 1;
  const point = (i: number) => points[Math.min(spans, Math.max(0, i))]!;
  return (t) => {
    const i = Math.min(spans - 1, Math.floor(t * spans));
    const u = t * spans - i;
    const [a, b, c, d] = [point(i - 1), point(i), point(i + 1), point(i + 2)];
    const mix = (k: 0 | 1 | 2) => spline(a[k], b[k], c[k], d[k], u);
    return [mix(0), mix(1), mix(2)];
  };
}

/** The least box about points. */
export function boundsOf(points: readonly Vector[]): { low: Vector; high: Vector } {
  const low: [number, number, number] = [Infinity, Infinity, Infinity];
  const high: [number, number, number] = [-Infinity, -Infinity, -Infinity];
  for (const point of points) {
    for (const k of [0, 1, 2] as const) {
      low[k] = Math.min(low[k], point[k]);
      high[k] = Math.max(high[k], point[k]);
    }
  }
  return { low, high };
}

/** The least box about surfaces. */
export function boxOf(meshes: readonly Mesh[]): { low: Vector; high: Vector } {
  return boundsOf(meshes.flatMap(({ points }) => points));
}

/** Half the diagonal of the box about surfaces. */
export function reachOf(meshes: readonly Mesh[]): number {
  const { low, high } = boxOf(meshes);
  return lengthOf(minus(high, low)) / 2;
}
