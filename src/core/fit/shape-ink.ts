import { memoOf } from '../memo';
import {
  areaOfPath,
  closedPath,
  common,
  grown,
  pathOfArea,
  type Area,
  type AreaRing,
} from '../geometry/areas';
import { mapPath, type Path } from '../geometry/path';
import { parsePath } from '../geometry/parse-path';
import { roundedBox } from './clip';
import type { ShapePiece } from './schema';
import type { Stroke } from './shape';

/** How near to its curves an outline is kept, in mm, and to how many decimals it is reckoned. */
const FINE = 0.004;
const PRECISION = 5;
/** A corner's point is at most so many stroke widths long. */
const MITRE = 8;
const EDGE = { mitre: MITRE, arc: FINE, decimals: PRECISION };

/** An outline in mm of the shape's own box, its top left at (0, 0), with its colour. */
interface ShapeInk {
  path: Path;
  colour: string;
}

const inks = memoOf<ShapePiece, 'inks', ShapeInk[]>(1);

/**
 * What a shape prints, the lowest first: its fill, then its stroke. Under a stroke that goes all round, the fill ends in the
 * middle of it, so that nothing of it shows outside. Nothing where it has neither.
 */
export function shapeInks(piece: ShapePiece): ShapeInk[] {
  return inks(piece, 'inks', () => {
    const { shape, fill, stroke } = piece;
    if (shape.kind === 'line') return fill === null ? [] : [{ path: linePath(piece), colour: fill }];
    const edge = edgeOf(piece);
    const under = stroke === null || stroke.dash ? edge : insetPath(edge, stroke.width / 2);
    return [
      ...(fill === null ? [] : [{ path: under, colour: fill }]),
      ...(stroke === null ? [] : [{ path: strokePath(edge, stroke), colour: stroke.colour }]),
    ];
  });
}

/** All that a shape covers, as one outline. */
export function coverOf(piece: ShapePiece): Path {
  const { shape, fill, stroke } = piece;
  if (shape.kind === 'line') return fill === null ? [] : linePath(piece);
  if (fill !== null) return edgeOf(piece);
  return stroke === null ? [] : strokePath(edgeOf(piece), stroke);
}

/** The thinnest thing that a shape prints, in mm: its line or stroke, or itself where it is filled and thinner than that. */
export function thinnestOf({ shape, fill, stroke, width, height }: ShapePiece): number {
  const own = Math.min(width, height);
  if (shape.kind === 'line') return fill === null ? Infinity : own;
  return Math.min(fill === null ? Infinity : own, stroke?.width ?? Infinity);
}

/** A shape with nothing thinner than so many mm, its middle where it is. */
export function thickened(piece: ShapePiece, least: number): ShapePiece {
  const { fill, stroke } = piece;
  const drawn = fill !== null;
  return {
    ...piece,
    ...(drawn && { width: Math.max(piece.width, least), height: Math.max(piece.height, least) }),
    stroke: stroke && { ...stroke, width: Math.max(stroke.width, least) },
  };
}

/** The outer edge of a shape. */
export function edgeOf({ shape, width, height }: ShapePiece): Path {
  const toBox = (path: Path) => mapPath(path, ({ x, y }) => ({ x: x * width, y: y * height }));
  switch (shape.kind) {
    case 'line':
    case 'rectangle': {
      const corner = shape.kind === 'line' ? 0 : Math.min(shape.corner, width / 2, height / 2);
      return toBox(roundedBox(corner / width, corner / height));
    }
    case 'ellipse':
      return toBox(roundedBox(0.5, 0.5));
    case 'star':
      return toBox(filling(2 * shape.points, (i) => (i % 2 === 0 ? 1 : shape.inner)));
    case 'polygon':
      return toBox(filling(shape.sides, () => 1));
    case 'path':
      return toBox(parsePath(shape.d) ?? roundedBox(0, 0));
  }
}

