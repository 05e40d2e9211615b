import { contours } from 'd3-contour';
import type { Raster } from '../raster/raster';

/** A closed line as points; the last one joins the first. */
export type Ring = [x: number, y: number][];

/** Between clear and opaque: what is more than half there belongs to the artwork. */
const HALF = 127.5;

/** Outlines of all that is more than half opaque, in pixels of the picture from its top left, to a part of a pixel; holes too. */
export function traceAlpha({ width, height, data, opaque }: Raster): Ring[] {
  if (opaque)
    return [
      [
        [0, 0],
        [width, 0],
        [width, height],
        [0, height],
      ],
    ];
  // A clear pixel all round, so that what reaches the picture's edge is closed along it.
  const across = width + 2;
  const values = new Array<number>(across * (height + 2)).fill(0);
  for (let y = 0, at = 3; y < height; y++) {
    const row = (y + 1) * across + 1;
    for (let x = 0; x < width; x++, at += 4) values[row + x] = data[at]!;
  }
  const { coordinates } = contours()
    .size([across, height + 2])
    .contour(values, HALF);
  return coordinates.flatMap((polygon) =>
    // The first point comes again as the last.
    polygon.map((ring) => ring.slice(0, -1).map(([x, y]): [number, number] => [x! - 1, y! - 1])),
  );
}
