import type { PhotoPoint, PhotoScene, SurfaceShape } from './schema';

export const SHAPE_KINDS = ['plane', 'cylinder', 'cloth'] as const;
export type ShapeKind = SurfaceShape['kind'];

/** What a seller calls each kind of print surface. */
export const SHAPE_NAMES: Record<ShapeKind, string> = {
  plane: 'flat print',
  cylinder: 'print round a wall',
  cloth: 'print on cloth',
};

/** Share of its width that a round wall's curves bulge at first. */
const BULGE = 0.1;
const GRID = { columns: 4, rows: 4 };

/** A surface from its four corners, clockwise from the upper left. */
export function shapeFrom(kind: ShapeKind, corners: readonly PhotoPoint[]): SurfaceShape {
  const [a, b, c, d] = corners as [PhotoPoint, PhotoPoint, PhotoPoint, PhotoPoint];
  switch (kind) {
    case 'plane':
      return { kind, corners: [a, b, c, d] };
    case 'cylinder': {
      const wide = Math.hypot(b[0] - a[0], b[1] - a[1]);
      return { kind, left: [a, d], right: [b, c], bulge: [wide * BULGE, wide * BULGE], sweep: 180 };
    }
    case 'cloth':
      return clothOver([a, b, c, d], GRID.columns, GRID.rows);
  }
}

function clothOver(
  [a, b, c, d]: readonly [PhotoPoint, PhotoPoint, PhotoPoint, PhotoPoint],
  columns: number,
  rows: number,
): SurfaceShape {
  const points = Array.from({ length: columns * rows }, (_, i): PhotoPoint => {
    const [s, t] = [(i % columns) / (columns - 1), Math.floor(i / columns) / (rows - 1)];
    const mix = (k: 0 | 1) => (1 - t) * ((1 - s) * a[k] + s * b[k]) + t * ((1 - s) * d[k] + s * c[k]);
    return [mix(0), mix(1)];
  });
  return { kind: 'cloth', columns, rows, points };
}

/** A point of a surface that can be drawn about, and what it is. */
export interface Handle {
  name: string;
  at: PhotoPoint;
}

const CORNERS = ['upper left', 'upper right', 'lower right', 'lower left'];

/** The points that a surface is drawn by. */
export function handlesOf(shape: SurfaceShape): Handle[] {
  switch (shape.kind) {
    case 'plane':
      return shape.corners.map((at, i) => ({ name: `${CORNERS[i]} corner`, at }));
    case 'cylinder': {
      const { left, right } = shape;
      return [
        ...[left[0], right[0], right[1], left[1]].map((at, i) => ({ name: `${CORNERS[i]} edge`, at })),
        { name: 'middle of the upper curve', at: sagAt(shape, 0) },
        { name: 'middle of the lower curve', at: sagAt(shape, 1) },
      ];
    }
    case 'cloth':
      return shape.points.map((at, i) => ({
        name: `grid point ${Math.floor(i / shape.columns) + 1}.${(i % shape.columns) + 1}`,
        at,
      }));
  }
}

function sagAt({ left, right, bulge }: Extract<SurfaceShape, { kind: 'cylinder' }>, end: 0 | 1): PhotoPoint {
  const [dx, dy] = axisOf({ left, right });
  return [
    (left[end][0] + right[end][0]) / 2 + dx * bulge[end],
    (left[end][1] + right[end][1]) / 2 + dy * bulge[end],
  ];
}

/** The direction down a round wall, from the middle of its top to that of its foot, one long. */
export function axisOf({
  left,
  right,
}: Pick<Extract<SurfaceShape, { kind: 'cylinder' }>, 'left' | 'right'>): PhotoPoint {
  const [x, y] = [
    left[1][0] + right[1][0] - left[0][0] - right[0][0],
    left[1][1] + right[1][1] - left[0][1] - right[0][1],
  ];
  const length = Math.hypot(x, y) || 1;
  return [x / length, y / length];
}

/** The surface with one of its points drawn to another place. */
export function withHandle(shape: SurfaceShape, index: number, to: PhotoPoint): SurfaceShape {
  switch (shape.kind) {
    case 'plane':
      return { ...shape, corners: shape.corners.map((at, i) => (i === index ? to : at)) };
    case 'cloth':
      return { ...shape, points: shape.points.map((at, i) => (i === index ? to : at)) };
    case 'cylinder': {
      const { left, right, bulge } = shape;
      if (index === 0) return { ...shape, left: [to, left[1]] };
      if (index === 1) return { ...shape, right: [to, right[1]] };
      if (index === 2) return { ...shape, right: [right[0], to] };
      if (index === 3) return { ...shape, left: [left[0], to] };
      const end = index === 4 ? 0 : 1;
      const [dx, dy] = axisOf(shape);
      const middle = [(left[end][0] + right[end][0]) / 2, (left[end][1] + right[end][1]) / 2] as const;
      const sag = (to[0] - middle[0]) * dx + (to[1] - middle[1]) * dy;
      return { ...shape, bulge: end === 0 ? [sag, bulge[1]] : [bulge[0], sag] };
    }
  }
}

/** A cloth's grid with another number of points, its surface the same at them. */
export function regridded(
  shape: SurfaceShape,
  at: (u: number, v: number) => PhotoPoint,
  columns: number,
  rows: number,
): SurfaceShape {
  if (shape.kind !== 'cloth') return shape;
  const points = Array.from({ length: columns * rows }, (_, i) =>
    at((i % columns) / (columns - 1), Math.floor(i / columns) / (rows - 1)),
  );
  return { kind: 'cloth', columns, rows, points };
}

/** A photo with the marks of another one of the same thing, each at the same share of its width and height. */
export function takenOver(to: PhotoScene, from: PhotoScene): PhotoScene {
  const [across, down] = [to.width / from.width, to.height / from.height];
  const point = ([x, y]: PhotoPoint): PhotoPoint => [x * across, y * down];
  const edge = ([top, bottom]: readonly [PhotoPoint, PhotoPoint]): [PhotoPoint, PhotoPoint] => [
    point(top),
    point(bottom),
  ];
  const shaped = (shape: SurfaceShape): SurfaceShape => {
    switch (shape.kind) {
      case 'plane':
        return { ...shape, corners: shape.corners.map(point) };
      case 'cloth':
        return { ...shape, points: shape.points.map(point) };
      case 'cylinder': {
        const [upper, lower] = shape.bulge;
        const bulge: [number, number] = [upper * down, lower * down];
        return { ...shape, left: edge(shape.left), right: edge(shape.right), bulge };
      }
    }
  };
  const { surfaces, fronts, shading } = from;
  return {
    ...to,
    surfaces: surfaces.map((one) => ({ ...one, shape: shaped(one.shape) })),
    fronts: fronts.map((line) => line.map(point)),
    shading,
  };
}
