import type { Source } from '@/core/formats/source';
import { words } from '@/core/raster/raster';
import type { Engine } from '@/imaging/engine';
import { textOf } from './artwork';
import { cleanDrawing } from './clean';

/** Pixels across that a drawing's parts are told apart at. */
const ACROSS = 1024;
/** How far round the point a thin part is still met, in pixels. */
const NEAR = 4;

/**
 * The part of a drawing that lies uppermost at a point, given in shares from its top left, by its number; null where
 * there is none. Each part is drawn in a colour of its own, which the pixel there tells.
 */
export function partAt(
  engine: Engine,
  name: string,
  source: Source,
  point: { x: number; y: number },
): number | null {
  const { svg, size } = cleanDrawing(name, textOf(source), { map: true });
  const height = Math.max(1, Math.round((ACROSS * size.height) / size.width));
  const raster = engine.drawSvg(svg({ width: ACROSS, height }), ACROSS);
  const pixels = words(raster);
  const column = Math.floor(point.x * raster.width);
  const row = Math.floor(point.y * raster.height);
  let best: number | null = null;
  let least = Infinity;
  for (let y = Math.max(0, row - NEAR); y <= Math.min(raster.height - 1, row + NEAR); y++) {
    for (let x = Math.max(0, column - NEAR); x <= Math.min(raster.width - 1, column + NEAR); x++) {
      const pixel = pixels[y * raster.width + x]!;
      const far = Math.hypot(x - column, y - row);
      if (pixel >>> 24 < 255 || far >= least) continue;
      least = far;
      best = numberOf(pixel);
    }
  }
  return best;
}

/** Parts are drawn in their number plus one, as #rrggbb. */
export function numberOf(pixel: number): number {
  return (((pixel & 255) << 16) | (pixel & 0xff00) | ((pixel >>> 16) & 255)) - 1;
}
