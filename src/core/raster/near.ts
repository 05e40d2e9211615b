import { deltaE00 } from '../colour/difference';
import type { Rgb } from '../colour/hex';
import { labOf } from '../colour/lab';
import { levelsOf } from './colours';

/** Levels of a channel by which two colours may differ at most for a difference of 1 dE00 to be possible. */
const LEVELS_A_DE = 14;

/** Tells whether a colour, a word's lower three bytes, lies within a difference (dE00) of one colour; each is asked once. */
export function nearColours(colour: Rgb, within: number): (word: number) => boolean {
  const lab = labOf(...colour);
  const most = Math.max(24, within * LEVELS_A_DE);
  const known = new Map<number, boolean>();
  return (word) => {
    const [red, green, blue] = levelsOf(word);
    if (
      Math.abs(red - colour[0]) > most ||
      Math.abs(green - colour[1]) > most ||
      Math.abs(blue - colour[2]) > most
    )
      return false;
    let near = known.get(word);
    if (near === undefined) known.set(word, (near = deltaE00(labOf(red, green, blue), lab) < within));
    return near;
  };
}
