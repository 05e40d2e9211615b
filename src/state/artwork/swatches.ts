import { put, remove } from '@/store/database';
import type { SwatchSet } from '@/store/schema';
import { useShop, without, withRecord } from '../shop/shop';

/** Keeps colours by name, for use again. */
export async function saveSwatches(set: SwatchSet): Promise<void> {
  useShop.setState(({ swatches }) => ({ swatches: withRecord(swatches, set.id, set) }));
  await put('swatches', set);
}

/** Takes a set of colours out; gives back what undoes it. */
export async function removeSwatches(set: SwatchSet): Promise<() => Promise<void>> {
  useShop.setState(({ swatches }) => ({ swatches: without(swatches, set.id) }));
  await remove('swatches', set.id);
  return () => saveSwatches(set);
}
