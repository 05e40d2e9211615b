import type { StepOf } from '../../artwork/steps';
import { offsetMask } from '../offset';
import { words, type Raster } from '../raster';
import { opaqueWord } from './few';

/** A line of one colour along the inside of everything's edge, so that it stands out on any product. */
export function lineRound(raster: Raster, { colour, width: share }: StepOf<'line'>): Raster {
  const { width, height } = raster;
  const pixels = words(raster).slice();
  const there = new Uint8Array(pixels.length);
  for (let i = 0; i < pixels.length; i++) there[i] = pixels[i]! >>> 31;
  const inner = offsetMask(there, width, height, -Math.max(1, share * width));
  const line = opaqueWord(colour);
  for (let i = 0; i < pixels.length; i++) if (there[i] && !inner[i]) pixels[i] = line;
  return { ...raster, data: new Uint8Array(pixels.buffer) };
}
