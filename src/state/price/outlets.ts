import { freeIdAmong } from '@/core/pack/names';
import { newOutlet, OUTLETS, type Outlet } from '@/core/price/outlet';
import { changeSettings, keep, takeOut } from '../shop/records';
import { useShop, type Shop } from '../shop/shop';

/** Places to sell: those that come with Up Fit, as they were changed, and the seller's own. */
export function outletsIn({ outlets }: Pick<Shop, 'outlets'>): readonly Outlet[] {
  const shipped = new Set(OUTLETS.map(({ id }) => id));
  return [
    ...OUTLETS.map((outlet) => outlets.get(outlet.id) ?? outlet),
    ...[...outlets.values()].filter(({ id }) => !shipped.has(id)),
  ];
}

/** The place to sell that costs are reckoned for. */
export function outletIn(shop: Pick<Shop, 'outlets' | 'settings'>): Outlet {
  const all = outletsIn(shop);
  return all.find(({ id }) => id === shop.settings.outletId) ?? all[0]!;
}

export function isShippedOutlet(id: string): boolean {
  return OUTLETS.some((one) => one.id === id);
}

/** Keeps what a place to sell takes and allows. */
export async function saveOutlet(outlet: Outlet): Promise<void> {
  await keep('outlets', outlet);
}

/** A place to sell of the seller's own, of which nothing is known yet. */
export async function addOutlet(name: string): Promise<Outlet> {
  const shop = useShop.getState();
  const id = freeIdAmong(name, new Set(outletsIn(shop).map((one) => one.id)));
  const outlet = newOutlet(id, name.trim(), outletIn(shop).currency);
  await saveOutlet(outlet);
  return outlet;
}

/** Takes a place to sell out; one that came with Up Fit is as it came. Gives back what undoes it. */
export function removeOutlet({ id }: Outlet): Promise<() => Promise<void>> {
  return takeOut('outlets', id);
}

/** Chooses what costs are reckoned for. */
export async function reckonFor(change: { outletId?: string; quantity?: number }): Promise<void> {
  await changeSettings(change);
}
