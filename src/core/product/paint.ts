import { IN_SILENCE, type Progress, type Raster } from '../raster/raster';
import { bandsOf, rowsOf, type Fallen, type Rows } from './bands';
import { toLevel, toLinear } from './light';

/** Colours triangles. (Numbers go in arrays: each would be a piece of memory of its own if it were handed over alone.) */
export interface Shader {
  /**
   * The colour of a triangle at a place of the picture, in `into`: linear red, green, blue and how much it covers, all
   * 0 to 1, not premultiplied. `at` is the shares of its three points there, as perspective has them, and x and y in px.
   */
  shade(triangle: number, at: Float64Array, into: Float64Array): void;
}

export interface PaintOptions {
  width: number;
  height: number;
  /** What lies behind, which is drawn over; nothing where null. */
  backdrop: Raster | null;
  progress?: Progress;
}

/** Where in a pixel it is looked whether a triangle is there: no two in one row or column. */
const SAMPLES = [
  [0.125, 0.625],
  [0.375, 0.125],
  [0.625, 0.875],
  [0.875, 0.375],
] as const;
/** Rows that are held at a time: memory does not grow with the picture. */
const BAND = 64;
const NONE = 0;
/** How far outside a triangle it is still coloured as if it went on, as a share of it. */
const BEYOND = 0.3;

/**
 * Draws triangles into a picture, the nearest in front. Each pixel is coloured once for every surface that is seen in
 * it, in linear light, and weighted by how many of its samples that holds.
 */
export function paint(fallen: Fallen, shader: Shader, options: PaintOptions): Raster {
  const { width, height, backdrop, progress = IN_SILENCE } = options;
  const data = backdrop ? backdrop.data : new Uint8Array(width * height * 4);
  const rows = rowsOf(fallen);
  const bands = bandsOf(rows, { top: 0, bottom: height, deep: BAND });
  const depth = new Float32Array(width * BAND * SAMPLES.length);
  const seen = new Int32Array(width * BAND * SAMPLES.length);
  const painter = new PixelPainter(fallen, shader);
  for (let top = 0; top < height; top += BAND) {
    progress(top / height);
    const bottom = Math.min(height, top + BAND);
    const among = bands[top / BAND]!;
    const span = bandSpan(fallen, among, width);
    if (!span) continue;
    depth.fill(0);
    seen.fill(NONE);
    for (let sample = 0; sample < SAMPLES.length; sample++) {
      const [dx, dy] = SAMPLES[sample]!;
      layBand(fallen, rows, among, { top, bottom, width, dx, dy, at: sample * width * BAND }, depth, seen);
    }
    painter.band(seen, { top, bottom, width, ...span }, data);
  }
  return { width, height, data, opaque: backdrop !== null && backdrop.opaque };
}

function bandSpan(
  { x, triangles }: Fallen,
  among: Uint32Array,
  width: number,
): { from: number; to: number } | null {
  let [from, to] = [width, 0];
  for (const i of among) {
    for (let k = 0; k < 3; k++) {
      const at = x[triangles[i * 3 + k]!]!;
      if (at < from) from = at;
      if (at > to) to = at;
    }
  }
  return to > from ? { from: Math.max(0, Math.floor(from)), to: Math.min(width, Math.ceil(to)) } : null;
}

interface Band {
  top: number;
  bottom: number;
  width: number;
  /** Of the sample, within its pixel. */
  dx: number;
  dy: number;
  /** Where its part of the buffers begins. */
  at: number;
}

