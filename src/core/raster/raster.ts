/** Pixels as RGBA, 8 bits, not premultiplied, sRGB, row by row from the top. */
export interface Raster {
  width: number;
  height: number;
  data: Uint8Array;
  /** True where every pixel is opaque, so that alpha need not be read. */
  opaque: boolean;
}

/** Asked between rows of long work: throws to stop it. `share` is 0 to 1. */
export type Progress = (share: number) => void;

export const IN_SILENCE: Progress = () => undefined;

/** The same pixels, four bytes at a time: red in the low byte, alpha in the high one. */
export function words(raster: { data: Uint8Array }): Uint32Array {
  const { buffer, byteOffset, byteLength } = raster.data;
  return new Uint32Array(buffer, byteOffset, byteLength / 4);
}

/**
 * The same as signed numbers: those of opaque pixels are small ones to the machine, and loops over them twice as fast.
 * What is there at all is negative.
 */
export function signedWords(raster: { data: Uint8Array }): Int32Array {
  const { buffer, byteOffset, length } = words(raster);
  return new Int32Array(buffer, byteOffset, length);
}

/** Whether no pixel lets anything through. */
export function isOpaque(data: Uint8Array): boolean {
  for (let at = 3; at < data.length; at += 4) if (data[at] !== 255) return false;
  return true;
}
