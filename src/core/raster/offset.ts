import { runStarts } from './runs';

/**
 * A mask grown by so many pixels, or shrunk where that is below zero, all round, by true distance; its edge comes to lie
 * within half a pixel of where it should. What lies outside of the picture is not set. Given as a plane: 255 where it is set.
 */
export function offsetMask(mask: Uint8Array, width: number, height: number, by: number): Uint8Array {
  const isGrown = by >= 0;
  return grown(rowsOf(mask, width, height, isGrown), width, height, Math.abs(by), isGrown);
}

/** Starts and ends, in turn, of the runs of each row that are set, or that are not. */
function rowsOf(mask: Uint8Array, width: number, height: number, set: boolean): number[][] {
  const rows: number[][] = Array.from({ length: height }, () => []);
  const starts = runStarts(mask, width);
  for (let i = 0; i < starts.length; i++) {
    const [from, to] = [starts[i]!, starts[i + 1] ?? mask.length];
    if ((mask[from] !== 0) !== set) continue;
    const row = Math.floor(from / width);
    const runs = rows[row]!;
    // What is set may be so by several values, one after another.
    if (runs.at(-1) === from - row * width) runs.pop();
    else runs.push(from - row * width);
    runs.push(to - row * width);
  }
  return rows;
}

/** Pixels along its row that a circle of a radius reaches, so many rows off its middle: always less than the radius itself. */
export function reachOf(radius: number): Int32Array {
  return Int32Array.from({ length: Math.ceil(radius) }, (_, down) => {
    return Math.ceil(Math.sqrt(radius * radius - down * down)) - 1;
  });
}

/**
 * All pixels whose middle lies nearer than `by` to the edge of a set one. A row is the union of the runs of the rows about it,
 * each longer by as far as the circle reaches there. Where it is what is not set that grows, all round the picture grows too, and
 * what it does not reach is set.
 */
function grown(
  rows: readonly (readonly number[])[],
  width: number,
  height: number,
  by: number,
  isSet: boolean,
): Uint8Array {
  // From a pixel's middle to the edge of the nearest that is set is half a pixel less than to its middle.
  const reach = reachOf(by + 0.5);
  const most = reach.length - 1;
  const out = new Uint8Array(width * height);
  // How many runs begin and end at each place of a row.
  const change = new Int32Array(width + 1);
  const add = (from: number, to: number) => {
    change[Math.max(0, from)]!++;
    change[Math.min(width, to)]!--;
  };
  for (let y = 0; y < height; y++) {
    change.fill(0);
    for (let down = -most; down <= most; down++) {
      const along = reach[Math.abs(down)]!;
      const runs = rows[y + down];
      if (runs) for (let i = 0; i < runs.length; i += 2) add(runs[i]! - along, runs[i + 1]! + along);
      else if (!isSet) add(0, width);
    }
    if (!isSet) {
      add(0, Math.min(width, most));
      add(Math.max(0, width - most), width);
    }
    const row = y * width;
    for (let x = 0, open = 0; x < width;) {
      open += change[x]!;
      const from = x++;
      while (x < width && change[x] === 0) x++;
      if (open > 0 === isSet) out.fill(255, row + from, row + x);
    }
  }
  return out;
}
