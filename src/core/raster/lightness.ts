import { words, type Raster } from './raster';

/** Lightness of a pixel by its index, 0 to 255; what is clear lies on whichever of black and white the picture is not. */
export function lightnessOf(raster: Raster): (index: number) => number {
  const pixels = words(raster);
  const luma = (word: number) =>
    (54 * (word & 255) + 183 * ((word >>> 8) & 255) + 19 * ((word >>> 16) & 255)) / 256;
  if (raster.opaque) return (index) => luma(pixels[index]!);
  let sum = 0;
  let weight = 0;
  const step = Math.max(1, Math.floor(pixels.length / 20_000));
  for (let i = 0; i < pixels.length; i += step) {
    const alpha = pixels[i]! >>> 24;
    sum += alpha * luma(pixels[i]!);
    weight += alpha;
  }
  const under = weight > 0 && sum / weight > 127 ? 0 : 255;
  return (index) => {
    const word = pixels[index]!;
    const alpha = (word >>> 24) / 255;
    return alpha * luma(word) + (1 - alpha) * under;
  };
}
