'use client';
import Link from 'next/link';
import { useState } from 'react';
import * as v from 'valibot';
import { cents } from '@/core/price/cost';
import { askingFor, ENDINGS, marginOf, sayMoney, sayShare, type Ending } from '@/core/price/earn';
import { MoneySchema } from '@/core/price/list';
import { inksCompared } from '@/core/price/series';
import { earningOfFit, type FitEarning } from '@/state/price/earning';
import { outletsIn, reckonFor } from '@/state/price/outlets';
import { useShop } from '@/state/shop/shop';
import { Choice } from '@/ui/Field';
import { Select } from '@/ui/Select';
import { Typed } from '@/ui/Typed';
import { AskingField, keepAsking } from '../../listing/AskingField';
import { HousesCompared } from './HousesCompared';

/** A fit's cost part by part, what is asked for it, and what that leaves; each number can be changed where it stands. */
export function CostPanel({ fitId }: { fitId: string }) {
  const shop = useShop();
  const [inks, setInks] = useState<number | null>(null);
  const [before, setBefore] = useState<number | null>(null);
  const fit = shop.fits.get(fitId);
  const found = fit && earningOfFit(fit, shop, inks === null ? {} : { inks });
  if (!fit || !found) return null;
  const { outlet, needs, screens } = found;
  const outlets = outletsIn(shop);
  return (
    <div className="max-h-[70vh] overflow-auto">
      <Typed
        label="pieces ordered at once"
        value={String(needs.quantity)}
        placeholder="1"
        onSet={(text) => {
          const quantity = Number(text);
          if (!Number.isInteger(quantity) || quantity < 1 || quantity > 1_000_000)
            return 'A whole number from 1.';
          void reckonFor({ quantity });
          return null;
        }}
      />
      {screens && (
        <Typed
          label="inks"
          value={needs.inks === null ? '' : String(needs.inks)}
          placeholder="unknown"
          onSet={(text) => {
            const count = Number(text);
            if (text.trim() !== '' && (!Number.isInteger(count) || count < 0 || count > 24))
              return 'A whole number from 0 to 24.';
            setBefore(needs.inks);
            setInks(text.trim() === '' ? null : count);
            return null;
          }}
        />
      )}
      {screens && before !== null && inks !== null && before !== inks && (
        <InksChanged found={found} before={before} inks={inks} />
      )}
      <Choice
        label="sold at"
        value={outlet.id}
        choices={outlets.map(({ id, name }) => [id, name] as const)}
        onChange={(outletId) => void reckonFor({ outletId })}
      />
      <Asking fitId={fitId} found={found} />
      <Sums found={found} />
      <HousesCompared key={fitId} fit={fit} />
      <p className="flex gap-5 pt-3">
        <Link href={`/earnings?fit=${encodeURIComponent(fitId)}`} className="verb">
          Charts
        </Link>
        <Link href={`/listing?fit=${encodeURIComponent(fitId)}`} className="verb">
          Listing
        </Link>
        <Link href="/blanks/prices" className="verb">
          Prices
        </Link>
        <Link href={`/blanks/prices?outlet=${encodeURIComponent(outlet.id)}`} className="verb">
          What selling costs
        </Link>
      </p>
    </div>
  );
}

/** What another number of inks costs a piece less or more, said as the number is changed. */
function InksChanged({ found, before, inks }: { found: FitEarning; before: number; inks: number }) {
  const { needs, lines, earning } = found;
  const { less } = inksCompared(lines, needs, [Math.max(before, inks), Math.min(before, inks)]);
  return (
    <p role="status" className="py-1 text-right">
      {less === null ? (
        'What the set-up of an ink costs is unknown.'
      ) : (
        <>
          {before} inks to {inks}:{' '}
          <span className="measure font-semibold">
            {less} {lines[0]?.currency ?? earning.currency}
          </span>{' '}
          {before > inks ? 'less' : 'more'} apiece over {needs.quantity}
        </>
      )}
    </p>
  );
}

