'use client';
import { useState } from 'react';
import { differences } from '@/core/blank/numbers';
import type { ResolvedBlank } from '@/core/blank/resolve';
import { bodyTroubles } from '@/core/blank/troubles';
import { parseLength } from '@/core/length/parse';
import { fixed, showLength } from '@/core/length/show';
import { correctBody, expectedEnds, printerError, type TryOn as Seen } from '@/core/measuring/try-on';
import { changeBlank } from '@/state/shop/blanks';
import { useShop } from '@/state/shop/shop';
import { today } from '@/state/today';
import { Fold } from '@/ui/Fold';
import { aspectsOf } from '@/core/blank/kinds';
import { tellDone } from '@/ui/tell';

const ASKED: readonly (readonly [id: keyof Seen, ask: string])[] = [
  ['ruler', 'The 100 mm line measures'],
  ['endsTop', 'Gap between the ends, at the top'],
  ['endsBottom', 'Gap between the ends, at the bottom'],
  ['top', 'Still bare above the template'],
  ['bottom', 'Still bare below the template'],
];

/** The printed template wrapped round the thing: what the ruler and the gaps read corrects the blank. */
export function TryOn({ resolved }: { resolved: ResolvedBlank }) {
  const { blank } = resolved;
  const { unit } = useShop((shop) => shop.settings);
  const { body } = blank;
  const { wall, laid } = aspectsOf(body);
  const [texts, setTexts] = useState<Partial<Record<keyof Seen, string>>>({});
  if (!wall && !laid) return null;

  const ends = wall ? expectedEnds(wall) : { top: 0, bottom: 0 };
  const expected: Seen = { ruler: 100, endsTop: ends.top, endsBottom: ends.bottom, top: 0, bottom: 0 };
  const read = (id: keyof Seen) => {
    const text = texts[id]?.trim() ?? '';
    return text === '' ? { ok: true as const, mm: expected[id] } : parseLength(text, { unit: unit.unit });
  };
  const readings = ASKED.map(([id]) => [id, read(id)] as const);
  const seen = readings.every(([, reading]) => reading.ok)
    ? (Object.fromEntries(
        readings.map(([id, reading]) => [id, reading.ok ? reading.mm : 0]),
      ) as unknown as Seen)
    : null;
  const plausible = seen !== null && seen.ruler >= 80 && seen.ruler <= 120;
  const corrected = plausible ? correctBody(body, seen) : null;
  const trouble = corrected ? bodyTroubles(corrected, unit)[0]?.message : undefined;
  const changes = corrected && !trouble ? differences(body, corrected) : [];
  const error = plausible ? printerError(seen) : 0;

  const keep = async () => {
    if (!corrected) return;
    const measured = {
      kind: 'tape' as const,
      note: 'template tried on',
      date: today(),
    };
    const next = await changeBlank(blank, { body: corrected, measured });
    setTexts({});
    tellDone(
      `Version ${next.blank.version}: ${changes.map(({ name, mm }) => `${name} ${mm > 0 ? '+' : ''}${showLength(mm, unit)}`).join(', ')}.`,
      next.undo,
    );
  };
  return (
    <Fold
      title={<span className="verb">Try the printed template on</span>}
      ruled={false}
      className="mt-2 text-sm"
    >
      <p className="mt-1 text-ink-2">
        Print it at 100 %, cut it out, {wall ? 'wrap it round the thing' : 'lay it on the thing'}. Type what
        you read; leave alone what is as expected. A template that laps over or runs past is a negative gap.
      </p>
      <dl className="measure mt-1">
        {ASKED.map(([id, ask], index) => {
          const reading = readings[index]![1];
          return (
            <div key={id} className="border-b border-rule py-1">
              <label className="flex items-baseline justify-between gap-3">
                <span className="text-ink-2">
                  {wall ? ask : ask.replace('Gap between the ends, at the', 'Still bare beside it, at the')}
                </span>
                <input
                  aria-label={ask}
                  aria-invalid={!reading.ok}
                  value={texts[id] ?? ''}
                  placeholder={showLength(expected[id], unit)}
                  onChange={(event) => {
                    setTexts((so) => ({ ...so, [id]: event.target.value }));
                  }}
                  className="w-24 border-b border-ink bg-tape-pale px-1.5 py-0.5 text-right font-semibold text-on-tape placeholder:text-on-tape/75"
                />
              </label>
              {!reading.ok && (
                <p role="alert" className="text-fix">
                  {reading.message}
                </p>
              )}
            </div>
          );
        })}
      </dl>
      {seen && !plausible && (
        <p role="alert" className="mt-1 text-fix">
          A 100 mm line that measures {showLength(seen.ruler, unit)} was fitted to the page: print again at
          100 %.
        </p>
      )}
      {Math.abs(error) > 0.0005 && (
        <p className="mt-1">
          The printer prints {fixed(Math.abs(error) * 100, 1)} % {error > 0 ? 'large' : 'small'}; that is
          taken out.
        </p>
      )}
      {trouble && (
        <p role="alert" className="mt-1 text-fix">
          {trouble}
        </p>
      )}
      {changes.length > 0 && (
        <>
          <ul className="mt-1">
            {changes.map(({ id, name, mm }) => (
              <li key={id}>
                {name}:{' '}
                <b>
                  {mm > 0 ? '+' : ''}
                  {showLength(mm, unit)}
                </b>
              </li>
            ))}
          </ul>
          <button className="action mt-2" onClick={() => void keep()}>
            Correct the blank
          </button>
        </>
      )}
    </Fold>
  );
}
