import type { Raster } from '../raster/raster';

/** A print as it is laid on a surface: its pixels in ever smaller copies, and where they lie on the face. */
export interface Texture {
  levels: readonly Level[];
  perMm: { x: number; y: number };
  /** mm of the face where its top left pixel begins. */
  left: number;
  top: number;
  /** What of the face it is shown on, in mm. */
  shown: { left: number; top: number; right: number; bottom: number };
}

interface Level {
  width: number;
  height: number;
  /** RGBA, premultiplied, so that clear pixels lend no colour to their neighbours. */
  data: Uint8Array;
}

/** Lays a raster over a part of a face, all in mm of the face. */
export function textureOf(
  raster: Raster,
  over: { left: number; top: number; width: number; height: number },
  shown: Texture['shown'] = {
    left: over.left,
    top: over.top,
    right: over.left + over.width,
    bottom: over.top + over.height,
  },
): Texture {
  const levels = [premultiplied(raster)];
  for (let last = levels[0]!; last.width > 8 && last.height > 8; last = levels.at(-1)!)
    levels.push(halved(last));
  return {
    levels,
    perMm: { x: raster.width / over.width, y: raster.height / over.height },
    left: over.left,
    top: over.top,
    shown,
  };
}

function premultiplied({ width, height, data, opaque }: Raster): Level {
  if (opaque) return { width, height, data };
  const out = new Uint8Array(data.length);
  for (let at = 0; at < data.length; at += 4) {
    const alpha = data[at + 3]!;
    if (alpha === 0) continue;
    for (let c = at; c < at + 3; c++) out[c] = alpha === 255 ? data[c]! : (data[c]! * alpha + 127) / 255;
    out[at + 3] = alpha;
  }
  return { width, height, data: out };
}

function halved({ width, height, data }: Level): Level {
  const [w, h] = [width >> 1, height >> 1];
  const out = new Uint8Array(w * h * 4);
  for (let y = 0, to = 0; y < h; y++) {
    for (let x = 0, at = y * 2 * width * 4; x < w; x++, at += 8, to += 4) {
      const below = at + width * 4;
      for (let c = 0; c < 4; c++)
        out[to + c] = (data[at + c]! + data[at + 4 + c]! + data[below + c]! + data[below + 4 + c]! + 2) >> 2;
    }
  }
  return { width: w, height: h, data: out };
}

/** How a print is looked at where a pixel of the picture lies: in which of its copies, and by how many looks in a row. */
export interface Looks {
  level: number;
  count: number;
}

/** Looks in a row, at most: what is seen at a steeper slant than that is softer. */
const MOST_LOOKS = 6;

/**
 * The looks that take in what a pixel covers on the face: `long` and `fine` are the longer and the shorter side of
 * that, in mm.
 */
export function looksFor({ perMm, levels }: Texture, long: number, fine: number): Looks {
  const scale = Math.max(perMm.x, perMm.y);
  const [far, near] = [Math.max(1e-6, long * scale), Math.max(1e-6, fine * scale)];
  const count = Math.min(MOST_LOOKS, Math.max(1, Math.round(far / Math.max(1, near))));
  const level = Math.floor(Math.log2(Math.max(near, far / count)) + 0.4);
  return { level: Math.min(levels.length - 1, Math.max(0, level)), count };
}

/**
 * The print at a place of the face in mm, by looks along a step in mm: `at` is x, y, and the step across and down; the
 * colour goes `into` red, green, blue, alpha, 0 to 255, premultiplied.
 */
export function sampleTexture(
  texture: Texture,
  number: number,
  count: number,
  at: Float64Array,
  into: Float64Array,
): void {
  const { shown, perMm, levels, left, top } = texture;
  into[0] = into[1] = into[2] = into[3] = 0;
  const [placeX, placeY] = [at[0]!, at[1]!];
  if (placeX < shown.left || placeX >= shown.right || placeY < shown.top || placeY >= shown.bottom) return;
  const { width, height, data } = levels[number]!;
  const perX = (perMm.x * width) / levels[0]!.width;
  const perY = (perMm.y * height) / levels[0]!.height;
  const weight = 1 / count;
  for (let look = 0; look < count; look++) {
    const off = (look + 0.5) * weight - 0.5;
    const u = (placeX + at[2]! * off - left) * perX - 0.5;
    const v = (placeY + at[3]! * off - top) * perY - 0.5;
    const x = u < 0 ? 0 : u > width - 1 ? width - 1 : u;
    const y = v < 0 ? 0 : v > height - 1 ? height - 1 : v;
    const column = x | 0;
    const row = y | 0;
    const fx = x - column;
    const fy = y - row;
    const a = (row * width + column) * 4;
    const b = column < width - 1 ? a + 4 : a;
    const down = row < height - 1 ? width * 4 : 0;
    const wa = (1 - fx) * (1 - fy) * weight;
    const wb = fx * (1 - fy) * weight;
    const wc = (1 - fx) * fy * weight;
    const wd = fx * fy * weight;
    const [c, d] = [a + down, b + down];
    into[0] += data[a]! * wa + data[b]! * wb + data[c]! * wc + data[d]! * wd;
    into[1] += data[a + 1]! * wa + data[b + 1]! * wb + data[c + 1]! * wc + data[d + 1]! * wd;
    into[2] += data[a + 2]! * wa + data[b + 2]! * wb + data[c + 2]! * wc + data[d + 2]! * wd;
    into[3] += data[a + 3]! * wa + data[b + 3]! * wb + data[c + 3]! * wc + data[d + 3]! * wd;
  }
}
