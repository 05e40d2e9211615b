import type { StepOf } from '../../artwork/steps';
import { IN_SILENCE, words, type Progress, type Raster } from '../raster';
import { reductionFor, thinStrokes } from '../strokes';
import { boxShrink } from '../shrink';

/**
 * Makes every stroke that is narrower than a limit as wide as it, or every gap: along the middle of each a round of
 * the limit's width is laid in the stroke's own colour, or cut out. What is wide enough stays as it is.
 */
export function thicken(raster: Raster, step: StepOf<'thicken'>, progress: Progress = IN_SILENCE): Raster {
  const { width, height } = raster;
  const limit = step.limit * width;
  const factor = reductionFor(limit);
  const small = factor > 1 ? boxShrink(raster, factor, factor) : raster;
  const before = words(small);
  const pixels = words(raster).slice();
  const radius = limit / 2 + factor / 2;
  for (const { x, y } of thinStrokes(small, limit / factor, progress)[step.what].flat()) {
    const at = Math.floor(y) * small.width + Math.floor(x);
    const colour = step.what === 'strokes' ? (before[at]! | 0xff000000) >>> 0 : 0;
    lay(pixels, width, height, x * factor, y * factor, radius, colour);
  }
  return { width, height, data: new Uint8Array(pixels.buffer), opaque: false };
}

function lay(
  pixels: Uint32Array,
  width: number,
  height: number,
  x: number,
  y: number,
  radius: number,
  colour: number,
): void {
  for (let row = Math.max(0, Math.floor(y - radius)); row < Math.min(height, y + radius); row++) {
    const half = Math.sqrt(Math.max(0, radius * radius - (row + 0.5 - y) ** 2));
    const from = Math.max(0, Math.ceil(x - half - 0.5));
    const to = Math.min(width - 1, Math.floor(x + half - 0.5));
    for (let at = row * width + from; at <= row * width + to; at++) {
      // A solid pixel keeps its own colour.
      if (colour === 0 || pixels[at]! >>> 24 < 255) pixels[at] = colour;
    }
  }
}
