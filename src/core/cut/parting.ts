import { outlineDistance } from '../geometry/outline';
import { writePath, type Path } from '../geometry/path';
import type { Raster } from '../raster/raster';
import { nearestBetween } from './bridge';
import { areaOf, common, fromRings, grow, less, united, type Shape } from './polygons';
import { simplified } from './simplified';
import { linesOf } from './line';
import { traceAlpha, type Ring } from './trace';

/** A connected shape of a picture, in shares of it. */
export interface Motif {
  outline: Ring;
  holes: Ring[];
  box: { x: number; y: number; width: number; height: number };
}

/** What a picture holds, side by side. Outlines are in shares of the picture, so that no scale clings to them. */
export interface Parting {
  motifs: Motif[];
  /** Specks that are too small to be stickers, and were left out. */
  specks: number;
  /** Width of the picture by its height. */
  aspect: number;
  /** Of a drawing, the group that each motif lies in mostly; null where it has none. */
  grouped: (number | null)[] | null;
}

/** Pixels along the longer side on which a picture is parted, at most. */
export const PARTED = 2600;
/** A connected shape under this share of the largest is a speck. */
const SPECK = 0.002;
/** More than these in one picture are texture, and no set of stickers. */
export const MOST_MOTIFS = 400;
/** Outlines are evened out by this part of a pixel. */
const EVEN = 0.3;

/** Finds the connected shapes of a picture, from the top left on. */
export function partPicture(raster: Raster): Parting {
  const { width, height } = raster;
  const aspect = width / height;
  const shape = simplified(fromRings(traceAlpha(raster)), EVEN);
  const least = shape.outers[0] ? areaOf(shape.outers[0]) * SPECK : 0;
  const large = shape.outers.filter((ring) => areaOf(ring) >= Math.max(least, 4));
  const share = (ring: Ring) => ring.map(([x, y]): [number, number] => [x / width, y / height]);
  const motifs = large.slice(0, MOST_MOTIFS).map((outline): Motif => {
    const holes = shape.holes.filter((hole) => outlineDistance(outline, ...hole[0]!) < 0);
    return { outline: share(outline), holes: holes.map(share), box: boxOf(share(outline)) };
  });
  return {
    motifs: inReadingOrder(motifs),
    specks: shape.outers.length - motifs.length,
    aspect,
    grouped: null,
  };
}

/** The same with a drawing's own groups: what is seen of them at each of so many pixels, by number, -1 for nothing. */
export function withGroups(
  parting: Parting,
  { width, height, groups }: { width: number; height: number; groups: Int32Array },
): Parting {
  const grouped = parting.motifs.map(({ outline, box }) => {
    const counts = new Map<number, number>();
    for (let row = Math.floor(box.y * height); row < (box.y + box.height) * height; row++)
      for (let column = Math.floor(box.x * width); column < (box.x + box.width) * width; column++) {
        const group = groups[row * width + column] ?? -1;
        if (group < 0) continue;
        if (outlineDistance(outline, (column + 0.5) / width, (row + 0.5) / height) > 0) continue;
        counts.set(group, (counts.get(group) ?? 0) + 1);
      }
    const [most] = [...counts].sort((a, b) => b[1] - a[1]);
    return most ? most[0] : null;
  });
  return { ...parting, grouped };
}

/** The motifs of a drawing by its own groups; null where it has none, or all is one. */
export function ownGroups({ motifs, grouped }: Parting): number[][] | null {
  if (!grouped) return null;
  const by = new Map<string, number[]>();
  motifs.forEach((_, i) => {
    const key = grouped[i] === null ? `alone ${i}` : String(grouped[i]);
    by.set(key, [...(by.get(key) ?? []), i]);
  });
  return by.size > 1 ? [...by.values()] : null;
}

/** Rows from the top, each from the left: a shape that begins above another's middle comes in its row. */
function inReadingOrder(motifs: readonly Motif[]): Motif[] {
  const left = [...motifs].sort((a, b) => a.box.y - b.box.y);
  const ordered: Motif[] = [];
  for (let first = left[0]; first; first = left[0]) {
    const middle = first.box.y + first.box.height / 2;
    const row = left.filter(({ box }) => box.y < middle);
    ordered.push(...row.sort((a, b) => a.box.x - b.box.x));
    for (const one of row) left.splice(left.indexOf(one), 1);
  }
  return ordered;
}

