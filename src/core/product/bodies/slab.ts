import earcut from 'earcut';
import { rectangle, type KeepOut, type Sheet } from '../../blank/face';
import type { Material, Mesh } from '../mesh';
import { surface } from '../mesh';
import type { Vector } from '../../geometry/vector';
import { lerp } from '../../geometry/lerp';

/** A point of a closed line round a flat thing, in mm of its face, and the direction out of it. */
export interface RingPoint {
  x: number;
  y: number;
  outX: number;
  outY: number;
}

type Size = Pick<Sheet, 'width' | 'height'>;

/** Steps round a quarter of a rounded corner. */
const CORNER = 10;

/** A flat thing's edge, clockwise as one looks at it. A sharp corner is two points, one for each of its sides. */
export function ringOf(sheet: Sheet): RingPoint[] {
  if (sheet.outline) return outlineRing(sheet.outline);
  const { width, height } = sheet;
  const r = Math.min(sheet.cornerRadius, width / 2, height / 2);
  const centres = [
    [width - r, r, -Math.PI / 2],
    [width - r, height - r, 0],
    [r, height - r, Math.PI / 2],
    [r, r, Math.PI],
  ] as const;
  const steps = r === 0 ? 1 : CORNER;
  return centres.flatMap(([cx, cy, from]) =>
    Array.from({ length: steps + 1 }, (_, i) => {
      const angle = from + ((Math.PI / 2) * i) / steps;
      const [outX, outY] = [Math.cos(angle), Math.sin(angle)];
      return { x: cx + r * outX, y: cy + r * outY, outX, outY };
    }),
  );
}

function outlineRing(outline: NonNullable<Sheet['outline']>): RingPoint[] {
  const clockwise = signedArea(outline) > 0 ? outline : [...outline].reverse();
  const count = clockwise.length;
  return clockwise.map(([x, y], i) => {
    const [px, py] = clockwise[(i + count - 1) % count]!;
    const [nx, ny] = clockwise[(i + 1) % count]!;
    const length = Math.hypot(nx - px, ny - py) || 1;
    return { x, y, outX: (ny - py) / length, outY: (px - nx) / length };
  });
}

function signedArea(outline: readonly (readonly [number, number])[]): number {
  return outline.reduce((sum, [x, y], i) => {
    const [nx, ny] = outline[(i + 1) % outline.length]!;
    return sum + x * ny - nx * y;
  }, 0);
}

/** Where a place of a flat thing lies in the room: the thing's middle is at (0, 0), its front towards the viewer. */
export function onSheet({ width, height }: Size, x: number, y: number, z: number): Vector {
  return [x - width / 2, height / 2 - y, z];
}

type Rings = readonly (readonly (readonly [x: number, y: number])[])[];

/** A flat piece: its outer line and the holes in it, in mm of its face, at a depth. Faces away where `behind`. */
export function flatPiece(
  material: Material,
  rings: Rings,
  size: Size,
  z: number,
  { behind = false, placed = true }: { behind?: boolean; placed?: boolean } = {},
): Mesh {
  const points = rings.flat();
  const holes: number[] = [];
  let at = 0;
  for (const ring of rings.slice(0, -1)) holes.push((at += ring.length));
  return {
    material,
    points: points.map(([x, y]) => onSheet(size, x, y, z)),
    normals: points.map(() => [0, 0, behind ? -1 : 1]),
    places:
      placed && material.faceId !== null
        ? points.map(([x, y]) => [behind ? size.width - x : x, y] as const)
        : [],
    triangles: earcut(points.flat(), holes),
  };
}

/** The line round a keep-out, as a piece of its own. */
export function keepOutRing({ shape }: KeepOut): (readonly [x: number, y: number])[] {
  if (shape.kind === 'outline') return shape.points;
  const [left, top, sheet] =
    shape.kind === 'circle'
      ? [
          shape.x - shape.diameter / 2,
          shape.y - shape.diameter / 2,
          rectangle(shape.diameter, shape.diameter, shape.diameter / 2),
        ]
      : [shape.x, shape.y, rectangle(shape.width, shape.height, shape.cornerRadius)];
  return ringOf(sheet).map(({ x, y }) => [x + left, y + top] as const);
}

/** A strip along a line, so many steps from its front to its back; `at` gives how far out and back it is, and its place. */
function strip(
  material: Material,
  ring: readonly RingPoint[],
  size: Size,
  steps: number,
  at: (t: number) => { out: number; z: number; placed: number },
): Mesh {
  const count = ring.length;
  const spot = (s: number, t: number) => {
    // Against the clock, so that the surface faces out of the thing.
    const where = (1 - s) * count;
    const i = Math.floor(where) % count;
    const share = where - Math.floor(where);
    const [a, b] = [ring[i]!, ring[(i + 1) % count]!];
    const mix = (key: keyof RingPoint) => lerp(a[key], b[key], share);
    const { out, z, placed } = at(t);
    const [x, y] = [mix('x'), mix('y')];
    return {
      at: onSheet(size, x + mix('outX') * out, y + mix('outY') * out, z),
      ...(material.faceId !== null && {
        place: [x + mix('outX') * placed, y + mix('outY') * placed] as const,
      }),
    };
  };
  return surface(material, count, steps, spot);
}

