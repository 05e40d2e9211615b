'use client';
import { ChevronDown } from 'lucide-react';
import Link from 'next/link';
import { fitTitle } from '@/core/fit/version';
import { earningsIn } from '@/state/price/earning';
import { outletIn, outletsIn, reckonFor } from '@/state/price/outlets';
import { contextOf, useShop } from '@/state/shop/shop';
import { SearchMenu } from '@/ui/SearchMenu';
import { Select } from '@/ui/Select';
import { useTitle } from '@/ui/useTitle';
import { useAsked } from '../shell/useAsked';
import { FitCharts } from './FitCharts';
import { RangeCharts } from './RangeCharts';

/** What a fit costs and earns as charts, and what the whole range earns. */
export function EarningsPlace() {
  useTitle('What it earns');
  const shop = useShop();
  const [askedId, setFit] = useAsked('fit');
  const earningIn = earningsIn(shop);
  const priced = [...shop.fits.values()].flatMap((fit) => {
    const context = contextOf(fit, shop);
    const found = context && earningIn(fit);
    if (!found || (found.lines.length === 0 && fit.id !== askedId)) return [];
    return [
      { id: fit.id, fit, found, name: `${fitTitle(context.design, fit)} on ${context.blank.blank.name}` },
    ];
  });
  const chosen = priced.find(({ id }) => id === askedId) ?? priced[0];
  const outlet = outletIn(shop);
  return (
    <>
      <div className="flex h-[46px] shrink-0 items-center gap-5 border-b border-rule bg-frame px-4">
        <h1 className="text-lg font-bold">What it earns</h1>
        {chosen && (
          <SearchMenu
            label="Design, blank"
            groups={[
              {
                heading: 'Fits that are priced',
                items: priced.map(({ id, name }) => ({
                  id,
                  name,
                  run: () => {
                    setFit(id);
                  },
                })),
              },
            ]}
            trigger={
              <button
                aria-label={`Fit: ${chosen.name}. Another`}
                className="flex w-80 items-center justify-between gap-2 border border-rule bg-docket px-2 py-0.5 text-left"
              >
                <span className="truncate">{chosen.name}</span>
                <ChevronDown aria-hidden size={14} className="shrink-0 text-ink-2" />
              </button>
            }
          />
        )}
        <span className="ml-auto flex items-center gap-4">
          <span className="text-sm text-ink-2">sold at</span>
          <Select
            label="Sold at"
            value={outlet.id}
            choices={outletsIn(shop).map(({ id, name }) => [id, name] as const)}
            className="w-48"
            onChange={(outletId) => void reckonFor({ outletId })}
          />
          <Link href="/blanks/prices" className="verb">
            Prices
          </Link>
          {chosen && (
            <Link href={`/bench/${encodeURIComponent(chosen.id)}`} className="verb whitespace-nowrap">
              To the bench
            </Link>
          )}
        </span>
      </div>
      {chosen ? (
        <div className="relative grid min-h-0 grow auto-rows-min grid-cols-2 gap-3 overflow-auto p-3">
          <FitCharts key={chosen.id} name={chosen.name} found={chosen.found} />
          <RangeCharts />
        </div>
      ) : (
        <p className="mx-auto max-w-[60ch] px-4 pt-40 text-center text-ink-2">
          No fit is priced yet.{' '}
          <Link href="/blanks/prices" className="verb">
            Say what a house asks
          </Link>{' '}
          and what selling costs, and what each fit earns is drawn here.
        </p>
      )}
    </>
  );
}
