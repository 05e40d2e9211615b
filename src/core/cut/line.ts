import { boundsOf, flattenPath, mapPath, type Path, type Segment } from '../geometry/path';
import { parsePath } from '../geometry/parse-path';
import { outlineDistance } from '../geometry/outline';
import { bridged } from './bridge';
import { FINE, shapeOfPath } from './path-shape';
import { curvesOf } from './curves';
import { areaOf, fromRings, grow, growAll, united, type Shape } from './polygons';
import { simplified } from './simplified';
import type { CutSettings } from '../fit/cut';
import type { Ring } from './trace';

/** How far, in mm, a traced outline is evened out, and how near to what was grown the curves are kept. */
const EVEN = 0.008;
const CLOSE = 0.02;
/** Parts of less than this share of the whole are specks: no sticker is cut for them. */
const SPECK = 0.0005;
/** A strip that joins two parts is as wide as this at least, in mm. */
const STRIP = 3;

/**
 * The cut line round outlines in mm: grown by the border, its holes dropped or kept, its corners rounded. None where
 * there is nothing to go round. The largest part comes first, each hole after its part.
 */
export function cutLine(rings: readonly Ring[], settings: CutSettings): Path {
  const artwork = withoutSpecks(simplified(fromRings(rings), EVEN));
  if (artwork.outers.length === 0) return [];
  const { shape, border } = settings;
  if (shape !== 'contour') return plainLine(artwork, settings);
  const grown = withHoles(grow(artwork, border), settings.holes);
  const whole = withIslands(grown, settings);
  // Growing to and fro leaves points that lie closer than any curve is kept.
  const round = simplified(rounded(whole, settings.radius), EVEN / 2);
  return [...round.outers, ...round.holes].flatMap(smooth);
}

export function withoutSpecks({ outers, holes }: Shape): Shape {
  const whole = outers.reduce((sum, ring) => sum + areaOf(ring), 0);
  const large = (ring: Ring) => Math.abs(areaOf(ring)) >= whole * SPECK;
  return { outers: outers.filter(large), holes: holes.filter(large) };
}

/** A ring as curves; as its own corners where a curve would loop between two of them. */
function smooth(ring: Ring): Segment[] {
  const curves = curvesOf(ring, CLOSE);
  const { outers, holes } = shapeOfPath(curves);
  return outers.length === 1 && holes.length === 0 ? curves : linesOf(ring);
}

/** A ring as straight edges. */
export function linesOf(ring: Ring): Segment[] {
  return [
    ...ring.map(([x, y], i): Segment => ({ kind: i === 0 ? 'move' : 'line', to: { x, y } })),
    { kind: 'close' },
  ];
}

function withHoles(shape: Shape, holes: CutSettings['holes']): Shape {
  // A part that lay in a hole is covered by what closes it.
  return holes === 'keep' ? shape : united({ outers: shape.outers, holes: [] });
}

function withIslands(shape: Shape, { islands, border }: CutSettings): Shape {
  if (islands === 'keep' || shape.outers.length < 2) return shape;
  if (islands === 'bridge') return bridged(shape, Math.max(STRIP, border));
  const largest = shape.outers[0]!;
  return { outers: [largest], holes: shape.holes.filter((hole) => isInside(hole[0]!, largest)) };
}

/** Corners outwards and inwards rounded to a radius. Where that would part what is thin, corners outwards stay. */
export function rounded(shape: Shape, radius: number): Shape {
  if (radius === 0) return shape;
  const filled = growAll(shape, [radius, -radius]);
  const round = growAll(filled, [-radius, radius]);
  return round.outers.length === filled.outers.length ? round : filled;
}

const isInside = ([x, y]: readonly [number, number], ring: Ring) => outlineDistance(ring, x, y) < 0;

/** A circle, a rectangle or a shape brought in, as small as goes round the artwork with its border. */
function plainLine({ outers }: Shape, { shape, border, radius, own }: CutSettings): Path {
  const points = outers.flat();
  const xs = points.map(([x]) => x);
  const ys = points.map(([, y]) => y);
  const [left, right] = [least(xs) - border, most(xs) + border];
  const [top, bottom] = [least(ys) - border, most(ys) + border];
  const middle = { x: (left + right) / 2, y: (top + bottom) / 2 };
  if (shape === 'circle') {
    const r = most(points.map(([x, y]) => Math.hypot(x - middle.x, y - middle.y))) + border;
    const arc = `A${r} ${r} 0 0 1`;
    return parsePath(
      `M${middle.x - r} ${middle.y}${arc} ${middle.x + r} ${middle.y}${arc} ${middle.x - r} ${middle.y}Z`,
    )!;
  }
  if (shape === 'path' && own)
    return ownLine(own.d, points, border, { middle, width: right - left, height: bottom - top });
  const round = shape === 'rounded' ? Math.min(right - left, bottom - top) * 0.15 : 0;
  const r = Math.min(Math.max(radius, round), (right - left) / 2, (bottom - top) / 2);
  const arc = (dx: number, dy: number) => (r === 0 ? '' : `a${r} ${r} 0 0 1 ${dx} ${dy}`);
  return parsePath(
    `M${left + r} ${top}H${right - r}${arc(r, r)}V${bottom - r}${arc(-r, r)}H${left + r}${arc(-r, -r)}V${top + r}${arc(r, -r)}Z`,
  )!;
}

interface Room {
  middle: { x: number; y: number };
  width: number;
  height: number;
}

/** A shape brought in, as small as holds every point of the artwork with its border. */
function ownLine(d: string, points: Ring, border: number, { middle, width, height }: Room): Path {
  const share = parsePath(d) ?? [];
  const at = (scale: number): Path =>
    mapPath(share, ({ x, y }) => ({
      x: middle.x + (x - 0.5) * width * scale,
      y: middle.y + (y - 0.5) * height * scale,
    }));
  const holds = (scale: number) => {
    const inner = grow(shapeOfPath(at(scale)), -border).outers;
    return points.every((point) => inner.some((ring) => isInside(point, ring)));
  };
  let [low, high] = [0.5, 1];
  while (high < 8 && !holds(high)) [low, high] = [high, high * 1.5];
  for (let step = 0; step < 12; step++) {
    const half = (low + high) / 2;
    if (holds(half)) high = half;
    else low = half;
  }
  return at(high);
}

const least = (values: readonly number[]) => values.reduce((a, b) => Math.min(a, b), Infinity);
const most = (values: readonly number[]) => values.reduce((a, b) => Math.max(a, b), -Infinity);

/** A path moved so that its box begins at (0, 0), with how far that was; null where there is none. */
export function toCorner(
  path: Path,
): { path: Path; left: number; top: number; width: number; height: number } | null {
  const box = boundsOf(flattenPath(path, FINE));
  if (!box) return null;
  const moved: Segment[] = [...mapPath(path, ({ x, y }) => ({ x: x - box.left, y: y - box.top }))];
  return {
    path: moved,
    left: box.left,
    top: box.top,
    width: box.right - box.left,
    height: box.bottom - box.top,
  };
}
