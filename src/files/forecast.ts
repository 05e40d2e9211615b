import type { Raster } from '@/core/raster/raster';

/** Bands that are packed to tell how large the whole will be, and the rows of each. */
const BANDS = 8;
const ROWS = 24;

/** About how many bytes a picture packs into, from bands of it spread over its height. */
export function forecastBytes(raster: Raster, pack: (band: Raster) => Uint8Array): number {
  const { width, height, data, opaque } = raster;
  if (height <= BANDS * ROWS) return pack(raster).length;
  // Each band carries its own header and profile.
  const fixed = pack({ width: 1, height: 1, data: new Uint8Array(4).fill(255), opaque }).length;
  const apart = (height - ROWS) / (BANDS - 1);
  let bytes = 0;
  for (let band = 0; band < BANDS; band++) {
    const first = Math.round(band * apart) * width * 4;
    const rows = data.slice(first, first + ROWS * width * 4);
    bytes += pack({ width, height: ROWS, data: rows, opaque }).length - fixed;
  }
  return (bytes * height) / (BANDS * ROWS) + fixed;
}
