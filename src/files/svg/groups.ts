import type { Source } from '@/core/formats/source';
import { words } from '@/core/raster/raster';
import type { Engine } from '@/imaging/engine';
import { textOf } from './artwork';
import { cleanDrawing } from './clean';
import { numberOf } from './part';

/** Pixels across that a drawing's groups are told apart at. */
const ACROSS = 400;
/** More groups than these are no set. */
const MOST = 200;

/** Which group of a drawing is seen at each of its pixels, by a number; -1 where none is. */
export interface GroupMap {
  width: number;
  height: number;
  groups: Int32Array;
}

/** Where a drawing's groups are seen: those of the outermost level that has several. Null where no level has. */
export function groupMap(engine: Engine, name: string, source: Source): GroupMap | null {
  const { svg, size, groups } = cleanDrawing(name, textOf(source), { map: true });
  const deepest = Math.max(0, ...groups.map(({ length }) => length));
  const level = Array.from({ length: deepest }, (_, depth) => depth).find((depth) => {
    const count = new Set(groups.map((path) => path[depth])).size;
    // At a level where every part is by itself nothing is grouped.
    return count > 1 && count <= MOST && count < groups.length;
  });
  if (level === undefined) return null;
  const height = Math.max(1, Math.round((ACROSS * size.height) / size.width));
  const raster = engine.drawSvg(svg({ width: ACROSS, height }), ACROSS);
  const seen = Int32Array.from(words(raster), (pixel) =>
    pixel >>> 24 < 255 ? -1 : (groups[numberOf(pixel)]?.[level] ?? -1),
  );
  return { width: raster.width, height: raster.height, groups: seen };
}
