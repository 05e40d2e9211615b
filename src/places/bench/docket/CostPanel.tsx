'use client';
import Link from 'next/link';
import { useState } from 'react';
import * as v from 'valibot';
import { cents } from '@/core/price/cost';
import { askingFor, ENDINGS, marginOf, sayMoney, sayShare, type Ending } from '@/core/price/earn';
import { MoneySchema } from '@/core/price/list';
import { inksCompared } from '@/core/price/series';
import type { Fit } from '@/core/fit/schema';
import { earningOfFit, type FitEarning } from '@/state/price/earning';
import { ask } from '@/state/price/listings';
import { outletsIn, reckonFor } from '@/state/price/prices';
import { useShop } from '@/state/shop/shop';
import { Choice } from '@/ui/Field';
import { tellDone } from '@/ui/tell';
import { Typed } from '@/ui/Typed';
import { HousesCompared } from './HousesCompared';

/** A fit's cost part by part, what is asked for it, and what that leaves; each number can be changed where it stands. */
export function CostPanel({ fitId }: { fitId: string }) {
  const shop = useShop();
  const [inks, setInks] = useState<number | null>(null);
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
            setInks(text.trim() === '' ? null : count);
            return null;
          }}
        />
      )}
      {screens && <FewerInks fit={fit} found={found} inks={inks} />}
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

/** What other numbers of inks would cost a piece, said while the number is changed. */
function FewerInks({ fit, found, inks }: { fit: Fit; found: FitEarning; inks: number | null }) {
  const shop = useShop();
  const { needs, lines, earning } = found;
  const own = earningOfFit(fit, shop)?.needs.inks ?? null;
  if (inks === null || own === null || own === inks) return null;
  const [more, fewer] = own > inks ? [own, inks] : [inks, own];
  const { less } = inksCompared(lines, needs, [more, fewer]);
  return (
    <p role="status" className="py-1 text-right">
      {less === null ? (
        'What the set-up of an ink costs is unknown.'
      ) : (
        <>
          {own} inks to {inks}:{' '}
          <span className="measure font-semibold">
            {less} {earning.currency}
          </span>{' '}
          {own > inks ? 'less' : 'more'} apiece over {needs.quantity}
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
  const keep = (sum: string | null) =>
    void ask(fitId, sum).then((undo) => {
      tellDone(sum === null ? 'Nothing is asked for it now.' : `Asked: ${sum} ${earning.currency}.`, undo);
    });
  return (
    <>
      <Typed
        label={`asked, in ${earning.currency}`}
        value={asking ?? ''}
        placeholder="14.50"
        onSet={(text) => {
          const sum = text.trim();
          const reads: boolean = sum === '' || v.is(MoneySchema, sum);
          if (!reads)
            return sum.startsWith('-')
              ? 'A price is not below zero.'
              : `Write a number with a point, as ${sum.includes(',') ? sum.replace(',', '.') : '14.50'}.`;
          keep(sum === '' ? null : sum);
          return null;
        }}
      />
      <div className="flex flex-wrap items-center gap-2 border-b border-rule py-1.5">
        <span>for a</span>
        <Choice
          label=""
          value={by}
          choices={[
            ['margin', 'margin in %'],
            ['profit', `profit in ${earning.currency}`],
          ]}
          className="w-32"
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
        <Choice
          label="ending"
          value={ending}
          choices={ENDINGS.map((one) => [one, one] as const)}
          className="w-20"
          onChange={setEnding}
        />
        <button
          className="verb ml-auto"
          disabled={!offered}
          onClick={() => {
            keep(cents(offered));
          }}
        >
          {offered ? `Ask ${cents(offered)}` : reads ? 'No price is enough' : 'Ask'}
        </button>
      </div>
    </>
  );
}

/** Every part of what one piece costs and earns; what nobody has said is unknown, and so is what hangs on it. */
function Sums({ found: { earning, outlet, needs } }: { found: FitEarning }) {
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
            <tr
              key={name}
              className={name === 'costs' || name === 'earns' ? 'border-t border-ink font-semibold' : ''}
            >
              <th scope="row" className="py-0.5 text-left font-[inherit]">
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
      {unknown.length > 0 && (
        <p className="pt-1 text-look">
          Nobody has said: {unknown.join(', ')}. What hangs on it is unknown until somebody does.
        </p>
      )}
    </>
  );
}
