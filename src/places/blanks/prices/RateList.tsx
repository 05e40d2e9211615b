'use client';
import * as v from 'valibot';
import { useState } from 'react';
import { RateSchema, type Rate } from '@/core/price/rate';
import { changeSettings } from '@/state/shop/records';
import { useShop } from '@/state/shop/shop';
import { today } from '@/state/today';
import { Field } from '@/ui/Field';

/** What currencies are worth in one another, by hand and with a day: nothing is looked up. */
export function RateList() {
  const rates = useShop((shop) => shop.settings.rates);
  const [from, setFrom] = useState('USD');
  const [to, setTo] = useState('EUR');
  const [rate, setRate] = useState('');
  const next: Rate = {
    from: from.trim().toUpperCase(),
    to: to.trim().toUpperCase(),
    rate: rate.trim(),
    day: today(),
  };
  const reads = v.is(RateSchema, next) && next.from !== next.to && Number(next.rate) > 0;
  return (
    <div className="max-w-[620px] px-4 py-4">
      <p className="pb-3 text-ink-2">
        Where a house asks in one currency and you sell in another, say what one is worth. The latest day
        counts.
      </p>
      <ul aria-label="Rates" className="border-t-2 border-ink">
        {rates.map((one, i) => (
          <li key={i} className="flex items-baseline gap-3 border-b border-rule py-1.5">
            <span className="measure grow">
              1 {one.from} = {one.rate} {one.to}
            </span>
            <span className="measure text-sm text-ink-2">{one.day}</span>
            <button
              className="verb text-sm"
              aria-label={`Take out the rate of ${one.from} to ${one.to}`}
              onClick={() => void changeSettings({ rates: rates.filter((_, at) => at !== i) })}
            >
              Take out
            </button>
          </li>
        ))}
        {rates.length === 0 && <li className="border-b border-rule py-1.5 text-ink-2">None yet.</li>}
      </ul>
      <form
        className="pt-3"
        onSubmit={(event) => {
          event.preventDefault();
          if (!reads) return;
          void changeSettings({ rates: [next, ...rates] });
          setRate('');
        }}
      >
        <Field label="one" value={from} placeholder="USD" words onChange={setFrom} />
        <Field
          label="is worth"
          value={rate}
          placeholder="0.92"
          trouble={
            rate !== '' && !reads ? 'Two currencies of three letters, and a number with a point.' : null
          }
          onChange={setRate}
        />
        <Field label="of" value={to} placeholder="EUR" words onChange={setTo} />
        <p className="pt-3 text-right">
          <button className="action" disabled={!reads}>
            Keep it
          </button>
        </p>
      </form>
    </div>
  );
}
