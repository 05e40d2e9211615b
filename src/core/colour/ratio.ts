import { deltaE00 } from './difference';
import { hexOf, type Rgb } from './hex';
import { labOf, linear, srgbOfXyz, xyzOf } from './lab';

/** Relative luminance of an sRGB colour (WCAG 2.2), 0 to 1. */
export function luminanceOf([red, green, blue]: Rgb): number {
  return 0.2126 * linear(red) + 0.7152 * linear(green) + 0.0722 * linear(blue);
}

/** Contrast ratio of two luminances (WCAG 2.2, 1.4.3), 1 to 21. */
export function contrastRatio(a: number, b: number): number {
  return (Math.max(a, b) + 0.05) / (Math.min(a, b) + 0.05);
}

/** The colour nearest to one that has a ratio against every one of several luminances; null where none has. */
export function nearestThatReads(colour: Rgb, behind: readonly number[], ratio: number): string | null {
  const own = labOf(...colour);
  let best: { hex: string; far: number } | null = null;
  for (let lightness = 0; lightness <= 100; lightness++) {
    // Towards black and white there is no room for the colour's own strength.
    const room = Math.min(1, Math.min(lightness, 100 - lightness) / 20);
    const [x, y, z] = xyzOf([lightness, own[1] * room, own[2] * room]);
    const levels = srgbOfXyz(x, y, z).map((value) => Math.round(value * 255)) as unknown as Rgb;
    const luminance = luminanceOf(levels);
    if (!behind.every((other) => contrastRatio(luminance, other) >= ratio)) continue;
    const far = deltaE00(own, labOf(...levels));
    if (!best || far < best.far) best = { hex: hexOf(levels), far };
  }
  return best?.hex ?? null;
}
