import type { Vector } from '../../geometry/vector';
import type { Mesh } from '../mesh';

/** The same surface with no side of a triangle longer than so many mm, so that it can be bent: sides are halved, longest first. */
export function tessellated(mesh: Mesh, most: number): Mesh {
  const points: Vector[] = [...mesh.points];
  const normals: Vector[] = [...mesh.normals];
  const places = [...mesh.places];
  const triangles: number[] = [];
  const halves = new Map<number, number>();
  const middle = (a: Vector, b: Vector): Vector => [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2, (a[2] + b[2]) / 2];
  // Whoever has a side in common has its middle in common too, so that no gap opens between them.
  const half = (a: number, b: number): number => {
    const key = Math.min(a, b) * 2 ** 26 + Math.max(a, b);
    let found = halves.get(key);
    if (found !== undefined) return found;
    found = points.length;
    halves.set(key, found);
    points.push(middle(points[a]!, points[b]!));
    normals.push(middle(normals[a]!, normals[b]!));
    const [p, q] = [places[a], places[b]];
    if (p && q) places.push([(p[0] + q[0]) / 2, (p[1] + q[1]) / 2]);
    return found;
  };
  const far = (a: number, b: number) => {
    const [p, q] = [points[a]!, points[b]!];
    return (p[0] - q[0]) ** 2 + (p[1] - q[1]) ** 2 + (p[2] - q[2]) ** 2;
  };
  const waiting = [...mesh.triangles];
  while (waiting.length > 0) {
    const [c, b, a] = [waiting.pop()!, waiting.pop()!, waiting.pop()!];
    const [ab, bc, ca] = [far(a, b), far(b, c), far(c, a)];
    const longest = Math.max(ab, bc, ca);
    if (longest <= most * most) triangles.push(a, b, c);
    else if (longest === ab) {
      const m = half(a, b);
      waiting.push(a, m, c, m, b, c);
    } else if (longest === bc) {
      const m = half(b, c);
      waiting.push(a, b, m, a, m, c);
    } else {
      const m = half(c, a);
      waiting.push(a, b, m, m, b, c);
    }
  }
  return { ...mesh, points, normals, places, triangles };
}
