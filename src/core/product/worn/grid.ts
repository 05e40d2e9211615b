import { isInRing } from '../../geometry/ring';

/** A closed line of a pattern, in mm, y down. */
export type Ring = readonly (readonly [x: number, y: number])[];

export type Side = 'front' | 'back';

/** A garment's two sides as they are cut, where they are not sewn to one another, and mm between the points of their cloth. */
export interface Cut {
  front: Ring;
  back: Ring;
  isOpen: (x: number, y: number) => boolean;
  cell: number;
}

/** How far a point of the grid is drawn to the line that cloth ends at, in cells: from within it, and from outside. */
const [WITHIN, OUTSIDE] = [0.42, 0.75];
/** Points of an edge keep apart, in cells. */
const CLEAR = 0.32;
/** Twice the area of a triangle that is one, in cells. */
const FLAT = 0.01;
/** A corner of the line, as the cosine of its turn: a point is drawn to it first. */
const CORNER = Math.cos(0.6);

/**
 * The points of a garment's cloth: a grid of squares whose outermost points are drawn to the line that the cloth ends at, so that
 * a slanting edge is as smooth as a straight one. Points of sewn edges belong to both sides.
 */
export class ClothGrid {
  readonly left: number;
  readonly top: number;
  readonly columns: number;
  readonly rows: number;
  readonly cell: number;
  /** Which point stands at each place of the grid; -1 where there is no cloth. */
  readonly ids: Readonly<Record<Side, Int32Array>>;
  /** Where on the pattern each point lies, x and y in turn. */
  readonly rest: Float64Array;
  readonly count: number;

  constructor({ front, back, isOpen, cell }: Cut) {
    const all = [...front, ...back];
    const [xs, ys] = [all.map(([x]) => x), all.map(([, y]) => y)];
    const half = Math.ceil(Math.max(...xs.map(Math.abs)) / cell + 1.5);
    this.cell = cell;
    this.left = -half * cell;
    this.top = Math.min(...ys) - 2 * cell;
    this.columns = 2 * half + 1;
    this.rows = Math.ceil((Math.max(...ys) - this.top) / cell) + 3;
    const size = this.columns * this.rows;
    const [before, behind] = [this.drawn(front), this.drawn(back)];
    this.ids = { front: new Int32Array(size).fill(-1), back: new Int32Array(size).fill(-1) };
    const rest: number[] = [];
    const add = ({ x, y }: Spot) => rest.push(x, y) / 2 - 1;
    for (let at = 0; at < size; at++) {
      const [f, b] = [before[at], behind[at]];
      if (f) this.ids.front[at] = add(f);
      if (!b) continue;
      const isSewn =
        f?.edge && b.edge && Math.abs(f.x - b.x) + Math.abs(f.y - b.y) < 1e-6 && !isOpen(f.x, f.y);
      this.ids.back[at] = isSewn ? this.ids.front[at]! : add(b);
    }
    this.rest = Float64Array.from(rest);
    this.count = rest.length / 2;
  }

  /** The points that belong to both sides. */
  sewn(): number[] {
    const { front, back } = this.ids;
    return [...front].filter((id, at) => id >= 0 && id === back[at]);
  }

  /** The triangles that a cell has, its points in the order across, down; one alone where the cloth ends slanting. */
  triangles(side: Side, i: number, j: number): readonly (readonly [number, number, number])[] {
    if (i < 0 || j < 0 || i + 1 >= this.columns || j + 1 >= this.rows) return [];
    const own = this.ids[side];
    const at = j * this.columns + i;
    const [a, b, c, d] = [own[at]!, own[at + 1]!, own[at + this.columns]!, own[at + this.columns + 1]!];
    const lacking = Number(a < 0) + Number(b < 0) + Number(c < 0) + Number(d < 0);
    if (lacking > 1) return [];
    if (a < 0) return [[d, c, b]];
    if (b < 0) return [[a, d, c]];
    if (c < 0) return [[a, b, d]];
    if (d < 0) return [[a, b, c]];
    return [
      [a, b, c],
      [d, c, b],
    ];
  }

