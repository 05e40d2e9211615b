import type { StepOf } from '../../artwork/steps';
import { rgbOf, type Rgb } from '../../colour/hex';
import { relabelPart } from '../flat';
import { IN_SILENCE, words, type Progress, type Raster } from '../raster';

/** Levels within which a pixel is of the colour itself. */
const OWN = 24;
/** How far off the colour a pixel may still be a mixture of it, in pixels. */
const REACH = 2;

const MIXED = 1;
const WHOLE = 2;
const CHOSEN = 3;

/**
 * Prints one colour as another, everywhere or in one connected part. A pixel on an edge is a mixture of the colour and its neighbour's: it moves by the
 * share it has of the colour, so that anti-aliased edges stay smooth. Only mixtures next to the colour itself move.
 */
export function recolour(raster: Raster, step: StepOf<'recolour'>, progress: Progress = IN_SILENCE): Raster {
  const from = rgbOf(step.from);
  const to = rgbOf(step.to);
  const shift: Rgb = [to[0] - from[0], to[1] - from[1], to[2] - from[2]];
  const { width, height } = raster;
  const before = words(raster);
  const after = before.slice();
  const at = step.at && {
    x: Math.min(width - 1, Math.floor(step.at.x * width)),
    y: Math.min(height - 1, Math.floor(step.at.y * height)),
  };
  const mask = maskOf(before, width, height, from, at);
  for (let y = 0; y < height; y++) {
    if (y % 256 === 0) progress(y / height);
    for (let x = 0, at = y * width; x < width; x++, at++) {
      if (mask[at] === 0) continue;
      const share = mask[at] === WHOLE ? 1 : shareOf(before, x, y, width, height, from);
      if (share > 0) after[at] = moved(before[at]!, shift, share);
    }
  }
  return { ...raster, data: new Uint8Array(after.buffer) };
}

/** Which pixels are of the colour, and which lie near enough to be a mixture of it. */
function maskOf(
  pixels: Uint32Array,
  width: number,
  height: number,
  from: Rgb,
  part?: { x: number; y: number },
): Uint8Array {
  const mask = new Uint8Array(pixels.length);
  for (let at = 0; at < pixels.length; at++) {
    const pixel = pixels[at]!;
    if (pixel >>> 24 !== 0 && distance(pixel, from) <= OWN) mask[at] = WHOLE;
  }
  if (part) {
    // Only what is connected to that pixel; nothing where the pixel is of another colour.
    if (mask[part.y * width + part.x] === WHOLE) relabelPart(mask, width, height, part, CHOSEN);
    for (let at = 0; at < mask.length; at++) mask[at] = mask[at] === CHOSEN ? WHOLE : 0;
  }
  for (let y = 0; y < height; y++) {
    for (let x = 0, at = y * width; x < width; x++, at++) {
      if (mask[at] !== WHOLE || isInner(mask, at, x, y, width, height)) continue;
      for (let row = Math.max(0, y - REACH); row <= Math.min(height - 1, y + REACH); row++) {
        for (let column = Math.max(0, x - REACH); column <= Math.min(width - 1, x + REACH); column++)
          if (mask[row * width + column] === 0) mask[row * width + column] = MIXED;
      }
    }
  }
  return mask;
}

/** A pixel of the colour with nothing else beside it makes no other a mixture. */
function isInner(mask: Uint8Array, at: number, x: number, y: number, width: number, height: number): boolean {
  return (
    (x === 0 || mask[at - 1] === WHOLE) &&
    (x === width - 1 || mask[at + 1] === WHOLE) &&
    (y === 0 || mask[at - width] === WHOLE) &&
    (y === height - 1 || mask[at + width] === WHOLE)
  );
}

/** The share of the colour in a mixture: its place between the colour and the other end of its edge. */
function shareOf(
  pixels: Uint32Array,
  x: number,
  y: number,
  width: number,
  height: number,
  from: Rgb,
): number {
  const own = pixels[y * width + x]!;
  if (own >>> 24 === 0) return 0;
  const far = distance(own, from);
  let other = far;
  for (let row = Math.max(0, y - REACH); row <= Math.min(height - 1, y + REACH); row++) {
    for (let column = Math.max(0, x - REACH); column <= Math.min(width - 1, x + REACH); column++) {
      const pixel = pixels[row * width + column]!;
      if (pixel >>> 24 !== 0) other = Math.max(other, distance(pixel, from));
    }
  }
  return other > 0 ? 1 - far / other : 0;
}

function distance(pixel: number, [red, green, blue]: Rgb): number {
  return Math.hypot((pixel & 255) - red, ((pixel >>> 8) & 255) - green, ((pixel >>> 16) & 255) - blue);
}

function moved(pixel: number, [red, green, blue]: Rgb, share: number): number {
  const level = (shift: number, by: number) =>
    Math.min(255, Math.max(0, Math.round(((pixel >>> shift) & 255) + by * share)));
  return (((pixel >>> 24) << 24) | (level(16, blue) << 16) | (level(8, green) << 8) | level(0, red)) >>> 0;
}
