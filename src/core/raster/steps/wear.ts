import type { StepOf } from '../../artwork/steps';
import { labOf } from '../../colour/lab';
import { IN_SILENCE, words, type Progress, type Raster } from '../raster';

/** L* at which everything, or nothing, would be worn away. */
const WHOLE = 100;
/** How rough the edge of a hole is against a grain's size. */
const FINE = 4;

/**
 * Wears a print: its dark or its light parts become holes, or grains spread over it, the more the stronger. What is worn is
 * wholly clear, so that cloth shows and no pixel is half there.
 */
export function wear(raster: Raster, step: StepOf<'wear'>, progress: Progress = IN_SILENCE): Raster {
  const { width, height } = raster;
  const pixels = words(raster).slice();
  const isWorn = step.part === 'grain' ? grains(step.strength, step.grain * width) : tones(step);
  for (let y = 0, i = 0; y < height; y++) {
    if (y % 256 === 0) progress(y / height);
    for (let x = 0; x < width; x++, i++) if (pixels[i]! >>> 24 > 0 && isWorn(pixels[i]!, x, y)) pixels[i] = 0;
  }
  return { width, height, data: new Uint8Array(pixels.buffer), opaque: false };
}

type IsWorn = (pixel: number, x: number, y: number) => boolean;

function tones({ part, strength }: StepOf<'wear'>): IsWorn {
  const known = new Map<number, number>();
  const lightness = (pixel: number) => {
    const key = pixel & 0xffffff;
    let found = known.get(key);
    if (found === undefined) known.set(key, (found = labOf(key & 255, (key >>> 8) & 255, key >>> 16)[0]));
    return found;
  };
  return part === 'dark'
    ? (pixel) => lightness(pixel) < strength * WHOLE
    : (pixel) => lightness(pixel) > (1 - strength) * WHOLE;
}

/** Holes of a grain's size that cover so much of the whole: two layers of smooth noise, the finer one at their edges. */
function grains(strength: number, size: number): IsWorn {
  const coarse = Math.max(2, size);
  const fine = Math.max(1, coarse / FINE);
  return (_pixel, x, y) => {
    const value = 0.75 * noise(x / coarse, y / coarse) + 0.25 * noise(x / fine + 71, y / fine + 13);
    return evened(value) < strength;
  };
}

/** Noise gathers round its middle: by this every share of it covers about that share of the area. */
function evened(value: number): number {
  const from = (value - 0.5) * 2.6;
  return 0.5 + from / (2 * Math.sqrt(0.25 + from * from)) / 1.05;
}

/** Smooth noise, 0 to 1, the same at the same place always. */
function noise(x: number, y: number): number {
  const [x0, y0] = [Math.floor(x), Math.floor(y)];
  const [u, v] = [smooth(x - x0), smooth(y - y0)];
  const top = dice(x0, y0) * (1 - u) + dice(x0 + 1, y0) * u;
  const bottom = dice(x0, y0 + 1) * (1 - u) + dice(x0 + 1, y0 + 1) * u;
  return top * (1 - v) + bottom * v;
}

const smooth = (t: number) => t * t * (3 - 2 * t);

function dice(x: number, y: number): number {
  let n = (Math.imul(x, 374_761_393) + Math.imul(y, 668_265_263)) | 0;
  n = Math.imul(n ^ (n >>> 13), 1_274_126_177);
  return ((n ^ (n >>> 16)) >>> 0) / 4_294_967_295;
}
