import type { PixelBox, PixelSize } from '../artwork/facts';
import { words, type Raster } from './raster';

/** A turn by quarters, clockwise, after a flip from left to right or not: the eight ways a picture can lie. */
export interface Lie {
  quarters: 0 | 1 | 2 | 3;
  flipped: boolean;
}

/** How a stored picture is brought upright, by its EXIF orientation (1 to 8). */
const UPRIGHT: readonly Lie[] = [
  { quarters: 0, flipped: false },
  { quarters: 0, flipped: true },
  { quarters: 2, flipped: false },
  { quarters: 2, flipped: true },
  { quarters: 3, flipped: true },
  { quarters: 1, flipped: false },
  { quarters: 1, flipped: true },
  { quarters: 3, flipped: false },
];

export function uprightFrom(orientation: number): Lie {
  return UPRIGHT[orientation - 1] ?? UPRIGHT[0]!;
}

/** Width and height change places when laid on a side. */
export function layingSize({ width, height }: PixelSize, { quarters }: Lie): PixelSize {
  return quarters % 2 === 0 ? { width, height } : { width: height, height: width };
}

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

/** Where a part of a picture of some size lies once the picture is flipped and turned. */
export function layBox(box: PixelBox, size: PixelSize, { quarters, flipped }: Lie): PixelBox {
  const { y, width, height } = box;
  const x = flipped ? size.width - box.x - width : box.x;
  switch (quarters) {
    case 0:
      return { x, y, width, height };
    case 1:
      return { x: size.height - y - height, y: x, width: height, height: width };
    case 2:
      return { x: size.width - x - width, y: size.height - y - height, width, height };
    case 3:
      return { x: y, y: size.width - x - width, width: height, height: width };
  }
}
