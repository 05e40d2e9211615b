import { MM_PER_INCH } from '../length/units';
import type { Raster } from '../raster/raster';

/**
 * A square window of a print, enlarged to the density of its plates, so that dots, chokes and traps are seen as they will be
 * burnt. `printWidth` and the window in mm; colours between pixels are mixed by their alpha.
 */
export function enlarged(
  { width, height, data }: Raster,
  printWidth: number,
  window: { x: number; y: number; across: number },
  ppi: number,
): Raster {
  const perMm = width / printWidth;
  const side = Math.max(1, Math.round((window.across * ppi) / MM_PER_INCH));
  const step = (window.across * perMm) / side;
  const out = new Uint8Array(side * side * 4);
  for (let y = 0, at = 0; y < side; y++) {
    const sy = window.y * perMm + (y + 0.5) * step - 0.5;
    for (let x = 0; x < side; x++, at += 4) {
      const sx = window.x * perMm + (x + 0.5) * step - 0.5;
      mixInto(out, at, sx, sy);
    }
  }
  return { width: side, height: side, data: out, opaque: false };

  function mixInto(target: Uint8Array, at: number, sx: number, sy: number): void {
    const [x0, y0] = [Math.floor(sx), Math.floor(sy)];
    const [dx, dy] = [sx - x0, sy - y0];
    let [red, green, blue, alpha] = [0, 0, 0, 0];
    for (let corner = 0; corner < 4; corner++) {
      const [x, y] = [x0 + (corner & 1), y0 + (corner >> 1)];
      if (x < 0 || y < 0 || x >= width || y >= height) continue;
      const from = (y * width + x) * 4;
      const weight = (corner & 1 ? dx : 1 - dx) * (corner >> 1 ? dy : 1 - dy) * data[from + 3]!;
      red += weight * data[from]!;
      green += weight * data[from + 1]!;
      blue += weight * data[from + 2]!;
      alpha += weight;
    }
    if (alpha === 0) return;
    target[at] = Math.round(red / alpha);
    target[at + 1] = Math.round(green / alpha);
    target[at + 2] = Math.round(blue / alpha);
    target[at + 3] = Math.round(alpha);
  }
}
