import type { Raster } from '../raster/raster';

/** The part of a print that has anything on it, and where it lies: plates are worked out there alone. */
export interface Crop {
  raster: Raster;
  x: number;
  y: number;
  /** Pixels of the whole print. */
  whole: { width: number; height: number };
}

/** A print cut to what is seen of it, with so many pixels round it; null where nothing is. */
export function cropped({ width, height, data }: Raster, margin: number): Crop | null {
  const box = { left: width, top: height, right: 0, bottom: 0 };
  for (let y = 0, at = 3; y < height; y++)
    for (let x = 0; x < width; x++, at += 4) {
      if (data[at] === 0) continue;
      if (x < box.left) box.left = x;
      if (x >= box.right) box.right = x + 1;
      if (y < box.top) box.top = y;
      if (y >= box.bottom) box.bottom = y + 1;
    }
  if (box.right <= box.left) return null;
  const [x, y] = [Math.max(0, box.left - margin), Math.max(0, box.top - margin)];
  const [across, down] = [Math.min(width, box.right + margin) - x, Math.min(height, box.bottom + margin) - y];
  const out = new Uint8Array(across * down * 4);
  for (let row = 0; row < down; row++) {
    const from = ((y + row) * width + x) * 4;
    out.set(data.subarray(from, from + across * 4), row * across * 4);
  }
  return {
    raster: { width: across, height: down, data: out, opaque: false },
    x,
    y,
    whole: { width, height },
  };
}

/** A plane of a crop laid back on the whole print. */
export function onWhole(plane: Uint8Array, { raster, x, y, whole: { width, height } }: Crop): Uint8Array {
  const out = new Uint8Array(width * height);
  for (let row = 0; row < raster.height; row++)
    out.set(plane.subarray(row * raster.width, (row + 1) * raster.width), (y + row) * width + x);
  return out;
}
