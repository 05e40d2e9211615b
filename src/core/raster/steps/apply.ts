import { lieOf, type Step } from '../../artwork/steps';
import { IN_SILENCE, type Progress, type Raster } from '../raster';
import { layRaster } from '../turn';
import { clearBackground } from './clear';
import { hardEdge } from './edge';
import { fewInks } from './few';
import { knockColour } from './knock';
import { lineRound } from './line';
import { recolour } from './recolour';
import { thicken } from './thicken';
import { tidy } from './tidy';
import { wear } from './wear';

/** The pixels of a file after its steps, in order. The pixels that were handed in stay as they are. */
export function applySteps(raster: Raster, steps: readonly Step[], progress: Progress = IN_SILENCE): Raster {
  return steps.reduce((picture, step, index) => {
    const own: Progress = (share) => {
      progress((index + share) / steps.length);
    };
    own(0);
    return applyStep(picture, step, own);
  }, raster);
}

function applyStep(raster: Raster, step: Step, progress: Progress): Raster {
  switch (step.kind) {
    // What a file is opened with is no work on its pixels.
    case 'page':
    case 'omit':
    case 'outline':
      return raster;
    case 'crop':
      return cropRaster(raster, step);
    case 'turn':
    case 'flip':
      return layRaster(raster, lieOf(step));
    case 'clear':
      return clearBackground(raster, step, progress);
    case 'recolour':
      return recolour(raster, step, progress);
    case 'inks':
      return fewInks(raster, step, progress);
    case 'line':
      return lineRound(raster, step);
    case 'wear':
      return wear(raster, step, progress);
    case 'tidy':
      return tidy(raster, step);
    case 'edge':
      return hardEdge(raster, step);
    case 'thicken':
      return thicken(raster, step, progress);
    case 'knock':
      return knockColour(raster, step, progress);
  }
}

/** Cut to a part given in shares, to the nearest whole pixels, one at least. */
function cropRaster(raster: Raster, share: { x: number; y: number; width: number; height: number }): Raster {
  const [left, right] = ends(share.x, share.width, raster.width);
  const [top, bottom] = ends(share.y, share.height, raster.height);
  const width = right - left;
  const data = new Uint8Array(width * (bottom - top) * 4);
  for (let y = top; y < bottom; y++) {
    const from = (y * raster.width + left) * 4;
    data.set(raster.data.subarray(from, from + width * 4), (y - top) * width * 4);
  }
  return { width, height: bottom - top, data, opaque: raster.opaque };
}

function ends(start: number, length: number, size: number): [from: number, to: number] {
  const from = Math.min(size - 1, Math.round(start * size));
  return [from, Math.max(from + 1, Math.min(size, Math.round((start + length) * size)))];
}
