import { useDeferredValue, useMemo } from 'react';
import type { ResolvedBlank } from '@/core/blank/resolve';
import type { Verdict } from '@/core/check/finding';
import type { Design } from '@/core/fit/schema';
import { columnHead, columnsIn, goesByMoney, rowHead, rowsIn, type View } from '@/core/many/view';
import { seenDesigns, useView } from '@/state/many/view';
import { useMoney } from '@/state/price/money';
import { useShop } from '@/state/shop/shop';

export interface Shown {
  view: View;
  columns: readonly ResolvedBlank[];
  /** The designs that are found, in order. */
  found: readonly Design[];
  /** The verdicts of every fit on the columns that are shown; undefined of one that is not measured yet. */
  all: readonly (Verdict | undefined)[];
  heads: { rows: readonly string[]; columns: readonly string[] };
}

/** What of the range is shown, by the view and a search. */
export function useShown(search: string): Shown {
  const shop = useShop();
  const view = useView();
  const columns = useMemo(
    () =>
      columnsIn(
        view,
        shop.settings.columns.flatMap((id) => shop.blanks.get(id) ?? []),
      ),
    [view, shop.settings.columns, shop.blanks],
  );
  const seen = useMemo(
    () => seenDesigns(shop, new Set(columns.map(({ blank }) => blank.id))),
    [shop, columns],
  );
  const all = useMemo(() => seen.flatMap(({ fits }) => fits.map(({ verdict }) => verdict)), [seen]);
  // Drawn bit by bit, so that the next letter never waits for the rows of the one before.
  const wanted = useDeferredValue(search);
  const moneyIn = useMoney(goesByMoney(view));
  const moneyOf = useMemo(() => moneyIn?.(shop), [moneyIn, shop]);
  const rows = useMemo(
    // Until it is reckoned what they earn, no row is left out for that.
    () =>
      moneyOf ? rowsIn(view, seen, wanted, { moneyOf }) : rowsIn({ ...view, money: null }, seen, wanted),
    [view, seen, wanted, moneyOf],
  );
  const found = useDeferredValue(rows);
  const heads = useMemo(
    () => ({
      rows: found.map((one) => rowHead(view, one)),
      columns: columns.map((one) => columnHead(view, one)),
    }),
    [view, found, columns],
  );
  return { view, columns, all, found: useMemo(() => found.map(({ design }) => design), [found]), heads };
}
