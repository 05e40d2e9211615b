'use client';
import { useState } from 'react';
import { sayMoney, sayShare, marginOf } from '@/core/price/earn';
import type { Outlet } from '@/core/price/outlet';
import type { ListingOf } from '@/state/price/listing-pack';
import { changeListings } from '@/state/price/listings';
import { Heading } from '@/ui/StripParts';
import { Typed } from '@/ui/Typed';
import { AskingField } from './AskingField';

/** Every colour in every size with its number, price, cost and stock. */
export function VariantTable({ own, outlet }: { own: ListingOf; outlet: Outlet }) {
  const { fit, listing, variants, troubles, earning, costOf } = own;
  const sums = earning?.earning;
  return (
    <>
      <Heading>
        {variants.length} {variants.length === 1 ? 'variant' : 'variants'}
      </Heading>
      <AskingField fitId={fit.id} asking={listing.asking} currency={outlet.currency} />
      <p className="measure py-1 text-right text-sm text-ink-2">
        costs {sayMoney(sums?.cost ?? null, outlet.currency)}, earns{' '}
        {sayMoney(sums?.profit ?? null, outlet.currency)} ({sayShare(sums ? marginOf(sums) : null)})
      </p>
      <Typed
        label="number, by"
        words
        wide
        value={listing.sku}
        placeholder="{design}-{colour}-{size}"
        onSet={(sku) => {
          void changeListings([fit.id], () => ({ sku: sku.trim() }));
          return null;
        }}
      />
      {troubles
        .filter(({ field }) => field === 'sku')
        .map(({ message }) => (
          <p key={message} role="alert" className="text-fix">
            {message}
          </p>
        ))}
      <table className="mt-1 w-full text-sm">
        <caption className="sr-only">Variants</caption>
        <thead>
          <tr className="text-ink-2">
            {['number', 'colour', 'size', 'costs', 'stock'].map((word) => (
              <th key={word} scope="col" className="py-0.5 pr-2 text-left font-normal last:text-right">
                {word}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {variants.map((variant) => (
            <tr key={variant.key} className="border-t border-rule">
              <td className="measure max-w-40 truncate py-0.5 pr-2">{variant.sku}</td>
              <td className="py-0.5 pr-2">{variant.colour}</td>
              <td className="py-0.5 pr-2">{variant.size ?? '–'}</td>
              <td className="measure py-0.5 pr-2">{costOf(variant) ?? 'unknown'}</td>
              <td className="py-0.5 text-right">
                <Stock
                  label={`Stock of ${variant.sku}`}
                  value={listing.stock[variant.key]}
                  onSet={(count) =>
                    void changeListings([fit.id], ({ stock }) => {
                      const others = Object.entries(stock).filter(([key]) => key !== variant.key);
                      return {
                        stock: Object.fromEntries(
                          count === null ? others : [...others, [variant.key, count]],
                        ),
                      };
                    })
                  }
                />
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </>
  );
}

function Stock({
  label,
  value,
  onSet,
}: {
  label: string;
  value: number | undefined;
  onSet: (count: number | null) => void;
}) {
  const [text, setText] = useState<string | null>(null);
  const wrong = text !== null && !/^\d{0,7}$/.test(text.trim());
  return (
    <input
      aria-label={label}
      aria-invalid={wrong}
      inputMode="numeric"
      placeholder="unknown"
      value={text ?? (value === undefined ? '' : String(value))}
      className="measure min-h-6 w-16 bg-transparent px-1 text-right placeholder:text-ink-2 hover:bg-tape-pale hover:text-on-tape focus:bg-tape-pale focus:text-on-tape aria-[invalid=true]:outline aria-[invalid=true]:outline-2 aria-[invalid=true]:outline-fix"
      onChange={(event) => {
        setText(event.target.value);
      }}
      onKeyDown={(event) => {
        if (event.key === 'Enter') event.currentTarget.blur();
        if (event.key === 'Escape') setText(null);
      }}
      onBlur={() => {
        if (text === null) return;
        if (!wrong) onSet(text.trim() === '' ? null : Number(text));
        setText(null);
      }}
    />
  );
}