/**
 * Which motifs make one sticker: those nearer than a gap to one another, or inside one another. The gap is a share of
 * the picture's width. Groups are lists of numbers of motifs.
 */
export function groupMotifs({ motifs, aspect }: Parting, gap: number): number[][] {
  const groups: number[][] = [];
  motifs.forEach((motif, i) => {
    const near = groups.filter((group) => group.some((j) => isNear(motif, motifs[j]!, gap, aspect)));
    const joined = [...near.flat(), i].sort((a, b) => a - b);
    for (const group of near) groups.splice(groups.indexOf(group), 1);
    groups.push(joined);
  });
  return groups.sort((a, b) => a[0]! - b[0]!);
}

function isNear(a: Motif, b: Motif, gap: number, aspect: number): boolean {
  const across = Math.max(a.box.x, b.box.x) - Math.min(a.box.x + a.box.width, b.box.x + b.box.width);
  const down =
    (Math.max(a.box.y, b.box.y) - Math.min(a.box.y + a.box.height, b.box.y + b.box.height)) / aspect;
  if (across > gap || down > gap) return false;
  // Down and across in the same measure, shares of the width.
  const square = (ring: Ring) => ring.map(([x, y]): [number, number] => [x, y / aspect]);
  const [one, other] = [square(a.outline), square(b.outline)];
  if (outlineDistance(one, ...other[0]!) < 0 || outlineDistance(other, ...one[0]!) < 0) return true;
  return nearestBetween(one, other).mm <= gap;
}

/** The box round several motifs, in shares of the picture. */
export function boxRound(motifs: readonly Motif[]): Motif['box'] {
  return boxOf(motifs.flatMap(({ outline }) => outline));
}

/**
 * What of a picture belongs to one sticker, as a shape to see it through: its motifs with so much round them, as far as
 * that is nobody else's. In shares of its own box, which is that of the motifs themselves, by so little more that no
 * edge is cut.
 */
export function windowOf(
  { motifs, aspect }: Parting,
  group: readonly number[],
  { round, edge }: { round: number; edge: number },
): { d: string; box: Motif['box'] } {
  // In shares of the width both ways, so that what grows grows alike.
  const square = (ring: Ring) => ring.map(([x, y]): [number, number] => [x * UNITS, (y / aspect) * UNITS]);
  const shapeOf = (ids: readonly number[]): Shape => ({
    outers: ids.map((i) => square(motifs[i]!.outline)),
    holes: [],
  });
  const others = motifs.map((_, i) => i).filter((i) => !group.includes(i) && !isWithin(motifs, i, group));
  const own = united(shapeOf(group));
  const free = less(grow(own, round * UNITS), grow(shapeOf(others), edge * UNITS));
  const tight = boxRound(group.map((i) => motifs[i]!));
  const box = {
    x: tight.x - edge,
    y: tight.y - edge * aspect,
    width: tight.width + 2 * edge,
    height: tight.height + 2 * edge * aspect,
  };
  const frame = square([
    [box.x, box.y],
    [box.x + box.width, box.y],
    [box.x + box.width, box.y + box.height],
    [box.x, box.y + box.height],
  ]);
  const seen = common(united(free, grow(own, edge * UNITS)), { outers: [frame], holes: [] });
  const path: Path = simplified(seen, edge * UNITS * 0.2).outers.flatMap((ring) =>
    linesOf(
      ring.map(([x, y]) => [(x / UNITS - box.x) / box.width, ((y / UNITS) * aspect - box.y) / box.height]),
    ),
  );
  return { d: writePath(path, 5), box };
}

/** Polygons are reckoned to whole parts: shares of the width are taken so many times. */
const UNITS = 1000;

/** Whether a motif lies inside one of the group's, and so goes with it. */
function isWithin(motifs: readonly Motif[], i: number, group: readonly number[]): boolean {
  return group.some((j) => outlineDistance(motifs[j]!.outline, ...motifs[i]!.outline[0]!) < 0);
}

function boxOf(points: Ring): Motif['box'] {
  const [x, y] = points.reduce(
    ([a, b], [px, py]) => [Math.min(a, px), Math.min(b, py)],
    [Infinity, Infinity],
  );
  const [right, bottom] = points.reduce(
    ([a, b], [px, py]) => [Math.max(a, px), Math.max(b, py)],
    [-Infinity, -Infinity],
  );
  return { x, y, width: right - x, height: bottom - y };
}
