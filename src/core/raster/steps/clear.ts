import type { StepOf } from '../../artwork/steps';
import { rgbOf } from '../../colour/hex';
import { IN_SILENCE, words, type Progress, type Raster } from '../raster';

const CLEARED = 1;
const ALIKE = 2;
/** Pixels next to the cleared ones, up to this far, may be part background. */
const FRINGE = 2;
/** Where the motif's own colour is looked for, from a fringe pixel. */
const REACH = 4;

/**
 * Makes a flat background clear. Pixels alike to its colour that are reached from the picture's edge go; so do those
 * shut in by the motif, where asked. Along the new edge a pixel is taken for a mixture of the motif's colour nearby
 * and the background's: it keeps the motif's colour and as much alpha as its share, so that no fringe is left.
 */
export function clearBackground(
  raster: Raster,
  step: StepOf<'clear'>,
  progress: Progress = IN_SILENCE,
): Raster {
  const { width, height } = raster;
  const pixels = words(raster).slice();
  const mask = alikeMask(pixels, rgbOf(step.colour), step.tolerance);
  progress(0.3);
  if (step.islands === 'clear') for (let i = 0; i < mask.length; i++) mask[i] = mask[i] === 0 ? 0 : CLEARED;
  else floodFromEdge(mask, width, height);
  progress(0.6);
  clean(pixels, mask, width, height, rgbOf(step.colour));
  return { width, height, data: new Uint8Array(pixels.buffer), opaque: false };
}

/** Tolerance counts levels of 255, as a percentage, of the farthest channel. Clear pixels are background too. */
function alikeMask(
  pixels: Uint32Array,
  [red, green, blue]: readonly [number, number, number],
  tolerance: number,
): Uint8Array {
  const most = (tolerance / 100) * 255;
  const mask = new Uint8Array(pixels.length);
  for (let i = 0; i < pixels.length; i++) {
    const pixel = pixels[i]!;
    const alike =
      Math.abs((pixel & 255) - red) <= most &&
      Math.abs(((pixel >>> 8) & 255) - green) <= most &&
      Math.abs(((pixel >>> 16) & 255) - blue) <= most;
    if (alike || pixel >>> 24 === 0) mask[i] = ALIKE;
  }
  return mask;
}

/** Marks what is alike and reached from the edge, a run of a row at a time. */
function floodFromEdge(mask: Uint8Array, width: number, height: number): void {
  const waiting: number[] = [];
  const reach = (at: number) => {
    if (mask[at] === ALIKE) waiting.push(at);
  };
  for (let x = 0; x < width; x++) {
    reach(x);
    reach((height - 1) * width + x);
  }
  for (let y = 0; y < height; y++) {
    reach(y * width);
    reach(y * width + width - 1);
  }
  for (let at = waiting.pop(); at !== undefined; at = waiting.pop()) {
    if (mask[at] !== ALIKE) continue;
    const row = at - (at % width);
    let start = at;
    let end = at;
    while (start > row && mask[start - 1] === ALIKE) start--;
    while (end < row + width && mask[end] === ALIKE) end++;
    mask.fill(CLEARED, start, end);
    for (const other of [row - width, row + width]) {
      if (other < 0 || other >= mask.length) continue;
      for (let x = start - row; x < end - row; x++) {
        if (mask[other + x] === ALIKE && (x === start - row || mask[other + x - 1] !== ALIKE))
          waiting.push(other + x);
      }
    }
  }
}

function clean(
  pixels: Uint32Array,
  mask: Uint8Array,
  width: number,
  height: number,
  background: readonly [number, number, number],
): void {
  const before = pixels.slice();
  for (let y = 0, at = 0; y < height; y++) {
    for (let x = 0; x < width; x++, at++) {
      if (mask[at] === CLEARED) pixels[at] = 0;
      else if (isBy(mask, x, y, width, height))
        pixels[at] = unmixed(before, mask, x, y, width, height, background);
    }
  }
}

/** Whether a pixel lies within the fringe of what was cleared. */
function isBy(mask: Uint8Array, x: number, y: number, width: number, height: number): boolean {
  const left = Math.max(0, x - FRINGE);
  const right = Math.min(width - 1, x + FRINGE);
  const bottom = Math.min(height - 1, y + FRINGE);
  for (let row = Math.max(0, y - FRINGE); row <= bottom; row++) {
    for (let at = row * width + left; at <= row * width + right; at++) if (mask[at] === CLEARED) return true;
  }
  return false;
}

/**
 * A fringe pixel as the motif's colour with its share as alpha: p = share * motif + (1 - share) * background, the
 * motif's colour being that of the pixel nearby which is furthest from the background.
 */
function unmixed(
  pixels: Uint32Array,
  mask: Uint8Array,
  x: number,
  y: number,
  width: number,
  height: number,
  [red, green, blue]: readonly [number, number, number],
): number {
  const own = pixels[y * width + x]!;
  const away = (pixel: number) =>
    ((pixel & 255) - red) ** 2 + (((pixel >>> 8) & 255) - green) ** 2 + (((pixel >>> 16) & 255) - blue) ** 2;
  let motif = own;
  let most = away(own);
  for (let row = Math.max(0, y - REACH); row <= Math.min(height - 1, y + REACH); row++) {
    for (let column = Math.max(0, x - REACH); column <= Math.min(width - 1, x + REACH); column++) {
      const at = row * width + column;
      if (mask[at] === CLEARED) continue;
      const far = away(pixels[at]!);
      if (far > most) [motif, most] = [pixels[at]!, far];
    }
  }
  if (most === 0) return own;
  const along =
    ((own & 255) - red) * ((motif & 255) - red) +
    (((own >>> 8) & 255) - green) * (((motif >>> 8) & 255) - green) +
    (((own >>> 16) & 255) - blue) * (((motif >>> 16) & 255) - blue);
  const part = Math.min(1, Math.max(0, along / most));
  const alpha = Math.round((own >>> 24) * part);
  return ((alpha << 24) | (motif & 0xffffff)) >>> 0;
}
