import { aspectsOf } from '@/core/blank/kinds';
import type { ResolvedBlank } from '@/core/blank/resolve';
import { carryOver } from '@/core/fit/resize-garment';
import type { Fit } from '@/core/fit/schema';
import { resolveHere } from './library';
import { useShop } from './shop';

/** Whether a fit was made on an older version of its blank than there is now. */
export function isBehind(fit: Fit, shop = useShop.getState()): boolean {
  return (shop.blanks.get(fit.blankId)?.blank.version ?? 0) > fit.blankVersion;
}

/** A fit carried over to the newest version of its blank: pieces keep their size, and their place from the middle. */
export function onNewest(fit: Fit, before: ResolvedBlank): Fit {
  const { blanks, specs, methods, settings } = useShop.getState();
  const newest = blanks.get(fit.blankId)?.blank;
  if (!newest) return fit;
  const { faces } = resolveHere(newest, { specs, methods }, settings.houses, fit.sizeId);
  return {
    ...fit,
    blankVersion: newest.version,
    faces: carryOver(fit.faces, before.faces, faces, aspectsOf(before.blank.body).sewn !== null),
  };
}
