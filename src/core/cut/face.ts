import type { Face, KeepOut } from '../blank/face';
import type { PrintFace, ResolvedBlank } from '../blank/resolve';
import type { Fit } from '../fit/schema';
import { parsePath } from '../geometry/parse-path';
import { shapeOfPath } from './path-shape';
import type { Shape } from './polygons';
import { USUAL_CUT, type Cut, type CutSettings } from '../fit/cut';
import type { Ring } from './trace';
import { aspectsOf } from '../blank/kinds';
import { memo, memoOf } from '../memo';

const MOST_KEPT = 400;
const shapes = memo<string, Shape>(MOST_KEPT);
/** mm of backing past a kiss cut. */
const PEEL_EDGE = 4;

/** The shape that a cut line goes round, its outermost part first. */
export function shapeOf(d: string): Shape {
  return shapes(d, () => shapeOfPath(parsePath(d) ?? []));
}

const cutBlanks = new WeakMap<ResolvedBlank, WeakMap<Fit['faces'], ResolvedBlank>>();
const cutFaces = memoOf<PrintFace, string, PrintFace>(MOST_KEPT);

/**
 * A blank as a fit has it cut: a face for each of the fit's, by its line; one that has no line yet is as the blank's own.
 * The same faces are the same object again, and so is a face whose line stays.
 */
export function asCut(blank: ResolvedBlank, { faces }: Pick<Fit, 'faces'>): ResolvedBlank {
  const [own] = blank.faces;
  if (!isToShape(blank) || !own || !faces.some(({ cut }) => cut)) return blank;
  const cuts = cutBlanks.get(blank) ?? new WeakMap<Fit['faces'], ResolvedBlank>();
  cutBlanks.set(blank, cuts);
  let found = cuts.get(faces);
  if (!found) {
    found = { ...blank, faces: faces.map(({ faceId, cut }) => faceOf(own, faceId, cut)) };
    cuts.set(faces, found);
  }
  return found;
}

function faceOf(own: PrintFace, id: string, cut: Cut | undefined): PrintFace {
  const key = [id, cut?.name, cut?.edge, cut?.backing, cut?.d].join('\n');
  return cutFaces(own, key, () =>
    cut && cut.d !== '' ? cutFace(own, id, cut) : { ...own, id, name: cut?.name ?? own.name },
  );
}

/** How a sticker is cut at first: a kiss cut has an edge to peel it by. */
export function usualCut({ blank: { body } }: Pick<ResolvedBlank, 'blank'>): CutSettings {
  const kiss = aspectsOf(body).sticker?.cut === 'kiss';
  return { ...USUAL_CUT, backing: kiss ? PEEL_EDGE : 0 };
}

/** Whether a blank's stickers are cut to the shape of what lies on them. */
export function isToShape({ blank: { body } }: Pick<ResolvedBlank, 'blank'>): boolean {
  return aspectsOf(body).sticker?.toShape !== undefined;
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
