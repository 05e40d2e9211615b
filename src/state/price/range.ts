import Big from 'big.js';
import { earningsIn } from './earning';
import type { Shop } from '../shop/shop';

/** What one piece of each of some fits earns together, by a design or a blank. */
export interface Earned {
  id: string;
  name: string;
  /** In the currency of the place to sell. */
  profit: Big;
  fits: number;
  /** Of how many of them it is unknown. */
  unknown: number;
}

/** What one piece of every fit earns, by design and by blank, the most first; what is unknown is counted and not nothing. */
export function rangeEarned(shop: Shop): { designs: Earned[]; blanks: Earned[] } {
  const groups = { designs: new Map<string, Earned>(), blanks: new Map<string, Earned>() };
  const add = (to: Map<string, Earned>, id: string, name: string, profit: Big | null) => {
    const before = to.get(id) ?? { id, name, profit: Big(0), fits: 0, unknown: 0 };
    to.set(id, {
      ...before,
      profit: before.profit.plus(profit ?? 0),
      fits: before.fits + 1,
      unknown: before.unknown + (profit === null ? 1 : 0),
    });
  };
  const earningIn = earningsIn(shop);
  for (const fit of shop.fits.values()) {
    const design = shop.designs.get(fit.designId);
    const blank = shop.blanks.get(fit.blankId);
    if (!design || !blank) continue;
    const profit = earningIn(fit)?.earning.profit ?? null;
    add(groups.designs, design.id, design.name, profit);
    add(groups.blanks, fit.blankId, blank.blank.name, profit);
  }
  const sorted = (to: Map<string, Earned>) => [...to.values()].sort((a, b) => b.profit.cmp(a.profit));
  return { designs: sorted(groups.designs), blanks: sorted(groups.blanks) };
}
