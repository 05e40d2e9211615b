import type { Step } from '@/core/artwork/steps';
import { applySteps } from '@/core/raster/steps/apply';

const finished = new WeakMap<ImageBitmap, Map<string, OffscreenCanvas>>();

/** A picture for the screen with what is done to its pixels for one piece; worked out once. */
export function finishedPicture(picture: ImageBitmap, steps: readonly Step[]): ImageBitmap | OffscreenCanvas {
  if (steps.length === 0) return picture;
  const known = finished.get(picture) ?? new Map<string, OffscreenCanvas>();
  finished.set(picture, known);
  const key = JSON.stringify(steps);
  let canvas = known.get(key);
  if (!canvas) {
    const { width, height } = picture;
    canvas = new OffscreenCanvas(width, height);
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
    known.set(key, canvas);
  }
  return canvas;
}
