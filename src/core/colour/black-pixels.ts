import { BLACK_BELOW, isLoneBlack } from './black';
import { labOf } from './lab';
import type { Cmyk } from './palette';

export interface Blacks {
  /** What large blacks are printed with; null where they stay as the profile has them. */
  recipe: Cmyk | null;
  /** Pixels across, up to which a black stroke is printed by black ink alone, so that no other ink can show beside it. */
  thin: number;
}

/** C* up to which a dark colour is black. */
const NEUTRAL = 10;
const [LARGE, THIN] = [1, 2];

/** Puts blacks on the inks they are to be printed with, in place: pixels as `words` gives them, four bytes of ink each. */
export function putBlacks(inks: Uint8Array, pixels: Uint32Array, width: number, blacks: Blacks): void {
  const kinds = blackKinds(pixels, width, blacks.thin);
  if (!kinds) return;
  const rich = blacks.recipe && blacks.recipe.map((ink) => Math.round(ink * 255));
  for (let at = 0; at < kinds.length; at++) {
    if (kinds[at] === THIN) inks.set([0, 0, 0, 255], at * 4);
    else if (kinds[at] === LARGE && rich && isLone(pixels[at]!, inks, at * 4, blacks.recipe!))
      inks.set(rich, at * 4);
  }
}

function isLone(word: number, inks: Uint8Array, at: number, recipe: Cmyk): boolean {
  const own = Array.from(inks.subarray(at, at + 4), (ink) => ink / 255) as unknown as Cmyk;
  return isLoneBlack([word & 255, (word >>> 8) & 255, (word >>> 16) & 255], own, recipe);
}

/** Which pixels are black, and of these which belong to a stroke: the shorter of a pixel's two runs says. Null without any. */
function blackKinds(pixels: Uint32Array, width: number, thin: number): Uint8Array | null {
  const kinds = new Uint8Array(pixels.length);
  const height = pixels.length / width;
  const isBlack = blackAsker();
  const since = new Int32Array(width).fill(-1);
  let any = false;
  for (let row = 0; row < height; row++) {
    let start = -1;
    for (let column = 0; column <= width; column++) {
      const at = row * width + column;
      const black = column < width && isBlack(pixels[at]!);
      if (black) {
        any = true;
        kinds[at] = LARGE;
        if (start < 0) start = column;
        if (since[column]! < 0) since[column] = row;
      } else {
        if (start >= 0 && column - start <= thin) kinds.fill(THIN, row * width + start, at);
        start = -1;
        if (column < width) endColumn(column, row);
      }
    }
  }
  for (let column = 0; column < width; column++) endColumn(column, height);
  return any ? kinds : null;

  function endColumn(column: number, row: number): void {
    const first = since[column]!;
    since[column] = -1;
    if (first < 0 || row - first > thin) return;
    for (let y = first; y < row; y++) kinds[y * width + column] = THIN;
  }
}

/** Tells whether a pixel is black; each colour is reckoned once. */
function blackAsker(): (word: number) => boolean {
  const known = new Map<number, boolean>();
  return (word) => {
    // No channel of a black is near this level: most pixels are told by it alone.
    if ((word & 0xc0c0c0) !== 0) return false;
    const colour = word & 0xffffff;
    let black = known.get(colour);
    if (black === undefined) {
      const [lightness, a, b] = labOf(colour & 255, (colour >>> 8) & 255, colour >>> 16);
      known.set(colour, (black = lightness < BLACK_BELOW && Math.hypot(a, b) < NEUTRAL));
    }
    return black;
  };
}
