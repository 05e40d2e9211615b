import type { Raster } from '@/core/raster/raster';

/** A raster from a function of its pixels: [red, green, blue, alpha]. */
export function paint(
  width: number,
  height: number,
  at: (x: number, y: number) => readonly [number, number, number, number],
): Raster {
  const data = new Uint8Array(width * height * 4);
  let opaque = true;
  for (let y = 0, i = 0; y < height; y++) {
    for (let x = 0; x < width; x++, i += 4) {
      const [red, green, blue, alpha] = at(x, y);
      data[i] = red;
      data[i + 1] = green;
      data[i + 2] = blue;
      data[i + 3] = alpha;
      if (alpha !== 255) opaque = false;
    }
  }
  return { width, height, data, opaque };
}

export const CLEAR = [0, 0, 0, 0] as const;
export const RED = [200, 30, 20, 255] as const;

/** One colour all over. */
export function solid(
  width: number,
  height: number,
  colour: readonly [number, number, number, number] = RED,
): Raster {
  return paint(width, height, () => colour);
}

/** The RGBA of one pixel. */
export function pixelAt({ width, data }: Raster, x: number, y: number): number[] {
  const at = (y * width + x) * 4;
  return [...data.subarray(at, at + 4)];
}
