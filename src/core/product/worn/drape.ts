import type { Vector } from '../../geometry/vector';
import type { Held, Solid } from './form';
import { ClothGrid, type Cut, type Side } from './grid';

/** A garment as it is cut, and as it is put on what holds it. */
export interface Pattern extends Cut {
  /** Gravity in mm a step and a step, and how often in one its threads are put right: the less holds it, the softer it is let go. */
  pull: number;
  rounds: number;
  /** mm that its two sides keep apart where nothing solid is between them. */
  apart: number;
  /** Whether it keeps the folds that it is held in; else it would lie flat. */
  creased: boolean;
  /** Where a place is held before it is let go. */
  held: (x: number, y: number) => Held;
}

/** Steps of time until it hangs still; what is left of a movement after one. */
const STEPS = 260;
const DAMPING = 0.972;
/** Rounds after which no thread is much longer or shorter than it is. */
const ENDING = 40;
/** mm that cloth lies off what it lies on, and how much of sliding along it is held. */
const GAP = 4;
const GRIP = 0.55;
/** How hard cloth keeps its length against a pull and against a push, and its flatness. */
const [PULL, PUSH, BEND] = [0.9, 0.4, 0.22];

/** Cloth as it hangs: where each place of its pattern has come to. */
export class Draped {
  constructor(
    private readonly grid: ClothGrid,
    private readonly points: Float64Array,
    private readonly normals: Readonly<Record<Side, Float64Array>>,
  ) {}

  /** A place of the pattern so many mm out of the cloth, and the way out of it there. */
  at(x: number, y: number, side: Side, off = 0): { at: Vector; normal: Vector } {
    const { ids, shares } = this.grid.around(side, x, y);
    const [at, normal] = [
      [0, 0, 0],
      [0, 0, 0],
    ];
    ids.forEach((id, n) => {
      for (let k = 0; k < 3; k++) {
        at[k] = at[k]! + shares[n]! * this.points[id * 3 + k]!;
        normal[k] = normal[k]! + shares[n]! * this.normals[side][id * 3 + k]!;
      }
    });
    const length = Math.hypot(normal[0]!, normal[1]!, normal[2]!) || 1;
    const point = (k: 0 | 1 | 2) => at[k]! + (off * normal[k]!) / length;
    return {
      at: [point(0), point(1), point(2)],
      normal: [normal[0]! / length, normal[1]! / length, normal[2]! / length],
    };
  }
}

/**
 * Hangs a garment on something solid until it lies still, by positions that are put right again and again (Müller and others,
 * "Position Based Dynamics", 2007): threads keep their length, cloth that is sewn stays together and nothing is inside of the
 * form. Always the same for the same numbers.
 */
export function drape(pattern: Pattern, solid: Solid): Draped {
  const grid = new ClothGrid(pattern);
  const points = laidOut(grid, pattern.held);
  const links = linksOf(grid, pattern.creased ? points : null);
  settle(points, links, solid, sidesOf(grid, pattern.apart), pattern);
  const [front, back] = [normalsOf(grid, points, 'front'), normalsOf(grid, points, 'back')];
  // Cloth goes round a seam: both sides have one way out there.
  for (const id of grid.sewn())
    for (let k = id * 3; k < id * 3 + 3; k++) front[k] = back[k] = front[k]! + back[k]!;
  return new Draped(grid, points, { front, back });
}

/** The two sides as they begin: flat, one before the form and one behind it, their sewn edges between them. */
function laidOut({ ids, rest, count }: ClothGrid, held: Pattern['held']): Float64Array {
  const points = new Float64Array(count * 3);
  for (let at = 0; at < ids.front.length; at++) {
    const [f, b] = [ids.front[at]!, ids.back[at]!];
    for (const [id, way] of [
      [f, f === b ? 0 : 1],
      [b, f === b ? 0 : -1],
    ] as const) {
      if (id < 0) continue;
      const [x, y] = [rest[id * 2]!, rest[id * 2 + 1]!];
      const [across, off, sway] = held(x, y);
      points.set([across, -y, sway + way * off], id * 3);
    }
  }
  return points;
}

/** Pairs of points that keep a distance, and how hard they do against a pull and a push. */
interface Links {
  a: Int32Array;
  b: Int32Array;
  long: Float64Array;
  pull: Float64Array;
  push: Float64Array;
}

const NEAR = [
  [1, 0, true],
  [0, 1, true],
  [1, 1, true],
  [-1, 1, true],
  [2, 0, false],
  [0, 2, false],
] as const;

/** Threads are as long as on the pattern; what bends is as far apart as there too, or as it is held. */
function linksOf({ columns, rows, ids, rest }: ClothGrid, held: Float64Array | null): Links {
  const pairs: [a: number, b: number, thread: boolean][] = [];
  for (const side of ['front', 'back'] as const)
    for (let j = 0; j < rows; j++)
      for (let i = 0; i < columns; i++) {
        const a = ids[side][j * columns + i]!;
        if (a < 0) continue;
        for (const [di, dj, thread] of NEAR) {
          if (i + di < 0 || i + di >= columns || j + dj >= rows) continue;
          const b = ids[side][(j + dj) * columns + i + di]!;
          // What is bent must be cloth all along.
          const between = thread ? 0 : ids[side][(j + dj / 2) * columns + i + di / 2]!;
          if (b >= 0 && between >= 0) pairs.push([a, b, thread]);
        }
      }
  const of = (value: (pair: (typeof pairs)[number]) => number) => Float64Array.from(pairs, value);
  return {
    a: Int32Array.from(pairs, ([a]) => a),
    b: Int32Array.from(pairs, ([, b]) => b),
    long: of(([a, b, thread]) => (thread || !held ? between(rest, 2, a, b) : between(held, 3, a, b))),
    pull: of(([, , thread]) => (thread ? PULL : 0)),
    push: of(([, , thread]) => (thread ? PUSH : BEND)),
  };
}

