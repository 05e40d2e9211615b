import { shapePath, SIDES, type Side } from '../../blank/shape';
import { parsePath } from '../../geometry/parse-path';
import { factsFor } from '../../fit/geometry';
import { isMixed } from '../../fit/mix';
import { isInk, type Piece } from '../../fit/schema';
import { maskAt, type Mask } from '../../raster/cover';
import { coverOn, cutOf, flatGround, inkCover } from '../../render/ground';
import { pixelsOf } from '../../render/finish';
import { sampleAlpha, sampler } from '../../render/sampler';
import { tilesOf } from '../../render/tiles';
import type { CheckContext } from '../context';
import { memoOf } from '../../memo';

export type BySide = Record<Side, number>;

/** The side with the largest value. */
export function worstSide(values: BySide): Side {
  return SIDES.reduce((best, side) => (values[side] > values[best] ? side : best));
}

/** Alpha, 0 to 255, at a pixel of the context's grid; it may lie outside the grid, past the bleed. */
export type AlphaAt = (column: number, row: number) => number;

/**
 * How far several pieces over one another cover pixels; what a knockout removes of those under it is gone. `printed`: as
 * strongly as each is laid there. Reads no colour.
 */
export function alphaOf(context: CheckContext, pieces: readonly Piece[], printed = false): AlphaAt {
  const layers = pieces.map((piece) => ({
    alphaAt: alphaAt(context, piece),
    knockout: piece.knockout,
    strength: printed && isMixed(piece) ? (piece.opacity ?? 1) : 1,
  }));
  const [only, ...others] = layers;
  if (only && others.length === 0 && !only.knockout && only.strength === 1) return only.alphaAt;
  const removing = layers.some(({ knockout }) => knockout);
  return (column, row) => {
    let clear = 1;
    for (const { alphaAt: at, knockout, strength } of layers) {
      const covered = (at(column, row) / 255) * strength;
      clear = knockout ? 1 - (1 - clear) * (1 - covered) : clear * (1 - covered);
      if (clear < 1e-4 && !removing) return 255;
    }
    return 255 * (1 - clear);
  };
}

/** How far one piece covers pixels: where it is, and not how strongly it is laid there. */
export function alphaAt(context: CheckContext, piece: Piece): AlphaAt {
  const cut = maskOf(context, piece);
  if (isInk(piece)) return masked(cut!, () => 255);
  if (piece.kind === 'fill') return cut ? masked(cut, () => 255) : () => 255;
  const { grid, pixels, progress } = context;
  const raster = pixelsOf(piece, pixels, progress);
  if (piece.kind === 'artwork') {
    const ready = sampler(grid, piece, raster, progress);
    const own: AlphaAt = (column, row) => sampleAlpha(ready, column, row);
    return cut ? masked(cut, own) : own;
  }
  const { map, coverage, colour } = tilesOf(grid, piece, factsFor(piece, context.facts), raster);
  const own: AlphaAt = (column, row) => {
    const [x, y] = [column + 0.5, row + 0.5];
    const [p, q] = [map.a * x + map.c * y + map.e, map.b * x + map.d * y + map.f];
    const covered = coverage(p, q);
    return covered === 0 || raster.opaque ? covered * 255 : covered * (colour() >>> 24);
  };
  return cut ? masked(cut, own) : own;
}

function masked(mask: Mask, own: AlphaAt): AlphaAt {
  return (column, row) => {
    const there = maskAt(mask, column, row);
    return there === 0 ? 0 : (there / 255) * own(column, row);
  };
}

/** Masks of a grid's pieces, drawn once for all the rules that ask. */
const masks = new WeakMap<CheckContext['grid'], WeakMap<Piece, Mask>>();

/** What a piece is cut to, or a text's letters; null where nothing cuts it. */
function maskOf({ grid, face }: CheckContext, piece: Piece): Mask | null {
  const path = isInk(piece) ? inkCover(piece) : cutOf(piece, face);
  if (!path) return null;
  const known = masks.get(grid) ?? new WeakMap<Piece, Mask>();
  masks.set(grid, known);
  let mask = known.get(piece);
  if (!mask) known.set(piece, (mask = coverOn(flatGround(grid, 1), path)));
  return mask;
}

/** Whether a pixel of the grid lies within the face's outline grown by mm; drawn once for all that ask. */
export function withinOutline(
  { grid, face }: CheckContext,
  grow: number,
): (column: number, row: number) => boolean {
  const mask = insides(grid, grow, () => coverOn(flatGround(grid), parsePath(shapePath(face, grow)) ?? []));
  return (column, row) => maskAt(mask, column, row) >= 128;
}

const insides = memoOf<CheckContext['grid'], number, Mask>(8);

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
