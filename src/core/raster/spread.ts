import { words, type Raster } from './raster';

/** Alpha from which a pixel's own colour is taken for what lies past it. */
const SOLID = 250;

/**
 * Draws the colours of a picture's edge outwards, in place: a pixel that is not solid shows, under its own colour,
 * that of the nearest solid one. Nearest by the distances that pixels hand on to their neighbours (Danielsson 1980).
 * A picture without a solid pixel stays as it is.
 */
export function spreadEdges({ width, height, data }: Raster): void {
  const pixels = words({ data });
  const nearest = nearestSolid(pixels, width, height);
  for (let at = 0; at < pixels.length; at++) {
    const from = nearest[at]!;
    if (from !== at && from >= 0) pixels[at] = under(pixels[at]!, pixels[from]!);
  }
}

/** For each pixel the index of the nearest solid one; -1 where there is none. */
function nearestSolid(pixels: Uint32Array, width: number, height: number): Int32Array {
  const nearest = new Int32Array(pixels.length).fill(-1);
  for (let at = 0; at < pixels.length; at++) if (pixels[at]! >>> 24 >= SOLID) nearest[at] = at;
  const square = (at: number, x: number, y: number) => {
    const from = nearest[at]!;
    if (from < 0) return Infinity;
    return (x - (from % width)) ** 2 + (y - Math.floor(from / width)) ** 2;
  };
  const take = (x: number, y: number, dx: number, dy: number) => {
    const [nx, ny] = [x + dx, y + dy];
    if (nx < 0 || ny < 0 || nx >= width || ny >= height) return;
    const [at, by] = [y * width + x, ny * width + nx];
    if (square(by, x, y) < square(at, x, y)) nearest[at] = nearest[by]!;
  };
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++) for (const dx of [-1, 0, 1]) take(x, y, dx, -1);
    for (let x = 0; x < width; x++) take(x, y, -1, 0);
    for (let x = width - 1; x >= 0; x--) take(x, y, 1, 0);
  }
  for (let y = height - 1; y >= 0; y--) {
    for (let x = 0; x < width; x++) for (const dx of [-1, 0, 1]) take(x, y, dx, 1);
    for (let x = 0; x < width; x++) take(x, y, -1, 0);
    for (let x = width - 1; x >= 0; x--) take(x, y, 1, 0);
  }
  return nearest;
}

/** A colour over another that is solid. */
function under(pixel: number, solid: number): number {
  const alpha = pixel >>> 24;
  const mix = (shift: number) => {
    const [above, below] = [(pixel >>> shift) & 255, (solid >>> shift) & 255];
    return Math.round((above * alpha + below * (255 - alpha)) / 255) << shift;
  };
  return (0xff000000 | mix(16) | mix(8) | mix(0)) >>> 0;
}
