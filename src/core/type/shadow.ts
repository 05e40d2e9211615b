import {
  areaOfPath,
  areaWithin,
  boxOfArea,
  common,
  pathOfArea,
  united,
  type Area,
  type AreaRing,
} from '../geometry/areas';
import { mapPath, type Path } from '../geometry/path';
import { PRECISION } from './outline';
import type { Shadow } from './schema';

/** More lines of a hatching than this are a tint. */
const MOST_LINES = 4000;

/** The shadow of an outline: apart from it or drawn out of it, solid or in lines; within `tolerance` mm of its curves. */
export function shadowPath(path: Path, shadow: Shadow, tolerance: number): Path {
  const { right, down, joined, hatch } = shadow;
  if (!joined && !hatch) return mapPath(path, ({ x, y }) => ({ x: x + right, y: y + down }));
  const area = areaOfPath(path, tolerance, PRECISION);
  const cast = joined
    ? drawnOut(area, { x: right, y: down })
    : area.map((ring) => ring.map(({ x, y }) => ({ x: x + right, y: y + down })));
  return pathOfArea(hatch ? hatched(cast, hatch) : cast);
}

/** All that an area passes over while it is moved: itself, where it ends, and what each of its edges sweeps. */
function drawnOut(area: Area, by: { x: number; y: number }): Area {
  const end = area.map((ring) => ring.map(({ x, y }) => ({ x: x + by.x, y: y + by.y })));
  const swept = area.flatMap((ring) =>
    ring.map((a, i): AreaRing => {
      const b = ring[(i + 1) % ring.length]!;
      const band = [a, b, { x: b.x + by.x, y: b.y + by.y }, { x: a.x + by.x, y: a.y + by.y }];
      // All one way round, so that none takes from another.
      return areaWithin(band) < 0 ? band.reverse() : band;
    }),
  );
  return united([...area, ...end, ...swept], PRECISION);
}

/** What of an area lies under lines that lean so. */
function hatched(area: Area, { line, gap, angle }: NonNullable<Shadow['hatch']>): Area {
  const box = boxOfArea(area);
  const middle = { x: (box.left + box.right) / 2, y: (box.top + box.bottom) / 2 };
  const reach = Math.hypot(box.right - box.left, box.bottom - box.top) / 2 + line;
  const turn = (-angle * Math.PI) / 180;
  const [cos, sin] = [Math.cos(turn), Math.sin(turn)];
  const at = (along: number, off: number) => ({
    x: middle.x + along * cos - off * sin,
    y: middle.y + along * sin + off * cos,
  });
  const step = line + gap;
  const count = Math.min(MOST_LINES, 2 * Math.ceil(reach / step) + 1);
  const lines = Array.from({ length: count }, (_, i): AreaRing => {
    const off = (i - (count - 1) / 2) * step;
    const [from, to] = [off - line / 2, off + line / 2];
    return [at(-reach, from), at(reach, from), at(reach, to), at(-reach, to)];
  });
  return common(area, lines, PRECISION);
}