  /** The three points round a place of a side and its share of each; past an edge those of the nearest triangle, drawn on. */
  around(side: Side, x: number, y: number): { ids: readonly number[]; shares: readonly number[] } {
    const column = Math.floor((x - this.left) / this.cell);
    const row = Math.floor((y - this.top) / this.cell);
    const most = Math.max(this.columns, this.rows);
    let best: { ids: readonly number[]; shares: readonly number[]; least: number } | null = null;
    for (let reach = 0; reach <= most && !(best && (best.least > -1e-9 || reach > 1)); reach++)
      for (let j = row - reach; j <= row + reach; j++)
        for (let i = column - reach; i <= column + reach; i++) {
          // What is nearer was looked at before.
          if (Math.max(Math.abs(j - row), Math.abs(i - column)) < reach) continue;
          for (const ids of this.triangles(side, i, j)) {
            const shares = this.sharesIn(ids, x, y);
            const least = Math.min(...shares);
            if (!(best && best.least >= least)) best = { ids, shares, least };
          }
        }
    return best ?? { ids: [0], shares: [1] };
  }

  /** Barycentric coordinates in a triangle of the pattern. */
  private sharesIn([a, b, c]: readonly [number, number, number], x: number, y: number): number[] {
    const { rest } = this;
    const [ax, ay] = [rest[a * 2]!, rest[a * 2 + 1]!];
    const [ux, uy] = [rest[b * 2]! - ax, rest[b * 2 + 1]! - ay];
    const [vx, vy] = [rest[c * 2]! - ax, rest[c * 2 + 1]! - ay];
    const area = ux * vy - uy * vx;
    // Three points of an edge in one line have no place between them.
    if (area < FLAT * this.cell ** 2) return [-Infinity, 0, 0];
    const s = ((x - ax) * vy - (y - ay) * vx) / area;
    const t = (ux * (y - ay) - uy * (x - ax)) / area;
    return [1 - s - t, s, t];
  }

  /** Where each place of the grid that is cloth lies: in its square, or drawn to the line. */
  private drawn(ring: Ring): (Spot | undefined)[] {
    const { cell, left, top, columns, rows } = this;
    const spots = new Array<Spot | undefined>(columns * rows);
    const cornerOf = this.cornersOf(ring);
    const near: (ReturnType<typeof nearestOn> & { at: number; order: number })[] = [];
    for (let at = 0; at < spots.length; at++) {
      const [x, y] = [left + (at % columns) * cell, top + Math.floor(at / columns) * cell];
      const isIn = isInRing(ring, x, y);
      spots[at] = cornerOf.get(at) ?? (isIn ? { x, y, edge: false } : undefined);
      if (spots[at]?.edge) continue;
      const found = nearestOn(ring, x, y);
      // From within first: what is cloth anyhow.
      if (found.far <= (isIn ? WITHIN : OUTSIDE) * cell)
        near.push({ ...found, at, order: found.far + (isIn ? 0 : cell) });
    }
    near.sort((a, b) => a.order - b.order);
    for (const { at, x, y } of near) {
      const isClear = [-1, 0, 1].every((dj) =>
        [-1, 0, 1].every((di) => {
          const other = spots[at + dj * columns + di];
          return !other?.edge || Math.hypot(other.x - x, other.y - y) >= CLEAR * cell;
        }),
      );
      if (isClear) spots[at] = { x, y, edge: true };
    }
    return spots;
  }

  /** The place of the grid that is drawn to each corner of the line. */
  private cornersOf(ring: Ring): Map<number, Spot> {
    const { cell, left, top, columns } = this;
    const found = new Map<number, Spot>();
    ring.forEach(([x, y], i) => {
      const [px, py] = ring[(i + ring.length - 1) % ring.length]!;
      const [nx, ny] = ring[(i + 1) % ring.length]!;
      const long = Math.hypot(x - px, y - py) * Math.hypot(nx - x, ny - y);
      if (long === 0 || ((x - px) * (nx - x) + (y - py) * (ny - y)) / long > CORNER) return;
      const at = Math.round((y - top) / cell) * columns + Math.round((x - left) / cell);
      found.set(at, { x, y, edge: true });
    });
    return found;
  }
}

/** Where a point of cloth lies on the pattern, and whether on the line that the cloth ends at. */
interface Spot {
  x: number;
  y: number;
  edge: boolean;
}

/** The nearest place on a closed line, and how far it is. */
function nearestOn(ring: Ring, x: number, y: number): { x: number; y: number; far: number } {
  let best = { x, y, far: Infinity };
  for (let i = 0, last = ring.length - 1; i < ring.length; last = i++) {
    const [ax, ay] = ring[last]!;
    const [ux, uy] = [ring[i]![0] - ax, ring[i]![1] - ay];
    const share = Math.min(1, Math.max(0, ((x - ax) * ux + (y - ay) * uy) / (ux * ux + uy * uy || 1)));
    const [px, py] = [ax + ux * share, ay + uy * share];
    const far = Math.hypot(x - px, y - py);
    if (far < best.far) best = { x: px, y: py, far };
  }
  return best;
}
