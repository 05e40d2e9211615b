import { coverOf } from '@/core/raster/cover';
import type { Raster } from '@/core/raster/raster';

export type Point = readonly [x: number, y: number];
export type Rgba = readonly [number, number, number, number];

export const BARE: Rgba = [0, 0, 0, 0];
export const BLACK: Rgba = [0, 0, 0, 255];
export const WHITE: Rgba = [255, 255, 255, 255];

/** A picture drawn in mm at so many pixels a mm, edges covered by their share of each pixel. */
export class Drawing {
  private readonly pixels: Float64Array;
  readonly width: number;
  readonly height: number;

  constructor(
    mmWide: number,
    mmHigh: number,
    readonly perMm: number,
    under: Rgba = BARE,
  ) {
    this.width = Math.round(mmWide * perMm);
    this.height = Math.round(mmHigh * perMm);
    this.pixels = new Float64Array(this.width * this.height * 4);
    const alpha = under[3] / 255;
    for (let at = 0; at < this.pixels.length; at += 4)
      this.pixels.set([under[0] * alpha, under[1] * alpha, under[2] * alpha, alpha], at);
  }

  /** Lays polygons of one colour, those that run the other way round cut out; a clear one cuts them out of the picture. */
  lay(polygons: readonly (readonly Point[])[], colour: Rgba): this {
    const { perMm, width, height, pixels } = this;
    const scaled = polygons.map((points) =>
      Float64Array.from(points.flatMap(([x, y]) => [x * perMm, y * perMm])),
    );
    const mask = coverOf(scaled, { left: 0, top: 0, right: width, bottom: height });
    for (let row = 0; row < mask.height; row++) {
      for (let column = 0; column < mask.width; column++) {
        const cover = (mask.data[row * mask.width + column]! / 255) * (colour[3] === 0 ? 1 : colour[3] / 255);
        if (cover === 0) continue;
        const at = ((mask.top + row) * width + mask.left + column) * 4;
        const on = colour[3] === 0 ? 0 : cover;
        for (let k = 0; k < 3; k++) pixels[at + k] = pixels[at + k]! * (1 - cover) + colour[k]! * on;
        pixels[at + 3] = pixels[at + 3]! * (1 - cover) + on;
      }
    }
    return this;
  }

  raster(): Raster {
    const { width, height, pixels } = this;
    const data = new Uint8Array(width * height * 4);
    let opaque = true;
    for (let at = 0; at < data.length; at += 4) {
      const alpha = pixels[at + 3]!;
      for (let k = 0; k < 3; k++) data[at + k] = alpha > 0 ? Math.round(pixels[at + k]! / alpha) : 0;
      data[at + 3] = Math.round(alpha * 255);
      if (data[at + 3] !== 255) opaque = false;
    }
    return { width, height, data, opaque };
  }
}

export function rectangle(x: number, y: number, width: number, height: number, degrees = 0): Point[] {
  return turned(
    [
      [-width / 2, -height / 2],
      [width / 2, -height / 2],
      [width / 2, height / 2],
      [-width / 2, height / 2],
    ],
    degrees,
  ).map(([px, py]) => [px + x, py + y]);
}

export function turned(points: readonly Point[], degrees: number): Point[] {
  const [cos, sin] = [Math.cos((degrees * Math.PI) / 180), Math.sin((degrees * Math.PI) / 180)];
  return points.map(([x, y]) => [x * cos - y * sin, x * sin + y * cos]);
}

export function circle(x: number, y: number, radius: number): Point[] {
  return Array.from({ length: 720 }, (_, i): Point => {
    const angle = (i / 360) * Math.PI;
    return [x + radius * Math.cos(angle), y + radius * Math.sin(angle)];
  });
}

/** A ring of a width round a middle line. */
export function ring(x: number, y: number, radius: number, width: number): Point[][] {
  return [circle(x, y, radius + width / 2), circle(x, y, radius - width / 2).reverse()];
}

/** A star whose points are so many degrees wide. */
export function star(x: number, y: number, radius: number, points: number, degrees: number): Point[] {
  const half = (degrees * Math.PI) / 360;
  const step = Math.PI / points;
  // The inner radius at which the sides of a point make its angle: sine rule in the triangle centre, tip, notch.
  const inner = (radius * Math.sin(half)) / Math.sin(Math.PI - half - step);
  return Array.from({ length: points * 2 }, (_, i): Point => {
    const r = i % 2 === 0 ? radius : inner;
    return [x + r * Math.sin(i * step), y - r * Math.cos(i * step)];
  });
}
