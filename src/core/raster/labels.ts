import { signedWords, type Raster } from './raster';

/**
 * What each pixel is of: `label`, with `share` of 255 of it, and of `other` with the rest. An edge between two runs
 * through a pixel of both, so that sums of shares along a line are lengths to a part of a pixel.
 */
export interface Labelled {
  width: number;
  height: number;
  label: Uint8Array;
  /** Null where there are two labels, so that it is the one that `label` is not. */
  other: Uint8Array | null;
  share: Uint8Array;
}

/** Labels of a picture's alpha: where something lies, and where nothing does. */
export const [NOTHING, SOMETHING] = [0, 1];

/** A picture as something and nothing, by its alpha. */
export function labelAlpha(raster: Raster): Labelled {
  const { width, height } = raster;
  const pixels = signedWords(raster);
  const label = new Uint8Array(pixels.length).fill(SOMETHING);
  const share = new Uint8Array(pixels.length).fill(255);
  for (let at = 0; at < pixels.length; at++) {
    const alpha = pixels[at]! >>> 24;
    if (alpha === 255) continue;
    if (alpha < 128) label[at] = NOTHING;
    share[at] = alpha < 128 ? 255 - alpha : alpha;
  }
  return { width, height, label, other: null, share };
}
