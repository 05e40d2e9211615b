import type { Bounds, Polygons } from '../geometry/path';

/** How much of each pixel a shape covers, 0 to 255, over a window of a grid. */
export interface Mask {
  left: number;
  top: number;
  width: number;
  height: number;
  data: Uint8Array;
}

/** Rows that are reckoned at a time: the sums take four bytes a pixel. */
const BAND = 256;

/**
 * The exact share of each pixel that polygons cover, by their signed areas summed along every row (a sum of one winding
 * is the area itself; where windings overlap it is cut at a whole pixel). Coordinates are pixels of the grid; the mask
 * is the window that holds the shape, cut to `within`.
 */
export function coverOf(polygons: Polygons, within: Bounds): Mask {
  const window = windowOf(polygons, within);
  const { left, top, width, height } = window;
  const data = new Uint8Array(width * height);
  if (data.length === 0) return { ...window, data };
  const edges = edgesOf(polygons, left, top, width);
  const sums = new Float32Array((width + 2) * Math.min(BAND, height));
  for (let from = 0; from < height; from += BAND) {
    const rows = Math.min(BAND, height - from);
    sums.fill(0);
    for (let i = 0; i < edges.length; i += 4) {
      addEdge(sums, width + 2, rows, edges[i]!, edges[i + 1]! - from, edges[i + 2]!, edges[i + 3]! - from);
    }
    for (let row = 0; row < rows; row++) {
      let sum = 0;
      let at = (from + row) * width;
      const start = row * (width + 2);
      for (let column = 0; column < width; column++) {
        sum += sums[start + column]!;
        const share = sum < 0 ? -sum : sum;
        data[at++] = share >= 1 ? 255 : (share * 255 + 0.5) | 0;
      }
    }
  }
  return { ...window, data };
}

/** The value of a mask at a pixel of the grid; 0 outside its window. */
export function maskAt({ left, top, width, height, data }: Mask, column: number, row: number): number {
  const x = column - left;
  const y = row - top;
  return x < 0 || y < 0 || x >= width || y >= height ? 0 : data[y * width + x]!;
}

function windowOf(polygons: Polygons, within: Bounds): Omit<Mask, 'data'> {
  let [left, top, right, bottom] = [Infinity, Infinity, -Infinity, -Infinity];
  for (const points of polygons) {
    for (let i = 0; i < points.length; i += 2) {
      left = Math.min(left, points[i]!);
      right = Math.max(right, points[i]!);
      top = Math.min(top, points[i + 1]!);
      bottom = Math.max(bottom, points[i + 1]!);
    }
  }
  left = Math.floor(Math.max(left, within.left));
  top = Math.floor(Math.max(top, within.top));
  right = Math.ceil(Math.min(right, within.right));
  bottom = Math.ceil(Math.min(bottom, within.bottom));
  return left < right && top < bottom
    ? { left, top, width: right - left, height: bottom - top }
    : { left: 0, top: 0, width: 0, height: 0 };
}

/** Edges as x0, y0, x1, y1 in the window; what lies beside the window runs along its side instead. */
function edgesOf(polygons: Polygons, left: number, top: number, width: number): number[] {
  const edges: number[] = [];
  const add = (x0: number, y0: number, x1: number, y1: number) => {
    if (y0 !== y1) edges.push(Math.min(width, Math.max(0, x0)), y0, Math.min(width, Math.max(0, x1)), y1);
  };
  for (const points of polygons) {
    let x0 = points[points.length - 2]! - left;
    let y0 = points[points.length - 1]! - top;
    for (let i = 0; i < points.length; i += 2) {
      const x1 = points[i]! - left;
      const y1 = points[i + 1]! - top;
      // Cut where it crosses a side of the window, so that no part that is moved to the side was inside.
      const cuts = [0, width]
        .filter((side) => x0 < side !== x1 < side)
        .map((side) => (side - x0) / (x1 - x0))
        .sort((a, b) => a - b);
      let [px, py] = [x0, y0];
      for (const t of cuts) {
        const [cx, cy] = [x0 + t * (x1 - x0), y0 + t * (y1 - y0)];
        add(px, py, cx, cy);
        [px, py] = [cx, cy];
      }
      add(px, py, x1, y1);
      [x0, y0] = [x1, y1];
    }
  }
  return edges;
}

/** Adds one edge's signed areas to the rows of a band, 0 to `rows`; each row's running sum is then its coverage. */
function addEdge(
  sums: Float32Array,
  stride: number,
  rows: number,
  ax: number,
  ay: number,
  bx: number,
  by: number,
): void {
  const way = ay < by ? 1 : -1;
  const [x0, y0, x1, y1] = ay < by ? [ax, ay, bx, by] : [bx, by, ax, ay];
  if (y1 <= 0 || y0 >= rows) return;
  const slope = (x1 - x0) / (y1 - y0);
  let x = y0 < 0 ? x0 - y0 * slope : x0;
  const first = Math.max(0, Math.floor(y0));
  const end = Math.min(rows, Math.ceil(y1));
  for (let row = first; row < end; row++) {
    const tall = Math.min(row + 1, y1) - Math.max(row, y0);
    const next = x + slope * tall;
    addSlice(sums, row * stride, x < next ? x : next, x < next ? next : x, tall * way);
    x = next;
  }
}

/** One edge's part within one row, from x0 to x1, of height `tall` with its sign. */
function addSlice(sums: Float32Array, start: number, x0: number, x1: number, tall: number): void {
  const first = Math.floor(x0);
  const last = Math.ceil(x1);
  const at = start + first;
  if (last <= first + 1) {
    const right = (x0 + x1) / 2 - first;
    sums[at]! += tall - tall * right;
    sums[at + 1]! += tall * right;
    return;
  }
  const per = 1 / (x1 - x0);
  const into = 1 - (x0 - first);
  const out = x1 - last + 1;
  const head = 0.5 * per * into * into;
  const tail = 0.5 * per * out * out;
  sums[at]! += tall * head;
  if (last === first + 2) {
    sums[at + 1]! += tall * (1 - head - tail);
  } else {
    const second = per * (1.5 - (x0 - first));
    sums[at + 1]! += tall * (second - head);
    for (let x = first + 2; x < last - 1; x++) sums[start + x]! += tall * per;
    sums[start + last - 1]! += tall * (1 - (second + (last - first - 3) * per) - tail);
  }
  sums[start + last]! += tall * tail;
}
