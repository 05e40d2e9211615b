'use client';
import { useState } from 'react';
import type { Facts } from '@/core/artwork/facts';
import type { Verdict } from '@/core/check/finding';
import { suitabilityOf } from '@/core/check/suitability';
import { useShop } from '@/state/shop/shop';
import { Heading } from '@/ui/StripParts';
import { VerdictShape } from '@/ui/Verdict';
import { Toggle } from '@/ui/Toggle';

const WORDS: Record<Verdict, string> = { ready: 'fully sharp', look: 'just enough', fix: 'not enough' };

/** For which blanks an artwork has pixels enough, fitted whole: the range's columns, or all of a kind. */
export function LibraryFit({ facts }: { facts: Facts }) {
  const shop = useShop();
  const [shown, setShown] = useState<Verdict | null>(null);
  const all = [...shop.blanks.values()].map((resolved) => ({
    resolved,
    ...suitabilityOf(facts, resolved.faces[0]!),
  }));
  if (!facts.pixels) return null;
  const columns = new Set(shop.settings.columns);
  const rows =
    shown === null
      ? all.filter(({ resolved }) => columns.has(resolved.blank.id))
      : all.filter(({ verdict }) => verdict === shown);
  return (
    <>
      <Heading>Sharp enough, shown whole</Heading>
      <p className="measure flex flex-wrap gap-x-4 py-1.5 text-sm">
        {(['ready', 'look', 'fix'] as const).map((verdict) => (
          <Toggle
            key={verdict}
            pressed={shown === verdict}
            onPress={(on) => {
              setShown(on ? verdict : null);
            }}
            className="chosen-word flex items-center gap-1.5"
          >
            <VerdictShape verdict={verdict} size={9} />
            {all.filter((one) => one.verdict === verdict).length} {WORDS[verdict]}
          </Toggle>
        ))}
      </p>
      <table className="measure w-full text-sm">
        <caption className="sr-only">
          {shown === null ? 'Blanks of the range' : `Blanks it is ${WORDS[shown]} for`}
        </caption>
        <tbody>
          {rows.map(({ resolved, verdict, ppi }) => (
            <tr key={resolved.blank.id} className="border-b border-rule">
              <td className="w-5">
                <VerdictShape verdict={verdict} size={9} />
              </td>
              <td className="py-px">{resolved.blank.name}</td>
              <td className="text-right font-semibold">{Math.floor((ppi ?? 0) + 0.005)} PPI</td>
            </tr>
          ))}
        </tbody>
      </table>
    </>
  );
}
