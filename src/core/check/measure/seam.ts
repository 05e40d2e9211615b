import { deltaE00 } from '../../colour/difference';
import { labOf } from '../../colour/lab';
import { isPlaced, type Piece } from '../../fit/schema';
import type { PrintFace } from '../../blank/resolve';
import { flatten, renderFace } from '../../render/face';
import type { CheckContext } from '../context';

export interface SeamMeasure {
  /** Colour difference (dE00) over the rows: mean and largest. */
  mean: number;
  largest: number;
  /** Where the largest is, in mm from the trim's top. */
  y: number;
}

/**
 * Compares the columns that meet where a wrap closes: the first one with the one a whole way round further on, where the
 * print goes on so far, else with the last one. Rows within the trim; clear parts on white.
 */
export function measureSeam(context: CheckContext, around: number): SeamMeasure {
  const { face, grid } = context;
  const column = 1 / grid.perMmX;
  const goesOn = around + column <= face.width + face.bleed + 1e-6;
  const first = stripAt(context, 0, column);
  const second = stripAt(context, goesOn ? around : around - column, column);
  let sum = 0;
  let largest = 0;
  let row = 0;
  const rows = first.length / 4;
  for (let at = 0; at < first.length; at += 4) {
    const difference = deltaE00(
      labOf(first[at]!, first[at + 1]!, first[at + 2]!),
      labOf(second[at]!, second[at + 1]!, second[at + 2]!),
    );
    sum += difference;
    if (difference > largest) [largest, row] = [difference, at / 4];
  }
  return { mean: sum / rows, largest, y: ((row + 0.5) * face.height) / rows };
}

/** One column of pixels of the flat, from x mm on, as wide as `column`. */
function stripAt({ face, pieces, facts, pixels, grid }: CheckContext, x: number, column: number): Uint8Array {
  const strip: PrintFace = {
    ...face,
    width: column,
    bleed: 0,
    bend: null,
    zones: face.zones.map((zone) => ({ ...zone, x: zone.x - x })),
  };
  const rows = Math.max(1, Math.round(face.height * grid.perMmY));
  const shown = pieces.map((piece): Piece => (isPlaced(piece) ? { ...piece, x: piece.x - x } : piece));
  const raster = renderFace(strip, shown, { facts, pixels }, { pixels: { width: 1, height: rows } });
  return flatten(raster, '#ffffff').data;
}