/** Places that have cloth on both sides: the front stays before the back. */
interface Sides {
  front: Int32Array;
  back: Int32Array;
  apart: number;
}

function sidesOf({ ids }: ClothGrid, apart: number): Sides {
  const both = [...ids.front.keys()].filter((at) => {
    const [front, back] = [ids.front[at]!, ids.back[at]!];
    return front >= 0 && back >= 0 && front !== back;
  });
  return {
    front: Int32Array.from(both, (at) => ids.front[at]!),
    back: Int32Array.from(both, (at) => ids.back[at]!),
    apart,
  };
}

function between(points: Float64Array, size: 2 | 3, a: number, b: number): number {
  let sum = 0;
  for (let k = 0; k < size; k++) sum += (points[a * size + k]! - points[b * size + k]!) ** 2;
  return Math.sqrt(sum);
}

function settle(
  points: Float64Array,
  links: Links,
  solid: Solid,
  sides: Sides,
  { pull, rounds }: Pick<Pattern, 'pull' | 'rounds'>,
): void {
  const before = points.slice();
  const out = new Float64Array(3);
  for (let step = 0; step < STEPS; step++) {
    for (let i = 0; i < points.length; i++) {
      const moved = (points[i]! - before[i]!) * DAMPING;
      before[i] = points[i]!;
      points[i] = points[i]! + moved - (i % 3 === 1 ? pull : 0);
    }
    // Forwards and backwards in turn, so that neither side is drawn to where it began.
    for (let round = 0; round < rounds; round++) {
      keepLengths(points, links, round % 2 === 1);
      keepApart(points, sides);
      keepOut(points, before, solid, out);
    }
  }
  // Still by now: what is pulled or pushed most is put right.
  for (let round = 0; round < ENDING; round++) {
    keepLengths(points, links, round % 2 === 1);
    keepApart(points, sides);
    before.set(points);
    keepOut(points, before, solid, out);
  }
}

function keepLengths(points: Float64Array, { a, b, long, pull, push }: Links, backwards: boolean): void {
  const count = a.length;
  for (let n = 0; n < count; n++) {
    const i = backwards ? count - 1 - n : n;
    const p = a[i]! * 3;
    const q = b[i]! * 3;
    const dx = points[q]! - points[p]!;
    const dy = points[q + 1]! - points[p + 1]!;
    const dz = points[q + 2]! - points[p + 2]!;
    const far = Math.sqrt(dx * dx + dy * dy + dz * dz);
    if (far < 1e-9) continue;
    const off = far - long[i]!;
    const share = (0.5 * off * (off > 0 ? pull[i]! : push[i]!)) / far;
    points[p] = points[p]! + dx * share;
    points[p + 1] = points[p + 1]! + dy * share;
    points[p + 2] = points[p + 2]! + dz * share;
    points[q] = points[q]! - dx * share;
    points[q + 1] = points[q + 1]! - dy * share;
    points[q + 2] = points[q + 2]! - dz * share;
  }
}

function keepApart(points: Float64Array, { front, back, apart }: Sides): void {
  for (let i = 0; i < front.length; i++) {
    const [f, b] = [front[i]! * 3 + 2, back[i]! * 3 + 2];
    const short = (apart - points[f]! + points[b]!) / 2;
    if (short <= 0) continue;
    points[f] = points[f]! + short;
    points[b] = points[b]! - short;
  }
}

/** Puts points out of what is solid, and holds them there a little. */
function keepOut(points: Float64Array, before: Float64Array, solid: Solid, out: Float64Array): void {
  for (let p = 0; p < points.length; p += 3) {
    const off = solid(points[p]!, points[p + 1]!, points[p + 2]!, out) - GAP;
    if (off >= 0) continue;
    let through = 0;
    for (let k = 0; k < 3; k++) {
      points[p + k] = points[p + k]! - off * out[k]!;
      through += (points[p + k]! - before[p + k]!) * out[k]!;
    }
    for (let k = 0; k < 3; k++) {
      const slid = points[p + k]! - before[p + k]! - through * out[k]!;
      points[p + k] = points[p + k]! - slid * GRIP;
    }
  }
}

/** The way out of the cloth at each of its points, by the triangles round it. */
function normalsOf(grid: ClothGrid, points: Float64Array, side: Side): Float64Array {
  const normals = new Float64Array(points.length);
  const way = side === 'front' ? 1 : -1;
  const add = ([a, b, c]: readonly [number, number, number]) => {
    const edge = (from: number, to: number, k: number) => points[to * 3 + k]! - points[from * 3 + k]!;
    const [ux, uy, uz] = [edge(a, b, 0), edge(a, b, 1), edge(a, b, 2)];
    const [vx, vy, vz] = [edge(a, c, 0), edge(a, c, 1), edge(a, c, 2)];
    // Across by down points away from the front, as y goes down on a pattern.
    const normal = [vy * uz - vz * uy, vz * ux - vx * uz, vx * uy - vy * ux];
    for (const id of [a, b, c])
      for (let k = 0; k < 3; k++) normals[id * 3 + k] = normals[id * 3 + k]! + way * normal[k]!;
  };
  for (let j = 0; j + 1 < grid.rows; j++)
    for (let i = 0; i + 1 < grid.columns; i++) grid.triangles(side, i, j).forEach(add);
  return normals;
}
