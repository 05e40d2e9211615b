import { outlineDistance } from '../geometry/outline';
import { nearestBetween } from './bridge';
import { areaOf, grow, growAll, lengthOf, less, type Shape } from './polygons';
import { simplified } from './simplified';
import type { Ring } from './trace';

export interface CutMeasures {
  /** mm of line, holes and all. */
  length: number;
  mm2: number;
  /** Parts that come apart. */
  parts: number;
  /** mm between the part that is furthest from the others and the nearest of them; 0 where there is one. */
  apart: number;
  /** Smallest radius in mm, and where; the most that is told where it is larger. */
  radius: Placed;
  /** Thinnest neck in mm, and where. */
  neck: Placed;
  /** Sharpest point, as the angle between its sides in degrees, and where. */
  point: Placed;
}

export interface Placed {
  value: number;
  at: [x: number, y: number] | null;
}

/** Up to here numbers are looked for: beyond it nothing tears, and no cutter minds. */
const MOST = { radius: 3, neck: 6, point: 60 };
/** A line that strays less than this, in mm, from one with rounder corners is as round. */
const SEEN = 0.03;
/** What a corner strays for each mm that it is less round: from here on (68 degrees) it is one, and not a bend of a line. */
const CORNER = 0.2;
const FURTHER = 0.3;
/** mm by which a line is evened out before its turns are added up. */
const EVEN = 0.08;
/** A point turns round within so many mm of the line. */
const TIP = 3;

/** What a cut line is like, whole. Shape in mm. */
export function measureCut(shape: Shape): CutMeasures {
  const rings = [...shape.outers, ...shape.holes];
  return {
    length: rings.reduce((sum, ring) => sum + lengthOf(ring), 0),
    mm2: rings.reduce((sum, ring) => sum + areaOf(ring), 0),
    parts: shape.outers.length,
    apart: apartOf(shape.outers),
    radius: smallestRadius(shape),
    neck: thinnestNeck(shape),
    // Steps of pixels turn to and fro more than any point does.
    point: sharpestPoint(simplified(shape, EVEN)),
  };
}

function apartOf(outers: readonly Ring[]): number {
  if (outers.length < 2) return 0;
  const gaps = outers.map((ring, i) =>
    Math.min(...outers.filter((_, other) => other !== i).map((other) => nearestBetween(ring, other).mm)),
  );
  return Math.max(...gaps);
}

/** The largest radius to which no corner, inwards or outwards, need be rounded any more. */
function smallestRadius(shape: Shape): Placed {
  const strays = (r: number) => {
    const open = growAll(shape, [-r, r]);
    const shut = growAll(shape, [r, -r]);
    return furthest([less(shape, open), open], [less(shut, shape), shape]);
  };
  if (strays(MOST.radius) === null) return { value: MOST.radius, at: null };
  let [low, high] = [0, MOST.radius];
  for (let step = 0; step < 9; step++) {
    const half = (low + high) / 2;
    if (strays(half)) high = half;
    else low = half;
  }
  const found = strays(high);
  const further = strays(high + FURTHER);
  // A corner strays in proportion: back to where it does not at all, its radius is exact.
  const grows = found && further ? (further.mm - found.mm) / FURTHER : 0;
  const value = found && grows >= CORNER ? Math.max(0, high - found.mm / grows) : low;
  return { value, at: found?.at ?? null };
}

/** What was cut off or filled that lies furthest from the line there, and by how many mm; null where none does by much. */
function furthest(...pairs: [off: Shape, line: Shape][]): { mm: number; at: [number, number] } | null {
  let best: { mm: number; at: [number, number] } = { mm: SEEN, at: [0, 0] };
  for (const [off, line] of pairs) {
    const edges = [...line.outers, ...line.holes];
    for (const ring of off.outers) {
      // A sliver along the line is no corner.
      if (areaOf(ring) < SEEN * SEEN) continue;
      for (const at of ring) {
        const mm = edges.reduce((so, edge) => Math.min(so, Math.abs(outlineDistance(edge, ...at))), Infinity);
        if (mm > best.mm) best = { mm, at };
      }
    }
  }
  return best.mm > SEEN ? best : null;
}

const NECK_STEP = 0.25;

/** The least width by half of which the shape must be shrunk for it to come apart, or for a hole to break open. */
function thinnestNeck(shape: Shape): Placed {
  const at = (width: number) => grow(shape, -width / 2);
  const parted = (width: number) => {
    const { outers, holes } = at(width);
    return outers.length > shape.outers.length || holes.length < shape.holes.length;
  };
  let high = NECK_STEP;
  while (high <= MOST.neck && !parted(high)) high += NECK_STEP;
  if (high > MOST.neck) return { value: MOST.neck, at: null };
  let low = high - NECK_STEP;
  for (let step = 0; step < 5; step++) {
    const half = (low + high) / 2;
    if (parted(half)) high = half;
    else low = half;
  }
  return { value: (low + high) / 2, at: partingPoint(at(high)) };
}

/** The middle between the two nearest of the parts. */
function partingPoint({ outers }: Shape): [number, number] | null {
  let best = { mm: Infinity, at: null as [number, number] | null };
  outers.forEach((ring, i) => {
    for (const other of outers.slice(i + 1)) {
      const { mm, from, to } = nearestBetween(ring, other);
      if (mm < best.mm) best = { mm, at: [(from[0] + to[0]) / 2, (from[1] + to[1]) / 2] };
    }
  });
  return best.at;
}

/** Where the line turns round most within a few mm, outwards: two sides that run nearly back along one another. */
function sharpestPoint({ outers }: Shape): Placed {
  let best: Placed = { value: MOST.point, at: null };
  for (const ring of outers) {
    const count = ring.length;
    const edges = ring.map(([x, y], i) => {
      const [nx, ny] = ring[(i + 1) % count]!;
      return { length: Math.hypot(nx - x, ny - y), angle: Math.atan2(ny - y, nx - x) };
    });
    const turns = edges.map(({ angle }, i) => wrapped(angle - edges[(i + count - 1) % count]!.angle));
    for (let start = 0; start < count; start++) {
      let [turn, along] = [0, 0];
      for (let step = 0; step < count; step++) {
        const i = (start + step) % count;
        turn += turns[i]!;
        const value = Math.max(0, 180 - (turn * 180) / Math.PI);
        if (value < best.value) best = { value, at: ring[(start + Math.floor(step / 2)) % count]! };
        along += edges[i]!.length;
        if (along > TIP) break;
      }
    }
  }
  return best;
}

function wrapped(angle: number): number {
  return angle > Math.PI ? angle - 2 * Math.PI : angle <= -Math.PI ? angle + 2 * Math.PI : angle;
}
