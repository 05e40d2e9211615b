import { MM_PER_INCH } from '../length/units';
import type { PixelSize } from '../artwork/facts';

/** Placed PPI along both axes and the smaller of them: pixels / placed inches. Turning does not change it. */
export function placedPpi(
  pixels: PixelSize,
  piece: { width: number; height: number },
): { x: number; y: number; least: number } {
  const x = (pixels.width * MM_PER_INCH) / piece.width;
  const y = (pixels.height * MM_PER_INCH) / piece.height;
  return { x, y, least: Math.min(x, y) };
}

/** Largest honest size in mm at a PPI: pixels / PPI. */
export function honestSize(pixels: PixelSize, ppi: number): PixelSize {
  return { width: (pixels.width * MM_PER_INCH) / ppi, height: (pixels.height * MM_PER_INCH) / ppi };
}
