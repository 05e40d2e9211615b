import type { StepOf } from '../../artwork/steps';
import { rgbOf } from '../../colour/hex';
import { IN_SILENCE, words, type Progress, type Raster } from '../raster';
import { nearColours } from '../near';

/** Makes every pixel of a colour clear, so that the product, which has that colour, shows through; or every other one. */
export function knockColour(raster: Raster, step: StepOf<'knock'>, progress: Progress = IN_SILENCE): Raster {
  const pixels = words(raster).slice();
  const isNear = nearColours(rgbOf(step.colour), step.within);
  for (let at = 0; at < pixels.length; at++) {
    if (at % 1_000_000 === 0) progress(at / pixels.length);
    if (pixels[at]! >>> 24 > 0 && isNear(pixels[at]! & 0xffffff) !== (step.others === true)) pixels[at] = 0;
  }
  return { ...raster, data: new Uint8Array(pixels.buffer), opaque: false };
}
