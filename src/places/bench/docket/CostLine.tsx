'use client';
import Link from 'next/link';
import { cents } from '@/core/price/cost';
import { marginOf, sayMoney, sayShare } from '@/core/price/earn';
import { earningOfFit } from '@/state/price/earning';
import { useShop } from '@/state/shop/shop';
import { Popup } from '@/ui/Popup';
import { CostPanel } from './CostPanel';

/** What one piece of the open fit costs and earns, at the head of its docket: what nobody has said is unknown, and never nothing. */
export function CostLine({ fitId }: { fitId: string }) {
  const shop = useShop();
  const fit = shop.fits.get(fitId);
  const found = fit && earningOfFit(fit, shop);
  if (!found) return null;
  const { earning, lines, needs, asking } = found;
  const { currency, cost, profit, unknown } = earning;
  return (
    <p className="flex items-baseline gap-2 border-b border-rule py-1.5 text-sm" aria-label="What it costs">
      {lines.length === 0 ? (
        <>
          <span className="text-ink-2">Cost unknown: no price list has it.</span>
          <Link href="/blanks/prices" className="verb ml-auto">
            Prices
          </Link>
        </>
      ) : (
        <Popup
          align="end"
          className="w-[420px]"
          trigger={
            <button className="group/cost flex w-full items-baseline gap-1.5 whitespace-nowrap text-left">
              <span className="text-ink-2">{needs.quantity > 1 ? `of ${needs.quantity},` : ''} costs</span>
              <span className="measure font-semibold">{sayMoney(cost, currency)}</span>
              {asking === null ? (
                <span className="verb ml-auto">ask a price</span>
              ) : (
                <>
                  <span className="verb ml-auto">
                    {profit ? (profit.lt(0) ? 'loses' : 'earns') : 'earns unknown'}
                  </span>
                  {profit && (
                    <span className={`measure font-semibold ${profit.lt(0) ? 'text-fix' : ''}`}>
                      {cents(profit.abs())} ({sayShare(marginOf(earning))})
                    </span>
                  )}
                </>
              )}
            </button>
          }
        >
          <CostPanel fitId={fitId} />
        </Popup>
      )}
      {lines.length > 0 && unknown.length > 0 && (
        <span className="sr-only">unknown: {unknown.join(', ')}</span>
      )}
    </p>
  );
}
