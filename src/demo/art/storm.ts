import type { Raster } from '@/core/raster/raster';
import { dice } from './pen';

/** A photo-like storm at sea, painted pixel by pixel: clouds, swell and spray from layered noise. */
export function storm(width: number, height: number): Raster {
  const data = new Uint8Array(width * height * 4);
  const cloud = layeredNoise(3);
  const water = layeredNoise(17);
  const grain = dice(29);
  for (let y = 0, at = 0; y < height; y++) {
    for (let x = 0; x < width; x++, at += 4) {
      const u = x / width;
      const v = y / height;
      const horizon = 0.56 + 0.02 * Math.sin(u * 9);
      const speck = (grain() - 0.5) * 10;
      const light = v < horizon ? sky(cloud, u, v) : sea(water, u, (v - horizon) / (1 - horizon));
      data[at] = byte(light[0] + speck);
      data[at + 1] = byte(light[1] + speck);
      data[at + 2] = byte(light[2] + speck);
      data[at + 3] = 255;
    }
  }
  return { width, height, data, opaque: true };
}

type Light = [number, number, number];

function sky(noise: (x: number, y: number) => number, u: number, v: number): Light {
  const dark = noise(u * 5, v * 9) * 0.75 + noise(u * 14 + 3, v * 22) * 0.25;
  const glow = Math.exp(-(((u - 0.68) / 0.2) ** 2) - ((v - 0.5) / 0.14) ** 2);
  return [60 + 110 * dark + 95 * glow, 72 + 108 * dark + 70 * glow, 92 + 100 * dark + 20 * glow];
}

function sea(noise: (x: number, y: number) => number, u: number, depth: number): Light {
  const squeeze = 26 / (0.25 + depth);
  const swell = noise(u * squeeze * 0.5, depth * squeeze * 2.2);
  const foam = Math.max(0, noise(u * squeeze, depth * squeeze * 4 + 7) - 0.62) * 420;
  return [18 + 52 * swell + foam, 38 + 66 * swell + foam, 52 + 72 * swell + foam];
}

/** Value noise in four octaves, 0 to 1. */
function layeredNoise(seed: number): (x: number, y: number) => number {
  const roll = dice(seed);
  const table = Float64Array.from({ length: 4096 }, roll);
  const at = (x: number, y: number) => table[(((x * 73 + y * 179) % 4096) + 4096) % 4096]!;
  const smooth = (t: number) => t * t * (3 - 2 * t);
  const single = (x: number, y: number) => {
    const [x0, y0] = [Math.floor(x), Math.floor(y)];
    const [fx, fy] = [smooth(x - x0), smooth(y - y0)];
    const top = at(x0, y0) * (1 - fx) + at(x0 + 1, y0) * fx;
    const low = at(x0, y0 + 1) * (1 - fx) + at(x0 + 1, y0 + 1) * fx;
    return top * (1 - fy) + low * fy;
  };
  return (x, y) => [1, 2, 4, 8].reduce((sum, f) => sum + single(x * f, y * f) / f, 0) / 1.875;
}

function byte(value: number): number {
  return Math.max(0, Math.min(255, Math.round(value)));
}