/** Notes for one sample of each pixel of a band which triangle is nearest there. */
function layBand(
  { x, y, near, triangles }: Fallen,
  rows: Rows,
  among: Uint32Array,
  { top, bottom, width, dx, dy, at }: Band,
  depth: Float32Array,
  seen: Int32Array,
): void {
  for (const i of among) {
    const p = triangles[i * 3]!;
    const q = triangles[i * 3 + 1]!;
    const r = triangles[i * 3 + 2]!;
    const px = x[p]!;
    const py = y[p]!;
    const qx = x[q]!;
    const qy = y[q]!;
    const rx = x[r]!;
    const ry = y[r]!;
    const area = (qx - px) * (ry - py) - (rx - px) * (qy - py);
    if (area === 0) continue;
    // One over the depth is even over the picture.
    const np = near[p]!;
    const nq = near[q]!;
    const nr = near[r]!;
    const perX = ((nq - np) * (ry - py) - (nr - np) * (qy - py)) / area;
    const perY = ((nr - np) * (qx - px) - (nq - np) * (rx - px)) / area;
    const first = Math.max(top, rows.from[i]!);
    const last = Math.min(bottom, rows.to[i]!);
    for (let row = first; row < last; row++) {
      const line = row + dy;
      let low = Infinity;
      let high = -Infinity;
      // Where the row crosses each side that it lies between the ends of.
      if (py <= line !== qy <= line) {
        const cross = px + ((qx - px) * (line - py)) / (qy - py);
        if (cross < low) low = cross;
        if (cross > high) high = cross;
      }
      if (qy <= line !== ry <= line) {
        const cross = qx + ((rx - qx) * (line - qy)) / (ry - qy);
        if (cross < low) low = cross;
        if (cross > high) high = cross;
      }
      if (ry <= line !== py <= line) {
        const cross = rx + ((px - rx) * (line - ry)) / (py - ry);
        if (cross < low) low = cross;
        if (cross > high) high = cross;
      }
      const from = Math.max(0, Math.ceil(low - dx));
      const to = Math.min(width - 1, Math.ceil(high - dx) - 1);
      let z = np + (from + dx - px) * perX + (line - py) * perY;
      for (
        let j = at + (row - top) * width + from, end = at + (row - top) * width + to;
        j <= end;
        j++, z += perX
      ) {
        if (z > depth[j]!) {
          depth[j] = z;
          seen[j] = i + 1;
        }
      }
    }
  }
}

/** Colours pixels one by one. */
class PixelPainter {
  private readonly colour = new Float64Array(4);
  private readonly at = new Float64Array(5);
  private readonly ids = new Int32Array(SAMPLES.length);
  private readonly sum = new Float64Array(4);
  private readonly corners = new Float64Array(9);
  private shaded = -1;

  constructor(
    private readonly fallen: Fallen,
    private readonly shader: Shader,
  ) {}

  /** All pixels of a band between two columns. */
  band(
    seen: Int32Array,
    {
      top,
      bottom,
      width,
      from,
      to,
    }: { top: number; bottom: number; width: number; from: number; to: number },
    data: Uint8Array,
  ): void {
    for (let y = top; y < bottom; y++) {
      for (let x = from; x < to; x++)
        this.pixel(seen, (y - top) * width + x, width * BAND, x, y, data, (y * width + x) * 4);
    }
  }

  /** A pixel whose samples lie at `at` and every `step` on; its bytes are at `to`. */
  private pixel(
    seen: Int32Array,
    at: number,
    step: number,
    x: number,
    y: number,
    data: Uint8Array,
    to: number,
  ): void {
    const { ids, colour, sum } = this;
    const { meshOf } = this.fallen;
    const first = seen[at]!;
    const second = seen[at + step]!;
    const third = seen[at + 2 * step]!;
    const fourth = seen[at + 3 * step]!;
    if ((first | second | third | fourth) === NONE) return;
    const same = this.isOne(first, second, third, fourth);
    if (same) {
      this.shade(first - 1, 0, x, y);
      if (colour[3]! >= 1) {
        data[to] = toLevel(colour[0]!);
        data[to + 1] = toLevel(colour[1]!);
        data[to + 2] = toLevel(colour[2]!);
        data[to + 3] = 255;
        return;
      }
    }
    ids[0] = first;
    ids[1] = second;
    ids[2] = third;
    ids[3] = fourth;
    sum.fill(0);
    for (let s = 0; s < ids.length; s++) {
      const id = ids[s]!;
      if (id === NONE) continue;
      let count = 1;
      for (let other = s + 1; other < ids.length; other++) {
        if (ids[other] === NONE || meshOf[ids[other]! - 1] !== meshOf[id - 1]) continue;
        count++;
        ids[other] = NONE;
      }
      this.shade(id - 1, s, x, y);
      const weight = (count / ids.length) * colour[3]!;
      for (let c = 0; c < 3; c++) sum[c]! += colour[c]! * weight;
      sum[3]! += weight;
    }
    this.blend(data, to);
  }

