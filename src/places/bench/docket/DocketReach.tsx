'use client';
import type { Docket, Outcome } from '@/core/check/docket';
import { failing } from '@/core/check/reach';
import { VerdictShape } from '@/ui/Verdict';
import { Fold } from '@/ui/Fold';

/** On how many of the product's colours and sizes the fit is Ready, and which fail by what. */
export function DocketReach({ docket: { looks, sizes } }: { docket: Pick<Docket, 'looks' | 'sizes'> }) {
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
      </Fold>
    </div>
  );
}

function ready(outcomes: readonly Outcome[]): number {
  return outcomes.filter(({ verdict }) => verdict === 'ready').length;
}
