import { isRectangle, signedDistance, type Shape } from '../blank/shape';
import type { Raster } from '../raster/raster';

/** A print's pixels, from `around` mm outside its trim on every side, with nothing left beyond its outline grown by so much. */
export function cutTo(raster: Raster, shape: Shape, around: number): Raster {
  if (isRectangle(shape)) return raster;
  const { width, height } = raster;
  const data = raster.data.slice();
  const perMm = width / (shape.width + 2 * around);
  for (let row = 0; row < height; row++) {
    const y = (row + 0.5) / perMm - around;
    for (let column = 0; column < width; column++) {
      const beyond = signedDistance(shape, around, (column + 0.5) / perMm - around, y) * perMm;
      // Half a pixel on either side of the line is shared.
      const share = Math.min(1, Math.max(0, 0.5 - beyond));
      const at = 4 * (row * width + column) + 3;
      data[at] = Math.round(data[at]! * share);
    }
  }
  return { width, height, data, opaque: false };
}