  /** Whether all that is seen in a pixel is of one surface. */
  private isOne(first: number, second: number, third: number, fourth: number): boolean {
    if (first === second && first === third && first === fourth) return true;
    if (first === NONE || second === NONE || third === NONE || fourth === NONE) return false;
    const { meshOf } = this.fallen;
    const mesh = meshOf[first - 1];
    return meshOf[second - 1] === mesh && meshOf[third - 1] === mesh && meshOf[fourth - 1] === mesh;
  }

  /** Lays what was summed over a pixel. */
  private blend(data: Uint8Array, to: number): void {
    const covered = this.sum[3]!;
    if (covered === 0) return;
    const under = ((1 - covered) * data[to + 3]!) / 255;
    const whole = covered + under;
    for (let c = 0; c < 3; c++)
      data[to + c] = toLevel((this.sum[c]! + toLinear(data[to + c]!) * under) / whole);
    data[to + 3] = Math.round(whole * 255);
  }

  /**
   * Colours a pixel as a triangle is at its middle; where that lies too far outside the triangle, a sliver, as it is at
   * the sample that fell on it.
   */
  private shade(triangle: number, sample: number, x: number, y: number): void {
    const { at, corners } = this;
    if (triangle !== this.shaded) this.take(triangle);
    at[3] = x + 0.5;
    at[4] = y + 0.5;
    this.share();
    if (at[1]! < -BEYOND || at[2]! < -BEYOND || at[1]! + at[2]! > 1 + BEYOND) {
      const [dx, dy] = SAMPLES[sample]!;
      at[3] = x + dx;
      at[4] = y + dy;
      this.share();
    }
    const b = at[1]!;
    const c = at[2]!;
    const all = (1 - b - c) * corners[6]! + b * corners[7]! + c * corners[8]!;
    at[1] = (b * corners[7]!) / all;
    at[2] = (c * corners[8]!) / all;
    at[0] = 1 - at[1] - at[2];
    this.shader.shade(triangle, at, this.colour);
  }

  /** The shares of the triangle's second and third point at a place of the picture, as it lies there. */
  private share(): void {
    const { at, corners } = this;
    const dx = at[3]! - corners[0]!;
    const dy = at[4]! - corners[1]!;
    at[1] = dx * corners[2]! + dy * corners[3]!;
    at[2] = dx * corners[4]! + dy * corners[5]!;
  }

  /** What of a triangle is the same for all its pixels: neighbours mostly lie in one. */
  private take(triangle: number): void {
    const { triangles, x, y, near } = this.fallen;
    const p = triangles[triangle * 3]!;
    const q = triangles[triangle * 3 + 1]!;
    const r = triangles[triangle * 3 + 2]!;
    const qx = x[q]! - x[p]!;
    const qy = y[q]! - y[p]!;
    const rx = x[r]! - x[p]!;
    const ry = y[r]! - y[p]!;
    const area = qx * ry - rx * qy;
    const { corners } = this;
    corners[0] = x[p]!;
    corners[1] = y[p]!;
    corners[2] = ry / area;
    corners[3] = -rx / area;
    corners[4] = -qy / area;
    corners[5] = qx / area;
    corners[6] = near[p]!;
    corners[7] = near[q]!;
    corners[8] = near[r]!;
    this.shaded = triangle;
  }
}
