import type { Face, KeepOut } from '../blank/face';
import type { PrintFace, ResolvedBlank } from '../blank/resolve';
import type { Fit } from '../fit/schema';
import { parsePath } from '../path/parse';
import { shapeOfPath } from './line';
import type { Shape } from './polygons';
import type { Cut } from './schema';
import type { Ring } from './trace';

const shapes = new Map<string, Shape>();
const MOST_KEPT = 400;

/** The shape that a cut line goes round, its outermost part first. */
export function shapeOf(d: string): Shape {
  let shape = shapes.get(d);
  if (!shape) {
    shape = shapeOfPath(parsePath(d) ?? []);
    shapes.set(d, shape);
    if (shapes.size > MOST_KEPT) shapes.delete(shapes.keys().next().value!);
  }
  return shape;
}

const known = new WeakMap<ResolvedBlank, Map<string, ResolvedBlank>>();

/** A blank as a fit has it cut: a face for each cut line of the fit. One that was not cut yet is the blank's own. */
export function asCut(blank: ResolvedBlank, { faces }: Pick<Fit, 'faces'>): ResolvedBlank {
  const [own] = blank.faces;
  if (!isToShape(blank) || !own || !faces.some(({ cut }) => cut && cut.d !== '')) return blank;
  const cuts = known.get(blank) ?? new Map<string, ResolvedBlank>();
  known.set(blank, cuts);
  const key = JSON.stringify(faces.map(({ faceId, cut }) => [faceId, cut]));
  let found = cuts.get(key);
  if (!found) {
    found = {
      ...blank,
      faces: faces.flatMap(({ faceId, cut }) => (cut && cut.d !== '' ? [cutFace(own, faceId, cut)] : [])),
    };
    cuts.set(key, found);
    if (cuts.size > MOST_KEPT) cuts.delete(cuts.keys().next().value!);
  }
  return found;
}

/** Whether a blank's stickers are cut to the shape of what lies on them. */
export function isToShape({ blank: { body } }: Pick<ResolvedBlank, 'blank'>): boolean {
  return body.kind === 'sticker' && body.toShape !== undefined;
}

function cutFace(own: PrintFace, id: string, { name, d, edge, backing }: Cut): PrintFace {
  const { outers, holes } = shapeOf(d);
  const [outline, ...islands] = outers;
  const all = boxOf(outers.flat());
  const { width, height } = all;
  return {
    ...own,
    id,
    name,
    width,
    height,
    cornerRadius: 0,
    outline: outline ?? null,
    // A line round the artwork has its middle wherever that puts it: nothing is aimed at it.
    zones: [],
    keepOuts: holes.map((points, i): KeepOut => ({
      id: `hole-${i + 1}`,
      name: 'hole',
      effect: 'hole',
      shape: { kind: 'outline', points },
    })),
    cuts: islands.map(cutAt),
    cut: { d, spread: edge === 'spread', backing },
  };
}

function cutAt(ring: Ring): Face['cuts'][number] {
  const { left, top, width, height } = boxOf(ring);
  const outline = ring.map(([x, y]): [number, number] => [x - left, y - top]);
  return { x: left, y: top, sheet: { width, height, cornerRadius: 0, outline } };
}

function boxOf(points: Ring): { left: number; top: number; width: number; height: number } {
  const box = { left: Infinity, top: Infinity, right: -Infinity, bottom: -Infinity };
  for (const [x, y] of points) {
    box.left = Math.min(box.left, x);
    box.right = Math.max(box.right, x);
    box.top = Math.min(box.top, y);
    box.bottom = Math.max(box.bottom, y);
  }
  return { left: box.left, top: box.top, width: box.right - box.left, height: box.bottom - box.top };
}
