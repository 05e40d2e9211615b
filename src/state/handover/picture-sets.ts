import { dequal } from 'dequal';
import { pixelsKey } from '@/core/artwork/steps';
import { digestOf } from '@/core/digest';
import type { Fit } from '@/core/fit/schema';
import type { KeptPictures, PictureSet } from '@/core/mockup/schema';
import { withNamed, without } from '../many/named';
import { changeSettings } from '../shop/records';
import { contextOf, useShop, type Shop } from '../shop/shop';

/** What a set asks for, whatever it is called and was made of. */
export function askedBy({ settingIds, allColours, style }: PictureSet): PictureSet {
  return { settingIds, allColours, style };
}

/** The kept set that asks for the same pictures, if any. */
export function sameSet(sets: readonly KeptPictures[], set: PictureSet): KeptPictures | null {
  return sets.find((one) => dequal(askedBy(one), askedBy(set))) ?? null;
}

/** Keeps a set under a name; gives back what undoes it. Rejects with a sentence where it has no name. */
export function keepPictures(name: string, set: PictureSet): Promise<() => Promise<void>> {
  return changeSettings(({ pictureSets }) => ({
    pictureSets: withNamed(pictureSets, { name, ...askedBy(set), made: [] }),
  }));
}

/** Takes a kept set out; pictures that were made by it stay where they are. */
export function forgetPictures(name: string): Promise<() => Promise<void>> {
  return changeSettings(({ pictureSets }) => ({ pictureSets: without(pictureSets, name) }));
}

/** Notes that a kept set was made of some fits, as they are now. */
export async function noteMade(name: string, fits: readonly Fit[]): Promise<void> {
  const shop = useShop.getState();
  const now = fits.map((fit) => ({ fitId: fit.id, state: stateOf(fit, shop) }));
  await changeSettings(({ pictureSets }) => ({
    pictureSets: pictureSets.map((set) => {
      if (set.name !== name) return set;
      const others = set.made.filter(({ fitId }) => now.every((one) => one.fitId !== fitId));
      return { ...set, made: [...others, ...now] };
    }),
  }));
}

/** Fits that a set was made of and that look otherwise now. What is no longer here is none of them. */
export function outOfDate({ made }: KeptPictures, shop: Shop): Fit[] {
  return made.flatMap(({ fitId, state }) => {
    const fit = shop.fits.get(fitId);
    return fit && contextOf(fit, shop) && stateOf(fit, shop) !== state ? [fit] : [];
  });
}

/** What of a fit its pictures show, in short. */
function stateOf(fit: Fit, shop: Shop): string {
  const context = contextOf(fit, shop);
  const pixels = context?.artworks.map(({ facts, steps }) => pixelsKey(facts.sha256, steps));
  const { faces, colourId, stateId, sizeId } = fit;
  const { blank } = context ?? {};
  return digestOf(
    JSON.stringify([faces, colourId, stateId, sizeId, blank?.blank.version, blank?.spec.id, pixels]),
  );
}
