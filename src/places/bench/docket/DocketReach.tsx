'use client';
import type { Docket } from '@/core/check/docket';
import type { Outcome } from '@/core/check/outcome';
import { failing } from '@/core/check/reach';
import { VerdictShape } from '@/ui/Verdict';
import { Fold } from '@/ui/Fold';
import { Checkbox } from '@/ui/Checkbox';
import { changeFit } from '@/state/bench/open-fit';
import type { Live } from '../live/useLive';

/** On how many of the product's colours and sizes the fit is Ready, and which fail by what. */
export function DocketReach({
  docket: { looks, sizes },
  live,
}: {
  docket: Pick<Docket, 'looks' | 'sizes'>;
  live: Live;
}) {
  if (looks.length + sizes.length === 0) return null;
  const said = [
    ...(looks.length > 0 ? [`${ready(looks)} of ${looks.length} colours`] : []),
    ...(sizes.length > 0 ? [`${ready(sizes)} of ${sizes.length} sizes`] : []),
  ];
  return (
    <div data-reach>
      <Fold ruled={false} title={`Ready on ${said.join(', ')}`} className="border-b border-rule py-1 text-sm">
        <ul className="ml-[21px] mt-1">
          {[...failing(looks), ...failing(sizes)].map(({ names, verdict, why }) => (
            <li key={names.join(' ')} className="flex items-baseline gap-1.5">
              <VerdictShape verdict={verdict} size={9} />
              <span>
                <span className="font-semibold">{names.join(', ')}</span>{' '}
                <span className="text-ink-2">{why.join(', ')}</span>
              </span>
            </li>
          ))}
        </ul>
        {sizes.length > 0 && <SoldIn live={live} />}
      </Fold>
    </div>
  );
}

/** The sizes that the fit is sold in: its verdict is the worst of those. */
function SoldIn({ live }: { live: Live }) {
  const { sizes } = live.blank.blank;
  const all = sizes.map(({ id }) => id);
  const sold = live.fit.soldIn && live.fit.soldIn.length > 0 ? live.fit.soldIn : all;
  const change = (id: string, on: boolean) => {
    const kept = all.filter((one) => (one === id ? on : sold.includes(one)));
    // Sold in no size it would be judged by none.
    if (kept.length > 0)
      void changeFit((fit) => ({ ...fit, soldIn: kept.length === all.length ? [] : kept }));
  };
  return (
    <p className="ml-[21px] mt-1 flex flex-wrap items-center gap-x-3 gap-y-1">
      <span>Sold in</span>
      {sizes.map(({ id, name }) => (
        <Checkbox
          key={id}
          checked={sold.includes(id)}
          disabled={live.following || (sold.length === 1 && sold.includes(id))}
          onChange={(on) => {
            change(id, on);
          }}
        >
          {name}
        </Checkbox>
      ))}
    </p>
  );
}

function ready(outcomes: readonly Outcome[]): number {
  return outcomes.filter(({ verdict }) => verdict === 'ready').length;
}