/** What is asked: typed, or found from what is to be earned. */
function Asking({ fitId, found }: { fitId: string; found: FitEarning }) {
  const { earning, asking, outlet } = found;
  const [wanted, setWanted] = useState('40');
  const [by, setBy] = useState<'margin' | 'profit'>('margin');
  const [ending, setEnding] = useState<Ending>('.95');
  const reads = v.is(MoneySchema, wanted);
  const offered = reads
    ? askingFor(earning, outlet, by === 'margin' ? { margin: wanted } : { profit: wanted }, ending)
    : null;
  return (
    <>
      <AskingField fitId={fitId} asking={asking} currency={earning.currency} />
      <div className="flex flex-wrap items-center gap-2 border-b border-rule py-1.5">
        <span>for a</span>
        <Select
          label="Asked for a"
          value={by}
          choices={[
            ['margin', 'margin in %'],
            ['profit', `profit in ${earning.currency}`],
          ]}
          className="w-28"
          onChange={setBy}
        />
        <input
          aria-label={by === 'margin' ? 'Margin wanted, in percent' : 'Profit wanted'}
          value={wanted}
          aria-invalid={!reads}
          className="measure w-16 bg-tape-pale px-1 text-right text-on-tape aria-[invalid=true]:outline aria-[invalid=true]:outline-2 aria-[invalid=true]:outline-fix"
          onChange={(event) => {
            setWanted(event.target.value);
          }}
        />
        <span>ending</span>
        <Select
          label="Ending of the price"
          value={ending}
          choices={ENDINGS.map((one) => [one, one] as const)}
          className="w-[70px]"
          onChange={setEnding}
        />
        <button
          className="verb ml-auto"
          disabled={!offered}
          onClick={() => {
            keepAsking({ fitId, currency: earning.currency }, cents(offered));
          }}
        >
          {offered ? `Ask ${cents(offered)}` : reads ? 'No price is enough' : 'Ask'}
        </button>
      </div>
    </>
  );
}

/** Every part of what one piece costs and earns; what nobody has said is unknown, and so is what hangs on it. */
function Sums({ found: { earning, outlet, needs, unclear } }: { found: FitEarning }) {
  const { currency, unit, setup, postage, extras, fee, tax, profit, cost, lowest, unknown } = earning;
  const lines = [
    ['made', unit],
    [needs.quantity > 1 ? `set-up, over ${needs.quantity}` : 'set-up', setup],
    ['postage', postage],
    ['packing and advertising', extras],
    ['costs', cost],
    [`fees of ${outlet.name}`, fee],
    ['tax', tax],
    ['earns', profit],
  ] as const;
  return (
    <>
      <table className="mt-2 w-full">
        <caption className="sr-only">What one piece costs and earns</caption>
        <tbody>
          {lines.map(([name, sum]) => (
            <tr key={name} className={name === 'costs' || name === 'earns' ? 'border-t border-ink' : ''}>
              <th
                scope="row"
                className={`py-0.5 text-left ${name === 'costs' || name === 'earns' ? 'font-semibold' : 'font-normal'}`}
              >
                {name}
              </th>
              <td className={`measure py-0.5 text-right ${sum === null ? 'text-ink-2' : ''}`}>
                {sayMoney(sum, currency)}
              </td>
            </tr>
          ))}
          <tr>
            <th scope="row" className="py-0.5 text-left font-normal">
              margin
            </th>
            <td className="measure py-0.5 text-right">{sayShare(marginOf(earning))}</td>
          </tr>
          <tr>
            <th scope="row" className="py-0.5 text-left font-normal">
              lowest without a loss
            </th>
            <td className="measure py-0.5 text-right">{sayMoney(lowest, currency)}</td>
          </tr>
        </tbody>
      </table>
      {unclear && (
        <p className="pt-1 text-look">
          The list prices it by {unclear.by} ({unclear.names.map((name) => name || 'none named').join(', ')}),
          and the fit names none of them: add a line for it.
        </p>
      )}
      {unknown.length > 0 && (
        <p className="pt-1 text-look">
          Nobody has said: {unknown.join(', ')}. What hangs on it is unknown until somebody does.
        </p>
      )}
    </>
  );
}
