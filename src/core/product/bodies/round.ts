import type { RoundBody } from '../../blank/bodies/round';
import { angleAt, circumference, diametersOf, uprightOf, wrapWidth } from '../../blank/bodies/round';
import { surface, tube, type Material, type Mesh } from '../mesh';
import type { Vector } from '../../geometry/vector';
import { lerp } from '../../geometry/lerp';

/** Thickness of a wall in mm: not in the blank's numbers, and only seen at the lip. */
const WALL = 3;
/** Sides of a round body: a chord strays from the wall by under a hundredth of a mm. */
const SIDES = 192;

/** A point of an outline: distance from the body's axis and height above its foot, in mm. */
export type ProfilePoint = readonly [radius: number, height: number];

/** Radius in mm of the outer wall at a height above the foot; the cone goes on through lip and foot. */
export function radiusAt(body: RoundBody, height: number): number {
  const { top, bottom } = diametersOf(body);
  const { print, foot } = uprightOf(body);
  return (bottom + ((top - bottom) * (height - foot)) / print) / 2;
}

/** A surface about the upright axis, from the profile's first point (the upper, seen from outside) to its last. */
export function lathe(
  material: Material,
  profile: readonly ProfilePoint[],
  { from = -Math.PI, to = Math.PI, columns = 96 }: { from?: number; to?: number; columns?: number } = {},
): Mesh[] {
  return profile.slice(1).map((end, i) => {
    const start = profile[i]!;
    return surface(material, columns, 1, (s, t) => {
      const angle = lerp(from, to, s);
      const radius = lerp(start[0], end[0], t);
      const height = lerp(start[1], end[1], t);
      return { at: [radius * Math.sin(angle), height, radius * Math.cos(angle)] };
    });
  });
}

/** A rounded edge of a profile: a quarter of an ellipse from one point to another, its corner at the third. */
function rounded(from: ProfilePoint, to: ProfilePoint, corner: ProfilePoint, steps = 6): ProfilePoint[] {
  return Array.from({ length: steps + 1 }, (_, i) => {
    const t = i / steps;
    const mix = (k: 0 | 1) => (1 - t) ** 2 * from[k] + 2 * t * (1 - t) * corner[k] + t * t * to[k];
    return [mix(0), mix(1)];
  });
}

/** The wall where it prints, with the places of its face; where a seam overlaps, what lies on top. */
export function wallOf(body: RoundBody, material: Material): Mesh[] {
  const { print, foot } = uprightOf(body);
  const width = wrapWidth(body);
  const front = (width - body.overlap) / 2;
  const whole = circumference(body);
  const slant = body.kind === 'wrap' ? print : body.slant;
  // Two triangles make a rectangle of a trapezium only where it is low.
  const rows = body.kind === 'taper' ? 24 : 1;
  const wall = (from: number, to: number, columns: number, over: number) =>
    surface(material, columns, rows, (s, t) => {
      const x = lerp(from, to, s);
      const angle = angleAt(body, x);
      const height = foot + print * (1 - t);
      const radius = radiusAt(body, height);
      return {
        at: [radius * Math.sin(angle), height, radius * Math.cos(angle)],
        place: [front + x + over, t * slant],
      };
    });
  const half = whole / 2;
  if (body.overlap === 0) return [wall(-half, half, SIDES, 0)];
  return [wall(-half, -half + body.overlap, 8, whole), wall(-half + body.overlap, half, SIDES, 0)];
}

/** How wide the base of a bellied cup is, as a share of its belly. */
const BASE = 0.56;

/** A cup that narrows upwards and has nothing to hold it by: it lies in the hand, round at its foot. */
function isBellied(body: RoundBody): boolean {
  return body.kind === 'taper' && body.bottomDiameter > body.topDiameter && body.handle === null;
}

/** Cups, mugs, tumblers and bottles, standing on y = 0 about the upright axis, their front towards the viewer. */
export function roundMeshes(body: RoundBody): Mesh[] {
  const outside: Material = { faceId: null, colour: 'product', finish: 'product', solid: true };
  const { foot, whole, print, lip } = uprightOf(body);
  const r = (height: number) => radiusAt(body, height);
  const step = Math.min(2.2, foot * 0.6);
  const meshes = wallOf(body, { ...outside, faceId: 'wrap' });
  const under: ProfilePoint[] = isBellied(body)
    ? rounded([r(foot), foot], [r(foot) * BASE, 0], [r(foot) * 1.04, foot * 0.12], 14)
    : [
        [r(foot), foot],
        ...rounded([r(foot) - 0.01, foot * 0.6], [r(0) - step, 0], [r(foot * 0.3), foot * 0.1]),
      ];
  meshes.push(...lathe(outside, [...under, [0, 0]]));
  const top = foot + print;
  if (lip > r(top) * 0.8) return [...meshes, ...neck(r(top), top, whole, outside)];
  const rim = r(whole);
  const edge = Math.min(1.4, lip);
  const inside: Material = { ...outside, tone: 0.86 };
  // Inside of a belly its wall is no cone any more: it is not looked into as far as that.
  const floor = isBellied(body) ? foot : 3;
  meshes.push(
    ...lathe(outside, [
      ...rounded([rim - WALL, whole - edge], [rim - WALL / 2, whole], [rim - WALL, whole], 4),
      ...rounded([rim - WALL / 2, whole], [r(whole - edge), whole - edge], [rim, whole], 4),
      [r(top), top],
    ]),
    ...lathe(inside, [
      [0, floor],
      ...rounded([r(floor) - WALL - 6, floor], [r(floor + 6) - WALL, floor + 6], [r(floor) - WALL, floor]),
      [rim - WALL, whole - edge],
    ]),
  );
  if (body.closure) meshes.push(...lidOf(body.closure, rim, whole));
  if (body.handle) meshes.push(handle(body, outside));
  return meshes;
}

