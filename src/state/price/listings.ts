import { FIRST_SKU, type Listing } from '@/core/listing/schema';
import type { Shop } from '../shop/shop';
import { commit, type Kept } from '../shop/commit';

/** A listing that nobody has written a word of. */
export function bareListing(fitId: string): Listing {
  return {
    upfit: 'listing/1',
    fitId,
    title: '',
    description: '',
    tags: [],
    attributes: [],
    asking: null,
    sku: FIRST_SKU,
    stock: {},
  };
}

export function listingOf(fitId: string, { listings }: Pick<Shop, 'listings'>): Listing {
  return listings.get(fitId) ?? bareListing(fitId);
}

/** Keeps what changes of some fits' listings, as one act. */
export function changeListings(
  fitIds: readonly string[],
  change: (listing: Listing) => Partial<Listing>,
): Promise<Kept<void>> {
  return commit(['listings', 'fits'], async (store) => {
    for (const fitId of fitIds) {
      if (!(await store.get('fits', fitId))) continue;
      const before = (await store.get('listings', fitId)) ?? bareListing(fitId);
      store.put('listings', { ...before, ...change(before) });
    }
  });
}

/** Keeps what a fit is asked for. */
export async function ask(fitId: string, asking: string | null): Promise<() => Promise<void>> {
  return (await changeListings([fitId], () => ({ asking }))).undo;
}
