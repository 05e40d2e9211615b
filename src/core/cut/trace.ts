import { contours } from 'd3-contour';
import type { Raster } from '../raster/raster';

/** A closed line as points; the last one joins the first. */
export type Ring = [x: number, y: number][];

/** Between clear and opaque: what is more than half there belongs to the artwork. */
const HALF = 127.5;

/**
 * Outlines of all that is more than half opaque, in pixels of the picture from its top left, to a part of a pixel; holes
 * too. Traced on blocks of so many pixels a side, each as opaque as its pixels are on average: where an edge runs through
 * a block follows from that.
 */
export function traceAlpha(raster: Raster, block = 1): Ring[] {
  const { width, height } = raster;
  if (raster.opaque) return [[[0, 0], [width, 0], [width, height], [0, height]]]; // prettier-ignore
  const [columns, rows] = [Math.ceil(width / block), Math.ceil(height / block)];
  // A clear block all round, so that what reaches the picture's edge is closed along it.
  const across = columns + 2;
  const values = new Float32Array(across * (rows + 2));
  const sums = new Uint32Array(columns);
  for (let row = 0; row < rows; row++) {
    const deep = Math.min(block, height - row * block);
    sumRows(raster, row * block, deep, block, sums);
    for (let column = 0; column < columns; column++) {
      const wide = Math.min(block, width - column * block);
      values[(row + 1) * across + column + 1] = sums[column]! / (wide * deep);
    }
  }
  const { coordinates } = contours()
    .size([across, rows + 2])
    // Its types ask for an array; it reads by number alone.
    .contour(values as unknown as number[], HALF);
  const at = (value: number, most: number) => Math.min(most, (value - 1) * block);
  return coordinates.flatMap((polygon) =>
    // The first point comes again as the last.
    polygon.map((ring) =>
      ring.slice(0, -1).map(([x, y]): [number, number] => [at(x!, width), at(y!, height)]),
    ),
  );
}

/** Adds up the alpha of so many rows, block by block. */
function sumRows(
  { width, data }: Raster,
  first: number,
  count: number,
  block: number,
  sums: Uint32Array,
): void {
  sums.fill(0);
  for (let y = first; y < first + count; y++) {
    let at = y * width * 4 + 3;
    for (let column = 0, x = 0; x < width; column++) {
      const end = Math.min(width, x + block);
      let sum = 0;
      for (; x < end; x++, at += 4) sum += data[at]!;
      sums[column]! += sum;
    }
  }
}
