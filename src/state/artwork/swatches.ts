import type { SwatchSet } from '@/store/schema';
import { keep, takeOut } from '../shop/records';

/** Keeps colours by name, for use again. */
export async function saveSwatches(set: SwatchSet): Promise<void> {
  await keep('swatches', set);
}

/** Takes a set of colours out; gives back what undoes it. */
export function removeSwatches({ id }: SwatchSet): Promise<() => Promise<void>> {
  return takeOut('swatches', id);
}
