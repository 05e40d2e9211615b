'use client';
import { copiesIn, withCopies } from '@/core/fit/copies';
import { fitTitle } from '@/core/fit/version';
import { lineVerdict, orderGrid } from '@/core/pack/lines';
import { currentSummary } from '@/state/bench/dockets';
import { changeFit } from '@/state/bench/open-fit';
import { useShop } from '@/state/shop/shop';
import { Popup } from '@/ui/Popup';
import { CopiesGrid } from '../../shell/CopiesGrid';
import type { Live } from '../live/useLive';

/** How many are ordered of the fit on the bench, in which colours and sizes. */
export function OrderButton({ live }: { live: Live }) {
  const total = (live.fit.copies ?? []).reduce((sum, one) => sum + one.copies, 0);
  return (
    <Popup
      trigger={
        <button className="verb whitespace-nowrap" disabled={live.following}>
          {total === 0 ? 'Order…' : `Order: ${total}`}
        </button>
      }
      align="end"
      className="max-w-[90vw] p-3"
    >
      <Ordered live={live} />
    </Popup>
  );
}

function Ordered({ live: { blank, fit, design } }: { live: Live }) {
  const summary = useShop((shop) => currentSummary(fit, shop));
  const copies = fit.copies ?? [];
  return (
    <>
      <p className="mb-2 font-semibold">What is ordered</p>
      <CopiesGrid
        name={`${fitTitle(design, fit)} on ${blank.blank.name}`}
        grid={orderGrid(blank, fit)}
        copies={(cell) => copiesIn(copies, cell)}
        verdict={summary && ((cell) => lineVerdict(summary, cell))}
        onCopies={(cell, count) => {
          if (count !== copiesIn(copies, cell))
            void changeFit((so) => ({ ...so, copies: withCopies(so.copies ?? [], cell, count) }));
        }}
      />
      <p className="mt-2 text-ink-2">Each number is a line of the pack and of its order.</p>
    </>
  );
}
