import type { StepOf } from '../../artwork/steps';
import { words, type Raster } from '../raster';
import { isNearSolid, walkSoft } from '../soft';

/** Coverages under and over which a dot, or a hole between dots, would be too small to hold: they go, or close. */
const LEAST = 0.18;
const MOST = 0.82;

/**
 * Takes soft parts away, for methods that print each pixel wholly or not at all: a flat edge where they are half there,
 * or a halftone, round dots on a screen turned by 45 degrees, as large as the pixel is solid. Anti-aliased edges stay.
 */
export function hardEdge(raster: Raster, { to, cell }: StepOf<'edge'>): Raster {
  if (to === 'none') return withoutSoft(raster);
  const { width, height } = raster;
  const pixels = words(raster).slice();
  const across = Math.max(2, cell * width);
  walkSoft(raster, (x, y) => {
    const at = y * width + x;
    const share = (pixels[at]! >>> 24) / 255;
    const limit = to === 'flat' || share < LEAST || share > MOST ? 0.5 : screenAt(x, y, across);
    pixels[at] = share >= limit ? (pixels[at]! | 0xff000000) >>> 0 : 0;
  });
  return { width, height, data: new Uint8Array(pixels.buffer), opaque: raster.opaque };
}

/**
 * Shadows and glows made clear, out to where they end; what is half there beside something solid is its smooth edge, and
 * stays. So does a fine line that is nowhere solid, as nothing soft leads to it.
 */
function withoutSoft(raster: Raster): Raster {
  const { width, height } = raster;
  const pixels = words(raster).slice();
  const waiting: number[] = [];
  walkSoft(raster, (x, y) => waiting.push(y * width + x));
  const seen = new Uint8Array(pixels.length);
  for (const at of waiting) seen[at] = 1;
  for (let at = waiting.pop(); at !== undefined; at = waiting.pop()) {
    pixels[at] = 0;
    const [x, y] = [at % width, Math.floor(at / width)];
    for (let ny = Math.max(0, y - 1); ny <= Math.min(height - 1, y + 1); ny++)
      for (let nx = Math.max(0, x - 1); nx <= Math.min(width - 1, x + 1); nx++) {
        const near = ny * width + nx;
        if (seen[near] === 1) continue;
        seen[near] = 1;
        const alpha = raster.data[near * 4 + 3]!;
        if (alpha > 0 && alpha < 255 && !isNearSolid(raster, nx, ny)) waiting.push(near);
      }
  }
  return { width, height, data: new Uint8Array(pixels.buffer), opaque: raster.opaque };
}

/** The share from which a pixel of the screen is printed: lowest in the middle of a dot. */
function screenAt(x: number, y: number, cell: number): number {
  const turned = Math.PI / cell;
  const [u, v] = [(x + y) * turned * Math.SQRT2, (x - y) * turned * Math.SQRT2];
  return 0.5 - (Math.cos(u) + Math.cos(v)) / 4;
}