/** Corners round a middle, the first one up, as shares of the box that just holds them. */
function filling(count: number, reach: (index: number) => number): Path {
  const points = Array.from({ length: count }, (_, i) => {
    const angle = (2 * Math.PI * i) / count - Math.PI / 2;
    return { x: reach(i) * Math.cos(angle), y: reach(i) * Math.sin(angle) };
  });
  const [xs, ys] = [points.map(({ x }) => x), points.map(({ y }) => y)];
  const [left, top] = [Math.min(...xs), Math.min(...ys)];
  const [wide, high] = [Math.max(...xs) - left, Math.max(...ys) - top];
  return closedPath(points.map(({ x, y }) => ({ x: (x - left) / wide, y: (y - top) / high })));
}

/** A straight line: whole, or in dashes, its ends cut off or round, all of it within its box. */
function linePath({ shape, width, height }: ShapePiece): Path {
  if (shape.kind !== 'line') return [];
  const round = shape.ends === 'round' ? Math.min(height, width) / 2 : 0;
  const bar = (from: number, to: number): Path =>
    mapPath(roundedBox(round / (to - from), round / height), ({ x, y }) => ({
      x: from + x * (to - from),
      y: y * height,
    }));
  if (!shape.dash) return bar(0, width);
  const { on, off } = shape.dash;
  const drawn = Math.max(on, 2 * round);
  const count = Math.min(MOST_DASHES, Math.max(1, Math.floor((width + off) / (drawn + off))));
  // As many as there is room for, the first and the last at its ends.
  const step = count > 1 ? (width - drawn) / (count - 1) : 0;
  return Array.from({ length: count }, (_, i) => bar(i * step, Math.min(width, i * step + drawn))).flat();
}

/** More dashes than this are a tint, and no line. */
const MOST_DASHES = 5000;

/** A band along the inside of an edge, whole or in dashes. */
function strokePath(edge: Path, { width, dash, ends }: Stroke): Path {
  const outer = areaOfPath(edge, FINE, PRECISION);
  if (!dash) return pathOfArea([...outer, ...inset(outer, width).map((ring) => [...ring].reverse())]);
  const dashes = inset(outer, width / 2).flatMap((ring) => dashesOf(ring, dash));
  const drawn = grown(dashes, width / 2, { ...EDGE, ends });
  // Where the edge turns sharply a dash would stick out past it.
  return pathOfArea(common(drawn, outer, PRECISION));
}

function insetPath(path: Path, by: number): Path {
  return pathOfArea(inset(areaOfPath(path, FINE, PRECISION), by));
}

/** A polygon with all of its edge moved inwards by so many mm; nothing where it is no wider than twice that. */
function inset(outer: Area, by: number): Area {
  return grown(outer, -by, EDGE);
}

/** Pieces of a closed ring: as many dashes as go round it, all alike. */
function dashesOf(ring: AreaRing, { on, off }: { on: number; off: number }): Area {
  const lengths = ring.map((point, i) => {
    const next = ring[(i + 1) % ring.length]!;
    return Math.hypot(next.x - point.x, next.y - point.y);
  });
  const around = lengths.reduce((sum, one) => sum + one, 0);
  const count = Math.min(MOST_DASHES, Math.max(1, Math.round(around / (on + off))));
  const step = around / count;
  const drawn = (step * on) / (on + off);
  return Array.from({ length: count }, (_, i) => along(ring, lengths, i * step, i * step + drawn));
}

/** A ring's line from one distance along it to another. */
function along(ring: AreaRing, lengths: readonly number[], from: number, to: number): AreaRing {
  const line: AreaRing = [];
  let passed = 0;
  for (let i = 0; i < ring.length && passed < to; i++) {
    const [a, b, length] = [ring[i]!, ring[(i + 1) % ring.length]!, lengths[i]!];
    const at = (distance: number) => {
      const share = length === 0 ? 0 : (distance - passed) / length;
      return { x: a.x + (b.x - a.x) * share, y: a.y + (b.y - a.y) * share };
    };
    if (passed + length > from) {
      if (line.length === 0) line.push(at(Math.max(from, passed)));
      line.push(at(Math.min(to, passed + length)));
    }
    passed += length;
  }
  return line;
}
