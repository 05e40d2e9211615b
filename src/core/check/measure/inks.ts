import { blackRecipe, isLoneBlack, separate } from '../../colour/black';
import { gamutDifference, inksAt, offOfWord, totalInk, type Press } from '../../colour/press';
import type { Cmyk } from '../../colour/palette';
import { levelsOf, sortColours } from '../../raster/colours';
import type { CheckContext } from '../context';
import { CHECK_LIMITS } from '../../limits';
import { placed, type Finding } from '../finding';
import { coloursOf, whereIs, wideAreas } from './picture';

/** A share of the printed area that is off, the most it is off by, and where. */
export interface OffColours {
  share: number;
  area: number;
  largest: number;
  /** Where they are: looked for when asked. */
  where: () => Pick<Finding, 'place' | 'places'>;
  /** The colours themselves, patch by patch. */
  colours: readonly ReadonlySet<number>[];
}

/** dE00 within which the press's shading is not relied on. */
const NEAR = 0.6;

function measureOff(
  context: CheckContext,
  key: string,
  limit: number,
  value: (colour: number, largest: number) => number,
): OffColours {
  const { patches, areas } = coloursOf(context);
  const found = patches.map((counts) => sortColours(counts, key, limit, value));
  const sum = (of: (index: number) => number) => patches.reduce((so, _, index) => so + of(index), 0);
  const all = sum((index) => patches[index]!.total * areas[index]!);
  const area = sum((index) => found[index]!.pixels * areas[index]!);
  const colours = found.map(({ off }) => off);
  return {
    share: all === 0 ? 0 : area / all,
    area,
    colours,
    largest: Math.max(...found.map(({ largest }) => largest)),
    where: () => whereIs(context, colours),
  };
}

const keyOf = ({ name, intent }: Press, ...more: unknown[]) => JSON.stringify([name, intent, ...more]);

/**
 * What of the face the inks cannot print. The press's own shading tells colours that are far from the limit; what is
 * near it, or the largest so far, is reckoned exactly.
 */
export function measureGamut(context: CheckContext, press: Press): OffColours {
  const limit = CHECK_LIMITS.outOfGamut;
  return measureOff(context, keyOf(press, 'gamut'), limit, (colour, so) => {
    const about = offOfWord(press, colour);
    const sure = Math.abs(about - limit) > NEAR && about < so - NEAR;
    return sure ? about : gamutDifference(press, levelsOf(colour));
  });
}

/** What of the face takes more ink than a limit, in percent. */
export function measureInk(context: CheckContext, press: Press, limit: number): OffColours {
  const recipe = hasRecipe(context) ? recipeOf(context) : null;
  return measureOff(context, keyOf(press, 'ink', limit, recipe), limit, (colour) =>
    totalInk(separate(press, levelsOf(colour), recipe)),
  );
}

/** mm from which a black is an area: strokes and lettering that are narrower are best in black ink alone. */
const WIDE = 1;

/** Areas that would be printed with black ink nearly alone, and the inks of them. */
export function measureBlack(
  context: CheckContext,
  press: Press,
): { area: number; where: Pick<Finding, 'place' | 'places'>; inks: Cmyk } {
  const recipe = recipeOf(context);
  const off = measureOff(context, keyOf(press, 'black', recipe), 0.5, (colour) => {
    if (!isDark(colour)) return 0;
    const rgb = levelsOf(colour);
    return isLoneBlack(rgb, inksAt(press, rgb), recipe) ? 1 : 0;
  });
  const { area, places } = wideAreas(context, off.colours, WIDE, CHECK_LIMITS.blackArea);
  return { area, where: placed(places), inks: commonestBlack(context, press, recipe) };
}

/** The inks of the commonest lone black; black ink alone where there is none. */
function commonestBlack(context: CheckContext, press: Press, recipe: Cmyk): Cmyk {
  let [inks, most]: [Cmyk, number] = [[0, 0, 0, 1], 0];
  for (const { colours, counts } of coloursOf(context).patches) {
    colours.forEach((colour, i) => {
      if (counts[i]! <= most || !isDark(colour)) return;
      const rgb = levelsOf(colour);
      const own = inksAt(press, rgb);
      if (isLoneBlack(rgb, own, recipe)) [inks, most] = [own, counts[i]!];
    });
  }
  return inks;
}

/** No channel of a black is over this level. */
const DARKEST = 60;

function isDark(colour: number): boolean {
  return levelsOf(colour).every((level) => level < DARKEST);
}

/** The black recipe that the house, or its ink limit, asks for. */
export function recipeOf({ blank }: CheckContext): Cmyk {
  return blackRecipe(blank.limits.totalInk, blank.spec.black ?? null);
}

/** Whether every piece that prints has its blacks put on the recipe. */
export function hasRecipe({ pieces }: CheckContext): boolean {
  return pieces.every(({ visible, knockout, richBlack }) => !visible || knockout || richBlack === true);
}
