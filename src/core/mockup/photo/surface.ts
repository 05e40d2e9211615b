import { spline } from '../../geometry/ring';
import { axisOf } from './marks';
import { squareTo, throughHomography } from './homography';
import type { PhotoPoint, SurfaceShape } from './schema';
import { lerp } from '../../geometry/lerp';

/** Where a place of a print, in shares of it, falls on the photo, and one over its depth. */
export type OnPhoto = (u: number, v: number) => { x: number; y: number; near: number };

/** How a marked surface carries a print that fills it. */
export function onPhoto(shape: SurfaceShape): OnPhoto {
  switch (shape.kind) {
    case 'plane': {
      const map = squareTo(shape.corners);
      return (u, v) => throughHomography(map, u, v);
    }
    case 'cylinder':
      return onCylinder(shape);
    case 'cloth':
      return onCloth(shape);
  }
}

/** Cells that a surface is cut into: a plane needs but one, since its map is exact. */
export function cellsOf(shape: SurfaceShape): { columns: number; rows: number } {
  switch (shape.kind) {
    case 'plane':
      return { columns: 1, rows: 1 };
    case 'cylinder':
      return { columns: 160, rows: 12 };
    case 'cloth':
      return { columns: (shape.columns - 1) * 14, rows: (shape.rows - 1) * 14 };
  }
}

/** Even steps round the thing: across the photo they go by the sine, and its curves are pieces of an ellipse. */
function onCylinder({ left, right, bulge, sweep }: Extract<SurfaceShape, { kind: 'cylinder' }>): OnPhoto {
  const half = (sweep * Math.PI) / 360;
  return (u, v) => {
    const angle = (2 * u - 1) * half;
    const across = (Math.sin(angle) / Math.sin(half) + 1) / 2;
    const out = (Math.cos(angle) - Math.cos(half)) / (1 - Math.cos(half));
    const [lx, ly] = between(left[0], left[1], v);
    const [rx, ry] = between(right[0], right[1], v);
    const [x, y] = between([lx, ly], [rx, ry], across);
    // The bulge goes along the thing's own axis, from the middle of its top to that of its foot.
    const [downX, downY] = axisOf({ left, right });
    const sag = lerp(bulge[0], bulge[1], v) * out;
    return { x: x + downX * sag, y: y + downY * sag, near: 1 };
  };
}

function between(a: PhotoPoint, b: PhotoPoint, share: number): PhotoPoint {
  return [lerp(a[0], b[0], share), lerp(a[1], b[1], share)];
}

/** A bicubic surface through every point of a grid (Catmull and Rom 1974, across and down). */
function onCloth({ columns, rows, points }: Extract<SurfaceShape, { kind: 'cloth' }>): OnPhoto {
  // Past the edge the grid goes on as it ends there.
  const at = (column: number, row: number): PhotoPoint => {
    if (column < 0) return beyond(at(0, row), at(1, row));
    if (column >= columns) return beyond(at(columns - 1, row), at(columns - 2, row));
    if (row < 0) return beyond(at(column, 0), at(column, 1));
    if (row >= rows) return beyond(at(column, rows - 1), at(column, rows - 2));
    return points[row * columns + column]!;
  };
  return (u, v) => {
    const [i, s] = cell(u, columns);
    const [j, t] = cell(v, rows);
    const mix = (k: 0 | 1) => {
      const along = [-1, 0, 1, 2].map((row) =>
        spline(at(i - 1, j + row)[k], at(i, j + row)[k], at(i + 1, j + row)[k], at(i + 2, j + row)[k], s),
      ) as [number, number, number, number];
      return spline(...along, t);
    };
    return { x: mix(0), y: mix(1), near: 1 };
  };
}

function beyond([x, y]: PhotoPoint, [innerX, innerY]: PhotoPoint): PhotoPoint {
  return [2 * x - innerX, 2 * y - innerY];
}

function cell(share: number, count: number): [index: number, within: number] {
  const at = share * (count - 1);
  const index = Math.min(count - 2, Math.max(0, Math.floor(at)));
  return [index, at - index];
}
