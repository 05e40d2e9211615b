import { labOf } from './lab';
import { inksAt, totalInk, type Press } from './press';
import type { Rgb } from './hex';
import type { Cmyk } from './palette';

/** Rich black of a house that names none, in shares of an ink. */
const USUAL: Cmyk = [0.6, 0.5, 0.5, 1];

/** L* under which a colour is black. */
export const BLACK_BELOW = 12;
/** K from which black is printed by it alone. */
const KEY = 0.85;

/** The house's black recipe, or the usual one, its colours lessened in proportion where the ink limit (percent) asks. */
export function blackRecipe(limit: number | null, own: Cmyk | null): Cmyk {
  if (own) return own;
  const room = limit === null ? Infinity : (limit / 100 - USUAL[3]) / (USUAL[0] + USUAL[1] + USUAL[2]);
  const share = Math.min(1, Math.max(0, room));
  const whole = (ink: number) => Math.floor(ink * share * 100 + 1e-6) / 100;
  return [whole(USUAL[0]), whole(USUAL[1]), whole(USUAL[2]), USUAL[3]];
}

/**
 * Whether a colour would be printed as black by black ink nearly alone, which comes out grey over an area: L* under
 * 12, K at 85 % or more, and less than half the recipe's other inks.
 */
export function isLoneBlack(rgb: Rgb, inks: Cmyk, recipe: Cmyk): boolean {
  const [c, m, y, k] = inks;
  return k >= KEY && c + m + y < (recipe[0] + recipe[1] + recipe[2]) / 2 && labOf(...rgb)[0] < BLACK_BELOW;
}

/** The inks of a colour, its lone blacks on the recipe where they are to be. */
export function separate(press: Press, rgb: Rgb, recipe: Cmyk | null): Cmyk {
  const inks = inksAt(press, rgb);
  return recipe && isLoneBlack(rgb, inks, recipe) ? recipe : inks;
}

/** Inks as they are written: 60/50/50/100, and their sum. */
export function sayInks(inks: Cmyk): string {
  const percents = inks.map((ink) => Math.round(ink * 100)).join('/');
  return `${percents}, ${Math.round(totalInk(inks))} % in all`;
}
