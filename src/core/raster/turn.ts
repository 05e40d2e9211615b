import type { PixelSize } from '../artwork/facts';
import { layingSize, type Lie } from '../geometry/lie';
import { words, type Raster } from './raster';

/** The picture flipped, then turned. */
export function layRaster(raster: Raster, lie: Lie): Raster {
  const { quarters, flipped } = lie;
  if (quarters === 0 && !flipped) return raster;
  const { width, height } = layingSize(raster, lie);
  const from = words(raster);
  const to = new Uint32Array(width * height);
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++) to[y * width + x] = from[sourceOf(x, y, raster, lie)]!;
  }
  return { width, height, data: new Uint8Array(to.buffer), opaque: raster.opaque };
}

/** The pixel, by its index, that comes to lie at (x, y). */
function sourceOf(x: number, y: number, { width, height }: PixelSize, { quarters, flipped }: Lie): number {
  const [sx, sy] =
    quarters === 0
      ? [x, y]
      : quarters === 1
        ? [y, height - 1 - x]
        : quarters === 2
          ? [width - 1 - x, height - 1 - y]
          : [width - 1 - y, x];
  return sy * width + (flipped ? width - 1 - sx : sx);
}
