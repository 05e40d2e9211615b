import type { HouseSpec } from '@/core/blank/schema';
import { isOpen, type Finding } from '@/core/check/finding';
import type { Fit } from '@/core/fit/schema';
import type { JobOptions } from '@/workers/client';
import { measured } from '../bench/dockets';
import { titleOf } from '../shop/houses';
import { library } from '../shop/library';
import { contextOf, useShop, type Shop } from '../shop/shop';
import { earningOfFit, type FitEarning } from './earning';

/** A house that could print a fit: what one costs there, and how long it takes. */
export interface HouseOffer {
  spec: HouseSpec;
  title: string;
  own: boolean;
  found: FitEarning | null;
  /** Working days; null where nobody has said. */
  days: number | null;
}

/** The houses whose records are for a fit's method, its own first, then those with a price. */
export function housesFor(fit: Fit, shop: Shop): HouseOffer[] {
  const context = contextOf(fit, shop);
  if (!context) return [];
  const { spec: own, method } = context.blank;
  return [...shop.specs.values()]
    .filter(({ methods }) => methods.includes(method.id))
    .map((spec) => {
      const found = earningOfFit(fit, shop, { house: spec.house });
      return {
        spec,
        title: titleOf(spec),
        own: spec.id === own.id,
        found: found && found.lines.length > 0 ? found : null,
        days: spec.days ?? null,
      };
    })
    .sort((a, b) => Number(b.own) - Number(a.own) || Number(b.found !== null) - Number(a.found !== null));
}

/** What of a fit would stand against it at another house, measured by that house's numbers. */
export async function failsAt(fit: Fit, spec: HouseSpec, options: JobOptions): Promise<Finding[]> {
  const shop = useShop.getState();
  const { versions, specs, methods } = shop;
  const settings = { ...shop.settings, houses: { ...shop.settings.houses, [fit.blankId]: spec.id } };
  const there = { ...shop, settings, ...library({ versions, specs, methods }, settings) };
  const docket = await measured(fit, options, there);
  return (docket?.findings ?? []).filter(isOpen);
}
