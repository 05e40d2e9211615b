import type { Step } from '@/core/artwork/steps';
import { applySteps } from '@/core/raster/steps/apply';
import { memoOf } from '@/core/memo';

const finished = memoOf<ImageBitmap, string, OffscreenCanvas>(4);

/** A picture for the screen with what is done to its pixels for one piece; worked out once. */
export function finishedPicture(picture: ImageBitmap, steps: readonly Step[]): ImageBitmap | OffscreenCanvas {
  if (steps.length === 0) return picture;
  return finished(picture, JSON.stringify(steps), () => {
    const { width, height } = picture;
    const canvas = new OffscreenCanvas(width, height);
    const context = canvas.getContext('2d', { willReadFrequently: true })!;
    context.drawImage(picture, 0, 0);
    const { data } = context.getImageData(0, 0, width, height);
    const raster = { width, height, data: new Uint8Array(data.buffer), opaque: false };
    const done = applySteps(raster, steps);
    const pixels = new Uint8ClampedArray(
      done.data.buffer as ArrayBuffer,
      done.data.byteOffset,
      done.data.byteLength,
    );
    context.putImageData(new ImageData(pixels, width, height), 0, 0);
    return canvas;
  });
}