export interface SlabOptions {
  front: Material;
  /** What is not printed: its sides past the print, and its back. */
  body: Material;
  depth: number;
  /** How far the front's edge is rounded over, in mm. */
  round: number;
  /** Holes through it. */
  holes?: Rings;
  /** Whether the print goes on over the edge and down the sides. */
  wrapped?: boolean;
  /** What is printed on its back; its own body where nothing is. */
  back?: Material;
}

/** A board: front, edge, sides and back. Its front lies at z = 0, its trim where the edge begins to turn over. */
export function slab(
  sheet: Sheet,
  { front, body, depth, round, holes = [], wrapped = false, back }: SlabOptions,
): Mesh[] {
  const ring = ringOf(sheet);
  const line = ring.map(({ x, y }) => [x, y] as const);
  const side = wrapped ? front : body;
  const over = Math.min(round, depth);
  const meshes = [flatPiece(front, [line, ...holes], sheet, 0)];
  if (over > 0)
    meshes.push(
      strip(side, ring, sheet, 6, (t) => {
        const angle = (t * Math.PI) / 2;
        return { out: over * Math.sin(angle), z: -over * (1 - Math.cos(angle)), placed: over * angle };
      }),
    );
  const turnedOver = (over * Math.PI) / 2;
  if (depth > over)
    meshes.push(
      strip(side, ring, sheet, 1, (t) => ({
        out: over,
        z: -over - (depth - over) * t,
        placed: turnedOver + (depth - over) * t,
      })),
    );
  const wide = ring.map(({ x, y, outX, outY }) => [x + outX * over, y + outY * over] as const);
  meshes.push(flatPiece(back ?? body, [wide, ...holes], sheet, -depth, { behind: true }));
  for (const hole of holes) meshes.push(bore(body, hole, sheet, depth));
  return meshes;
}

/** The wall of a hole. */
function bore(material: Material, hole: Rings[number], size: Size, depth: number): Mesh {
  return surface({ ...material, faceId: null, tone: 0.7 }, hole.length, 1, (s, t) => {
    const where = s * hole.length;
    const i = Math.floor(where) % hole.length;
    const share = where - Math.floor(where);
    const [[ax, ay], [bx, by]] = [hole[i]!, hole[(i + 1) % hole.length]!];
    return { at: onSheet(size, lerp(ax, bx, share), lerp(ay, by, share), -depth * t) };
  });
}

/** A low block on a face: a cover, a camera's island. Its edge is rounded over. */
export function block(material: Material, ring: Rings[number], size: Size, z: number, high: number): Mesh[] {
  const points = outlineRing(ring.map(([x, y]) => [x, y]));
  const over = Math.min(0.8, high / 2);
  return [
    flatPiece(
      material,
      [points.map(({ x, y, outX, outY }) => [x - outX * over, y - outY * over])],
      size,
      z + high,
    ),
    strip({ ...material, faceId: null }, points, size, 5, (t) => {
      const angle = (t * Math.PI) / 2;
      return { out: -over * (1 - Math.sin(angle)), z: z + high - over * (1 - Math.cos(angle)), placed: 0 };
    }),
    strip({ ...material, faceId: null }, points, size, 1, (t) => ({
      out: 0,
      z: z + (high - over) * (1 - t),
      placed: 0,
    })),
  ];
}

/** A flat line of some width on a surface: a seam, a stitch, a mark. */
export function ribbon(
  material: Material,
  line: readonly (readonly [x: number, y: number])[],
  size: Size,
  z: number,
  wide: number,
): Mesh {
  const side = (i: number, way: number) => {
    const [ax, ay] = line[Math.max(0, i - 1)]!;
    const [bx, by] = line[Math.min(line.length - 1, i + 1)]!;
    const length = Math.hypot(bx - ax, by - ay) || 1;
    const [x, y] = line[i]!;
    return onSheet(size, x + ((by - ay) / length) * way, y - ((bx - ax) / length) * way, z);
  };
  const count = line.length;
  return {
    material,
    points: [...line.map((_, i) => side(i, wide / 2)), ...line.map((_, i) => side(i, -wide / 2))],
    normals: Array.from({ length: count * 2 }, () => [0, 0, 1] as Vector),
    places: [],
    triangles: Array.from({ length: count - 1 }, (_, i) => [
      i,
      i + count,
      i + 1,
      i + 1,
      i + count,
      i + count + 1,
    ]).flat(),
  };
}