/** The opening of a cup: the middle of its rim and how wide it is inside, in mm. */
export interface Mouth {
  at: Vector;
  radius: number;
}

/** Where a cup that is held by a handle is open; null for what has a lid, or is held by its wall and so not hot. */
export function mouthOf(body: RoundBody): Mouth | null {
  if (!body.handle || body.closure) return null;
  const { whole } = uprightOf(body);
  return { at: [0, whole, 0], radius: radiusAt(body, whole) - WALL };
}

/** A shoulder, a neck and a cap over a wall that ends lower. */
function neck(radius: number, top: number, whole: number, outside: Material): Mesh[] {
  const cap: Material = { faceId: null, colour: '#2d3034', finish: 'matt' };
  const high = whole - top;
  const narrow = radius * 0.56;
  const shoulder = top + high * 0.36;
  const start = whole - high * 0.5;
  const wide = narrow + 4;
  return [
    ...lathe(outside, [
      [narrow, start],
      [narrow, shoulder + high * 0.06],
      ...rounded(
        [narrow, shoulder + high * 0.04],
        [radius, top + high * 0.06],
        [radius * 0.99, shoulder],
        10,
      ),
      [radius, top],
    ]),
    ...lathe(cap, [
      [0, whole],
      ...rounded([wide - 5, whole], [wide, whole - 4], [wide, whole], 5),
      [wide, start],
      [narrow, start],
    ]),
  ];
}

/** A lid pressed over the rim, with a sliding piece or a straw through its hole. */
function lidOf(closure: 'lid' | 'straw', rim: number, whole: number): Mesh[] {
  const lid: Material = { faceId: null, colour: '#474c51', finish: 'gloss', solid: true };
  const dark: Material = { faceId: null, colour: '#17191b', finish: 'matt' };
  const over = rim + 1.2;
  const high = whole + 5;
  const meshes = lathe(lid, [
    [0, high - 1.5],
    [rim - 9, high - 1.5],
    ...rounded([rim - 6, high + 1], [over, high - 3], [over, high + 1], 5),
    [over, whole - 4],
    [rim, whole - 4],
  ]);
  const hole = (radius: number, x: number, z: number): Mesh =>
    shifted(
      lathe(
        dark,
        [
          [0, high - 1.2],
          [radius, high - 1.2],
        ],
        { columns: 32 },
      )[0]!,
      x,
      z,
    );
  if (closure === 'lid') return [...meshes, hole(6, 0, -rim * 0.55)];
  const [x, z] = [rim * 0.2, -rim * 0.25];
  const straw: Material = { faceId: null, colour: '#e2e5e4', finish: 'gloss' };
  const line: Vector[] = [
    [x - 4, whole - 10, z],
    [x, whole + 20, z],
    [x + 8, whole + 72, z - 2],
  ];
  return [...meshes, hole(6.5, x - 1, z), tube(straw, line, [3.4, 3.4], [1, 0, 0], 16)];
}

function shifted(mesh: Mesh, x: number, z: number): Mesh {
  return { ...mesh, points: mesh.points.map((point) => [point[0] + x, point[1], point[2] + z]) };
}

/** The handle at the back of the body, opposite the front, from its upper root round to its lower. */
function handle(body: RoundBody, material: Material): Mesh {
  const { reach, thickness, width, top, bottom } = body.handle!;
  const upper = uprightOf(body).whole - top - thickness / 2;
  const lower = bottom + thickness / 2;
  const rootUp = 1 - radiusAt(body, upper);
  const rootLow = 1 - radiusAt(body, lower);
  const out = Math.min(rootUp, rootLow) - 1 - reach + thickness / 2;
  const line: Vector[] = [
    [0, upper, rootUp],
    [0, upper, rootUp * 0.35 + out * 0.65],
    [0, upper - (upper - lower) * 0.2, out],
    [0, upper - (upper - lower) * 0.55, out],
    [0, lerp(lower, upper, 0.12), rootLow * 0.4 + out * 0.6],
    [0, lower, rootLow],
  ];
  return tube(material, line, [width / 2, thickness / 2], [1, 0, 0]);
}
