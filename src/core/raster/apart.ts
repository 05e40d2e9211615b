/** Sums of differences of the four channels, of 1,020: of one colour at the most, and of two at the least. */
export const ALIKE = 24;
export const DIFFERENT = 90;

/** How far two pixels, as words, are apart: the sum of the differences of their four channels. */
export function apart(a: number, b: number): number {
  return (
    Math.abs((a & 255) - (b & 255)) +
    Math.abs(((a >>> 8) & 255) - ((b >>> 8) & 255)) +
    Math.abs(((a >>> 16) & 255) - ((b >>> 16) & 255)) +
    Math.abs((a >>> 24) - (b >>> 24))
  );
}
