import type { Material, Mesh } from '../mesh';
import type { Line } from './seams';
import { onSheet, ringOf } from './slab';

/** mm of the radius of the sharpest corner that cloth has when it is turned: no needle goes into a point. */
const CORNER = 8;
/** mm by which points along a turned edge are apart at most, so that its light goes round corners evenly. */
const APART = 16;
/** By how much a line turns where it has a corner, in radians: less is a curve. */
const SHARP = 0.4;
/** Parts of a round corner. */
const STEPS = 6;
/** How the edge of cloth turns down, from its inside to its outside: shares of its width, and of the way round. */
const TURN = [
  { out: 0, lean: 0 },
  { out: 0.6, lean: 0.5 },
  { out: 1, lean: 0.95 },
] as const;

/** A line that cloth is cut along as it is once sewn and turned: its corners round, and points all along it. */
export function softened(ring: Line): Line {
  const count = ring.length;
  return dense(ring.flatMap((at, i) => rounded(ring[(i + count - 1) % count]!, at, ring[(i + 1) % count]!)));
}

/** A corner as a curve from where it begins to bend to where it ends; a point that is none stays. */
function rounded(before: Line[0], [x, y]: Line[0], after: Line[0]): Line {
  const [px, py] = [before[0] - x, before[1] - y];
  const [nx, ny] = [after[0] - x, after[1] - y];
  const [back, on] = [Math.hypot(px, py), Math.hypot(nx, ny)];
  const bends = Math.PI - Math.acos(Math.min(1, Math.max(-1, (px * nx + py * ny) / (back * on || 1))));
  if (!(bends > SHARP)) return [[x, y]];
  const cut = Math.min(CORNER * Math.tan(bends / 2), back / 2, on / 2);
  const [from, to] = [cut / back, cut / on];
  return Array.from({ length: STEPS + 1 }, (_, i): Line[0] => {
    const t = i / STEPS;
    const [a, b] = [(1 - t) ** 2 * from, t ** 2 * to];
    return [x + px * a + nx * b, y + py * a + ny * b];
  });
}

/**
 * The last few mm of cloth along its edge, which turn down to what it lies on: so it has a thickness to the eye. `wide` in mm;
 * at a depth, away from the viewer where `behind`.
 */
export function rolledEdge(
  material: Material,
  ring: Line,
  z: number,
  { wide = 7, behind = false }: { wide?: number; behind?: boolean } = {},
): Mesh {
  const points = ringOf({ width: 0, height: 0, cornerRadius: 0, outline: ring.map(([x, y]) => [x, y]) });
  const rows = TURN.length;
  const count = points.length;
  const way = behind ? -1 : 1;
  return {
    material,
    points: points.flatMap(({ x, y, outX, outY }) =>
      TURN.map(({ out }) =>
        onSheet({ width: 0, height: 0 }, x - outX * wide * (1 - out), y - outY * wide * (1 - out), z),
      ),
    ),
    normals: points.flatMap(({ outX, outY }) =>
      TURN.map(({ lean }) => [outX * lean, -outY * lean, way * Math.sqrt(1 - lean * lean)] as const),
    ),
    places: [],
    triangles: points.flatMap((_, i) => {
      const next = (i + 1) % count;
      return TURN.slice(1).flatMap((__, k) => {
        const [a, b, c, d] = [i * rows + k, i * rows + k + 1, next * rows + k, next * rows + k + 1];
        return [a, b, c, c, b, d];
      });
    }),
  };
}

/** The same line with more points on it where they are far apart. */
export function dense(ring: readonly (readonly [number, number])[]): Line {
  return ring.flatMap(([x, y], i) => {
    const [nx, ny] = ring[(i + 1) % ring.length]!;
    const parts = Math.max(1, Math.ceil(Math.hypot(nx - x, ny - y) / APART));
    return Array.from({ length: parts }, (_, k): Line[0] => [
      x + ((nx - x) * k) / parts,
      y + ((ny - y) * k) / parts,
    ]);
  });
}
