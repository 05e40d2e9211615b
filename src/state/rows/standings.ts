import { LRUCache } from 'lru-cache';
import { docketKey } from '../bench/dockets';
import { contextOf, useShop } from '../shop/shop';
import { measureRows, type RowFit, type RowStanding } from './made';

/** How rows stood that were measured while the page lives, by what they were measured from: an edit of one leaves the others. */
const known = new LRUCache<string, RowStanding>({ max: 10_000 });

function keyOf({ fit }: RowFit): string | null {
  const shop = useShop.getState();
  const context = contextOf(fit, shop);
  return context && docketKey(fit, context.blank, shop);
}

/** How a row stands, as far as it is measured. */
export function standingOf(row: RowFit): RowStanding | undefined {
  const key = keyOf(row);
  return key === null ? undefined : known.get(key);
}

/** Measures the rows that are not measured yet; `onStanding` hears of each. Ends early where it is stopped. */
export async function measureMissing(
  rows: readonly RowFit[],
  { signal, onStanding }: { signal: AbortSignal; onStanding: (row: number, standing: RowStanding) => void },
): Promise<void> {
  const missing = rows.filter((row) => !standingOf(row));
  await measureRows(missing, {
    signal,
    onStanding: (row, standing) => {
      const key = keyOf(row);
      if (key !== null) known.set(key, standing);
      onStanding(row.row, standing);
    },
  });
}
