import type { StepOf } from '../../artwork/steps';
import { rgbOf, type Rgb } from '../../colour/hex';
import { IN_SILENCE, words, type Progress, type Raster } from '../raster';

/** Levels within which a pixel is of the colour itself, and within which it may be a mixture of it with another. */
const OWN = 24;
const MIXED = 160;

/**
 * Prints one colour as another. A pixel on an edge is a mixture of the colour and its neighbour's: it moves by the
 * share it has of the colour, so that anti-aliased edges stay smooth. Only mixtures next to the colour itself move.
 */
export function recolour(raster: Raster, step: StepOf<'recolour'>, progress: Progress = IN_SILENCE): Raster {
  const from = rgbOf(step.from);
  const to = rgbOf(step.to);
  const shift = to.map((level, channel) => level - from[channel]!) as unknown as Rgb;
  const { width, height } = raster;
  const before = words(raster);
  const after = before.slice();
  for (let y = 0; y < height; y++) {
    if (y % 256 === 0) progress(y / height);
    for (let x = 0, at = y * width; x < width; x++, at++) {
      const pixel = before[at]!;
      if (pixel >>> 24 === 0) continue;
      const far = distance(pixel, from);
      if (far > MIXED) continue;
      const share = far <= OWN ? 1 : shareOf(before, x, y, width, height, from, far);
      if (share > 0) after[at] = moved(pixel, shift, share);
    }
  }
  return { ...raster, data: new Uint8Array(after.buffer) };
}

/** The share of the colour in a mixture: its place between the colour and the other end of its edge. */
function shareOf(
  pixels: Uint32Array,
  x: number,
  y: number,
  width: number,
  height: number,
  from: Rgb,
  far: number,
): number {
  let touches = false;
  let other = far;
  for (let row = Math.max(0, y - 2); row <= Math.min(height - 1, y + 2); row++) {
    for (let column = Math.max(0, x - 2); column <= Math.min(width - 1, x + 2); column++) {
      const pixel = pixels[row * width + column]!;
      if (pixel >>> 24 === 0) continue;
      const away = distance(pixel, from);
      touches ||= away <= OWN;
      other = Math.max(other, away);
    }
  }
  return touches && other > 0 ? 1 - far / other : 0;
}

function distance(pixel: number, [red, green, blue]: Rgb): number {
  return Math.hypot((pixel & 255) - red, ((pixel >>> 8) & 255) - green, ((pixel >>> 16) & 255) - blue);
}

function moved(pixel: number, [red, green, blue]: Rgb, share: number): number {
  const level = (shift: number, by: number) =>
    Math.min(255, Math.max(0, Math.round(((pixel >>> shift) & 255) + by * share)));
  return (((pixel >>> 24) << 24) | (level(16, blue) << 16) | (level(8, green) << 8) | level(0, red)) >>> 0;
}
