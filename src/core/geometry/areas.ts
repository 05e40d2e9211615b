// Past the library's index, which brings with it what nothing here asks for: a third of it.
import { ClipType, FillRule, type PathD, type PathsD } from 'clipper2-ts/dist/Core.js';
import { ClipperD } from 'clipper2-ts/dist/Engine.js';
import { ClipperOffset, EndType, JoinType } from 'clipper2-ts/dist/Offset.js';
import { flattenPath, type Path, type Segment } from './path';

/** An area as the rings round it, in its units; outer ones go one way round, holes the other. */
export type Area = PathsD;
export type AreaRing = PathD;

/** What all of the rings go round, each of them all of the same way; reckoned to so many decimals. */
export function united(rings: Area, decimals: number): Area {
  return combined(ClipType.Union, rings, [], FillRule.NonZero, decimals);
}

/** The same of rings one inside the other: what an odd number of them goes round is filled. */
export function unitedEvenOdd(rings: Area, decimals: number): Area {
  return combined(ClipType.Union, rings, [], FillRule.EvenOdd, decimals);
}

/** What two areas have in common. */
export function common(area: Area, other: Area, decimals: number): Area {
  return combined(ClipType.Intersection, area, other, FillRule.NonZero, decimals);
}

/** What of an area is not in another. */
export function less(area: Area, other: Area, decimals: number): Area {
  return combined(ClipType.Difference, area, other, FillRule.NonZero, decimals);
}

function combined(how: ClipType, area: Area, other: Area, fill: FillRule, decimals: number): Area {
  const clipper = new ClipperD(decimals);
  clipper.addSubjectPaths(area);
  clipper.addClipPaths(other);
  const made: Area = [];
  clipper.execute(how, fill, made);
  return made;
}

export interface Growing {
  /** How corners are made: round, or sharp up to so many times what it grows by. Round where nothing is said. */
  mitre?: number;
  /** Where rings are lines, and become bands: how these end. */
  ends?: 'butt' | 'round';
  /** How near to a circle round corners are kept; the library's own measure where nothing is said. */
  arc?: number;
  decimals: number;
}

/** An area grown by so much, below zero shrunk; lines become bands that go so far to both sides. */
export function grown(area: Area, by: number, { mitre, ends, arc = 0, decimals }: Growing): Area {
  const scale = Math.pow(10, decimals);
  const join = mitre === undefined ? JoinType.Round : JoinType.Miter;
  const end = ends === undefined ? EndType.Polygon : ends === 'round' ? EndType.Round : EndType.Butt;
  const offset = new ClipperOffset(mitre ?? 2, scale * arc);
  const rings = scaled(area, scale, Math.round);
  offset.addPaths(ends === undefined ? rings.filter((ring) => isThere(ring, by)) : rings, join, end);
  const made: Area = [];
  offset.execute(by * scale, made);
  return scaled(made, 1 / scale);
}

/** The library falls over a ring that is a point, and makes one larger that goes round nothing and is to shrink. */
function isThere(ring: AreaRing, by: number): boolean {
  const [first] = ring;
  return ring.some(({ x, y }) => x !== first!.x || y !== first!.y) && (by > 0 || areaWithin(ring) !== 0);
}

function scaled(area: Area, scale: number, to = (value: number) => value): Area {
  return area.map((ring) => ring.map(({ x, y }) => ({ x: to(x * scale), y: to(y * scale) })));
}

/** What a ring goes round, in its units squared; negative where it goes round it the other way. */
export function areaWithin(ring: AreaRing): number {
  let twice = 0;
  let before = ring.at(-1);
  for (const point of ring) {
    twice += (before!.y + point.y) * (before!.x - point.x);
    before = point;
  }
  return twice / 2;
}

/** The box round an area. */
export function boxOfArea(area: Area): { left: number; top: number; right: number; bottom: number } {
  const box = { left: Infinity, top: Infinity, right: -Infinity, bottom: -Infinity };
  for (const ring of area)
    for (const { x, y } of ring) {
      box.left = Math.min(box.left, x);
      box.top = Math.min(box.top, y);
      box.right = Math.max(box.right, x);
      box.bottom = Math.max(box.bottom, y);
    }
  return box;
}

/** A path as the area that it fills: `tolerance` in its units, corners to so many decimals. */
export function areaOfPath(path: Path, tolerance: number, decimals: number): Area {
  const rings = flattenPath(path, tolerance).map((points) =>
    Array.from({ length: points.length / 2 }, (_, i) => ({ x: points[2 * i]!, y: points[2 * i + 1]! })),
  );
  return united(rings, decimals);
}

/** An area as a path. */
export function pathOfArea(area: Area): Path {
  return area.flatMap(closedPath);
}

/** Points as a path that comes back to the first of them. */
export function closedPath(points: AreaRing): Path {
  return [
    ...points.map(({ x, y }, i): Segment => ({ kind: i === 0 ? 'move' : 'line', to: { x, y } })),
    { kind: 'close' },
  ];
}
