'use client';
import { useState } from 'react';
import type { Finding } from '@/core/check/finding';
import type { Fit } from '@/core/fit/schema';
import { sayMoney } from '@/core/price/earn';
import { sentence } from '@/state/sentence';
import { failsAt, housesFor } from '@/state/price/houses';
import { useShop } from '@/state/shop/shop';
import { Fold } from '@/ui/Fold';
import { VERDICT_INK, VERDICT_WORDS } from '@/ui/Verdict';

/** The houses that could print a fit: what one costs there, how long it takes, and what would stand against it. */
export function HousesCompared({ fit }: { fit: Fit }) {
  const shop = useShop();
  const [found, setFound] = useState<ReadonlyMap<string, readonly Finding[] | string | null>>(new Map());
  const houses = housesFor(fit, shop);
  if (houses.length < 2) return null;
  const look = (id: string) => {
    const spec = shop.specs.get(id);
    if (!spec) return;
    const keep = (result: readonly Finding[] | string | null) => {
      setFound((before) => new Map(before).set(id, result));
    };
    keep(null);
    failsAt(fit, spec, {}).then(keep, (error: unknown) => {
      keep(sentence(error));
    });
  };
  return (
    <Fold title={`${houses.length} houses could print it`} className="pt-3">
      <table className="w-full">
        <caption className="sr-only">Houses compared</caption>
        <tbody>
          {houses.map(({ spec, title, own, found: offer, days }) => {
            const said = found.get(spec.id);
            return (
              <tr key={spec.id} className="border-b border-rule align-top">
                <th scope="row" className="py-1 pr-2 text-left font-normal">
                  {title}
                  {own && <span className="text-ink-2"> prints it now</span>}
                </th>
                <td className="measure whitespace-nowrap py-1 pr-2 text-right">
                  {offer ? (
                    sayMoney(offer.earning.cost, offer.earning.currency)
                  ) : (
                    <span className="text-ink-2">unknown</span>
                  )}
                </td>
                <td className="measure whitespace-nowrap py-1 pr-2 text-right text-ink-2">
                  {days === null ? 'days unknown' : `${days} days`}
                </td>
                <td className="py-1 text-right">
                  {own ? null : said === undefined ? (
                    <button
                      className="verb whitespace-nowrap"
                      aria-label={`What would fail at ${title}`}
                      onClick={() => {
                        look(spec.id);
                      }}
                    >
                      what fails?
                    </button>
                  ) : said === null ? (
                    <span className="text-ink-2">measuring…</span>
                  ) : typeof said === 'string' ? (
                    <span className="text-fix">{said}</span>
                  ) : said.length === 0 ? (
                    <span className="whitespace-nowrap">nothing fails</span>
                  ) : (
                    <ul>
                      {said.slice(0, 4).map((finding, i) => (
                        <li key={i} className={VERDICT_INK[finding.verdict]}>
                          {VERDICT_WORDS[finding.verdict]}: {finding.word}
                        </li>
                      ))}
                      {said.length > 4 && <li>and {said.length - 4} more</li>}
                    </ul>
                  )}
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </Fold>
  );
}
