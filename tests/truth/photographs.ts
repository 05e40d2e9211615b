import type { Raster } from '@/core/raster/raster';

/** A generator of numbers in [0, 1) that is the same for the same seed (mulberry32). */
export function randomOf(seed: number): () => number {
  let state = seed * 0x9e3779b1;
  return () => {
    state = (state + 0x6d2b79f5) | 0;
    let t = Math.imul(state ^ (state >>> 15), 1 | state);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}

/** Values over a picture, 0 to 1. */
export interface Field {
  width: number;
  height: number;
  values: Float32Array;
}

/** Clouds with a 1/f spectrum, as light falls on most things: octaves of smooth noise, each half as strong. */
export function clouds(width: number, height: number, random: () => number): Field {
  const values = new Float32Array(width * height);
  let total = 0;
  for (let size = Math.max(width, height) / 2, weight = 1; size >= 1.5; size /= 2, weight /= 2) {
    const [columns, rows] = [Math.ceil(width / size) + 2, Math.ceil(height / size) + 2];
    const grid = Float32Array.from({ length: columns * rows }, random);
    total += weight;
    for (let y = 0; y < height; y++) {
      const v = y / size;
      const [row, fy] = [Math.floor(v), smooth(v - Math.floor(v))];
      for (let x = 0; x < width; x++) {
        const u = x / size;
        const [column, fx] = [Math.floor(u), smooth(u - Math.floor(u))];
        const at = row * columns + column;
        const top = grid[at]! * (1 - fx) + grid[at + 1]! * fx;
        const bottom = grid[at + columns]! * (1 - fx) + grid[at + columns + 1]! * fx;
        values[y * width + x]! += weight * (top * (1 - fy) + bottom * fy);
      }
    }
  }
  for (let at = 0; at < values.length; at++) values[at] = values[at]! / total;
  return { width, height, values };
}

function smooth(t: number): number {
  return t * t * (3 - 2 * t);
}

/**
 * A picture like a photograph: clouds of light in two colours, things with hard outlines lying in it, grain over all.
 * Drawn at four samples a pixel, so that it is as sharp as a picture that was shrunk. `highlights`: parts burnt out.
 */
export function photographOf(
  seed: number,
  width: number,
  height: number,
  {
    highlights = false,
    grain = 2,
    things = 40,
  }: { highlights?: boolean; grain?: number; things?: number } = {},
): Raster {
  const random = randomOf(seed);
  const scale = 3;
  const [w, h] = [width * scale, height * scale];
  const light = clouds(w, h, random);
  const hue = clouds(w, h, random);
  const levels = new Float32Array(w * h * 3);
  for (let at = 0; at < w * h; at++) {
    const l = 40 + 190 * light.values[at]! * (highlights ? 1.6 : 1);
    const t = hue.values[at]!;
    levels.set([l * (0.8 + 0.4 * t), l * (0.95 + 0.1 * t), l * (1.15 - 0.4 * t)], at * 3);
  }
  for (let i = 0; i < things; i++) thing(levels, w, h, random);
  const data = new Uint8Array(width * height * 4);
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      const noise = grain * (random() + random() + random() - 1.5);
      for (let k = 0; k < 3; k++) {
        let sum = 0;
        for (let dy = 0; dy < scale; dy++)
          for (let dx = 0; dx < scale; dx++) sum += levels[((y * scale + dy) * w + x * scale + dx) * 3 + k]!;
        data[(y * width + x) * 4 + k] = Math.max(0, Math.min(255, Math.round(sum / scale ** 2 + noise)));
      }
      data[(y * width + x) * 4 + 3] = 255;
    }
  return { width, height, data, opaque: true };
}

/** A leaf, a stone, a stem: a turned ellipse of a colour of its own, shaded from one side. */
function thing(levels: Float32Array, width: number, height: number, random: () => number): void {
  const [cx, cy] = [random() * width, random() * height];
  const long = (0.02 + 0.12 * random()) * Math.max(width, height);
  const wide = long * (0.15 + 0.8 * random());
  const angle = random() * Math.PI;
  const [cos, sin] = [Math.cos(angle), Math.sin(angle)];
  const colour = [random() * 220, random() * 220, random() * 220];
  for (let y = Math.max(0, Math.floor(cy - long)); y < Math.min(height, cy + long); y++)
    for (let x = Math.max(0, Math.floor(cx - long)); x < Math.min(width, cx + long); x++) {
      const [u, v] = [((x - cx) * cos + (y - cy) * sin) / long, (-(x - cx) * sin + (y - cy) * cos) / wide];
      if (u * u + v * v > 1) continue;
      const shade = 0.7 + 0.3 * v;
      for (let k = 0; k < 3; k++) levels[(y * width + x) * 3 + k] = colour[k]! * shade;
    }
}
