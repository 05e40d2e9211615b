import { IN_SILENCE, type Progress, type Raster } from './raster';

/** Where something lies, and the parts of it near enough to where nothing does that they have to be looked at. */
export interface Field {
  /** At each pixel `reach` where something lies, 0 where nothing does. */
  upright: Uint8Array;
  /** Pixels where something lies. */
  inside: number;
  /** Rows of a tile, and for each row of tiles the columns, from and to, that are looked at. */
  tile: number;
  ranges: Int32Array[];
}

/** A tile is this many times as large as the reach, so that a tile within even ones is out of it on every side. */
const TILE_REACHES = 4;

/** All is even far from an edge: only tiles that are mixed, or have a mixed neighbour, are looked at. */
export function fieldOf({ width, height, data }: Raster, what: 'strokes' | 'gaps', reach: number): Field {
  const tile = Math.max(64, reach * TILE_REACHES);
  const [across, down] = [Math.ceil(width / tile), Math.ceil(height / tile)];
  const counts = new Int32Array(across * down);
  const upright = new Uint8Array(width * height);
  const outside = what === 'strokes' ? 0 : 1;
  let at = 0;
  for (let y = 0; y < height; y++) {
    const row = Math.floor(y / tile) * across;
    for (let column = 0; column < across; column++) {
      const end = Math.min(width, (column + 1) * tile);
      let count = 0;
      for (let x = column * tile; x < end; x++, at++) {
        // An alpha of 128 and more has its highest bit set.
        if ((data[at * 4 + 3]! >>> 7) ^ outside) {
          upright[at] = reach;
          count++;
        }
      }
      counts[row + column]! += count;
    }
  }
  const full = (column: number, row: number) =>
    Math.min(tile, width - column * tile) * Math.min(tile, height - row * tile);
  /** 0 for nothing, 1 for all, 2 for some; beyond the picture nothing lies, or what is at its edge goes on. */
  const kindOf = (column: number, row: number): number => {
    if (column < 0 || row < 0 || column >= across || row >= down) return what === 'strokes' ? 0 : 3;
    const count = counts[row * across + column]!;
    return count === 0 ? 0 : count === full(column, row) ? 1 : 2;
  };
  const isLooked = (column: number, row: number): boolean => {
    const own = kindOf(column, row);
    if (own === 2) return true;
    for (let dy = -1; dy <= 1; dy++)
      for (let dx = -1; dx <= 1; dx++) {
        const other = kindOf(column + dx, row + dy);
        if (other !== own && other !== 3) return true;
      }
    return false;
  };
  const ranges = Array.from({ length: down }, (_, row) => {
    const found: number[] = [];
    for (let column = 0; column < across; column++) {
      if (!isLooked(column, row)) continue;
      const from = column * tile;
      if (found.at(-1) === from) found.pop();
      else found.push(from);
      found.push(Math.min(width, from + tile));
    }
    return Int32Array.from(found);
  });
  return { upright, inside: counts.reduce((sum, count) => sum + count, 0), tile, ranges };
}

/** Every row of every range, from the top or from the bottom. */
export function eachRange(
  { tile, ranges }: Field,
  height: number,
  visit: (y: number, from: number, to: number) => void,
  upwards = false,
): void {
  for (let i = 0; i < height; i++) {
    const y = upwards ? height - 1 - i : i;
    const own = ranges[Math.floor(y / tile)]!;
    for (let range = 0; range < own.length; range += 2) visit(y, own[range]!, own[range + 1]!);
  }
}

/**
 * Squares of the distances, in pixels, from each pixel of a field that is looked at to the nearest where nothing lies,
 * none counted above `reach` (Meijster, Roerdink and Hesselink 2000, cut off). `bounded`: beyond the picture is nothing.
 */
export function distancesOf(
  width: number,
  field: Field,
  reach: number,
  bounded: boolean,
  progress: Progress = IN_SILENCE,
): Uint16Array {
  const { upright } = field;
  const height = upright.length / width;
  const edge = bounded ? 0 : reach;
  eachRange(field, height, (y, from, to) => {
    if (y % 256 === 0) progress((0.3 * y) / height);
    for (let at = y * width + from, end = y * width + to; at < end; at++) {
      if (upright[at] === 0) continue;
      const above = y > 0 ? upright[at - width]! : edge;
      if (above < reach) upright[at] = above + 1;
    }
  });
  eachRange(
    field,
    height,
    (y, from, to) => {
      for (let at = y * width + from, end = y * width + to; at < end; at++) {
        const own = upright[at]!;
        if (own === 0) continue;
        const below = y < height - 1 ? upright[at + width]! : edge;
        if (below + 1 < own) upright[at] = below + 1;
      }
    },
    true,
  );
  const squares = new Uint16Array(width * height);
  eachRange(field, height, (y, from, to) => {
    if (y % 256 === 0) progress(0.3 + (0.4 * y) / height);
    squaresOfRow(upright, squares, y * width, { from, to, width }, reach, bounded);
  });
  return squares;
}

function squaresOfRow(
  upright: Uint8Array,
  squares: Uint16Array,
  row: number,
  { from, to, width }: { from: number; to: number; width: number },
  reach: number,
  bounded: boolean,
): void {
  const most = reach * reach;
  // The last column, and the next, that is nearer to the outside than the cut: all else is deep inside.
  let last = bounded ? -1 : -Infinity;
  for (let x = Math.max(0, from - reach); x < from; x++) if (upright[row + x]! < reach) last = x;
  let next = from;
  for (let x = from; x < to; x++) {
    const own = upright[row + x]!;
    if (own < reach) last = x;
    if (own === 0) continue;
    while (next < width && (next < x || (upright[row + next]! >= reach && next <= x + reach))) next++;
    const nextAt = next === width ? (bounded ? width : Infinity) : next;
    if (x - last > reach && nextAt - x > reach) {
      squares[row + x] = most;
      continue;
    }
    let best = Math.min(most, own * own);
    for (let off = 1; off * off < best; off++) {
      const square = off * off;
      const before = x - off < 0 ? (bounded ? 0 : reach) : upright[row + x - off]!;
      const after = x + off >= width ? (bounded ? 0 : reach) : upright[row + x + off]!;
      best = Math.min(best, square + before * before, square + after * after);
    }
    squares[row + x] = best;
  }
}
