import { IN_SILENCE, signedWords, type Progress, type Raster } from './raster';

/** A pixel on the boundary between artwork and product. */
export type OnEdge = (x: number, y: number, colour: number) => void;

/**
 * Every printed pixel (alpha 128 and more, which is a word's highest bit) that has a clear one beside it. Its colour is
 * taken a pixel further in, where an anti-aliased edge is whole. The picture's own edge is no boundary.
 */
export function walkBoundary(raster: Raster, told: OnEdge, progress: Progress = IN_SILENCE): void {
  if (raster.opaque) return;
  const { width, height } = raster;
  // What is printed is negative.
  const pixels = signedWords(raster);
  for (let y = 0; y < height; y++) {
    if (y % 256 === 0) progress(y / height);
    const above = y > 0 ? width : 0;
    const below = y < height - 1 ? width : 0;
    for (let x = 0, at = y * width; x < width; x++, at++) {
      const own = pixels[at]!;
      if (own >= 0) continue;
      const west = x > 0 ? 1 : 0;
      const east = x < width - 1 ? 1 : 0;
      const l = pixels[at - west]!;
      const r = pixels[at + east]!;
      const u = pixels[at - above]!;
      const d = pixels[at + below]!;
      if ((l & r & u & d) < 0) continue;
      const inner = l >= 0 ? r : r >= 0 ? l : u >= 0 ? d : u;
      told(x, y, (inner < 0 ? inner : own) & 0xffffff);
    }
  }
}
