import { deltaE00 } from '../colour/difference';
import type { Rgb } from '../colour/hex';
import { labOf } from '../colour/lab';

/** Levels of a channel by which two colours may differ at most for a difference of 1 dE00 to be possible. */
const LEVELS_A_DE = 14;

/** Tells whether a colour, a word's lower three bytes, lies within a difference (dE00) of one colour; each is asked once. */
export function nearColours(colour: Rgb, within: number): (word: number) => boolean {
  const lab = labOf(...colour);
  const most = Math.max(24, within * LEVELS_A_DE);
  const known = new Map<number, boolean>();
  const [ownRed, ownGreen, ownBlue] = colour;
  return (word) => {
    // Asked for every colour of a picture: taken apart here, since an array for each costs more than all the rest.
    const red = word & 255;
    if (red - ownRed > most || ownRed - red > most) return false;
    const green = (word >>> 8) & 255;
    if (green - ownGreen > most || ownGreen - green > most) return false;
    const blue = (word >>> 16) & 255;
    if (blue - ownBlue > most || ownBlue - blue > most) return false;
    let near = known.get(word);
    if (near === undefined) known.set(word, (near = deltaE00(labOf(red, green, blue), lab) < within));
    return near;
  };
}
