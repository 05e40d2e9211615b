import { SIDES, type Side } from '../../blank/shape';
import type { Piece } from '../../fit/schema';
import { sampleAlpha, sampler } from '../../render/sampler';
import type { CheckContext } from '../context';

export type BySide = Record<Side, number>;

/** The side with the largest value. */
export function worstSide(values: BySide): Side {
  return SIDES.reduce((best, side) => (values[side] > values[best] ? side : best));
}

/** Alpha, 0 to 255, of several pieces over one another at a grid pixel; reads no colour. */
export function alphaOf(
  context: CheckContext,
  pieces: readonly Piece[],
): (column: number, row: number) => number {
  const layers = pieces.map((piece) => {
    if (piece.kind === 'fill') return () => 255;
    const ready = sampler(context.grid, piece, context.pixels(piece.artworkId), context.progress);
    return (column: number, row: number) => sampleAlpha(ready, column, row);
  });
  return (column, row) => {
    let clear = 1;
    for (const layer of layers) {
      clear *= 1 - layer(column, row) / 255;
      if (clear < 1e-4) return 255;
    }
    return 255 * (1 - clear);
  };
}

/** Columns whose pixel centres lie within a span in mm, `to` exclusive. */
export function columnsIn(
  { grid, face }: CheckContext,
  [left, right]: readonly [number, number],
): { from: number; to: number } {
  return {
    from: Math.ceil((left + face.bleed) * grid.perMmX - 0.5),
    to: Math.floor((right + face.bleed) * grid.perMmX - 0.5) + 1,
  };
}
