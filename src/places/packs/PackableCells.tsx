'use client';
import Link from 'next/link';
import { useId } from 'react';
import type { ResolvedBlank } from '@/core/blank/resolve';
import { copiesIn } from '@/core/fit/copies';
import type { Fit } from '@/core/fit/schema';
import { orderedOf, orderGrid } from '@/core/pack/lines';
import { setCopies } from '@/state/shop/records';
import { Tick } from '@/ui/Checkbox';
import { Hint } from '@/ui/Hint';
import { Popup } from '@/ui/Popup';
import { VerdictShape, VERDICT_WORDS } from '@/ui/Verdict';
import { CopiesGrid } from '../shell/CopiesGrid';
import type { PackableFit, PackableSheet } from './packable';

/** The cells of a fit's row: what it is, for whom, how many are ordered, and how it does. */
export function FitCells({
  row: { fit, resolved, design, blank, house, taking, verdict },
  chosen,
  reason,
  onChoose,
  onReason,
}: {
  row: PackableFit;
  chosen: boolean;
  reason: string;
  onChoose: (on: boolean) => void;
  onReason: (reason: string) => void;
}) {
  return (
    <>
      <TickCells name={design} label={`${design} on ${blank}`} chosen={chosen} onChoose={onChoose} />
      <td className="max-w-48 truncate pr-4">{blank}</td>
      <td className={`max-w-64 truncate pr-4 ${taking.takes === false ? 'text-look' : 'text-ink-2'}`}>
        <Hint words={taking.words}>
          <span>{taking.takes === false ? taking.words : house}</span>
        </Hint>
      </td>
      <td className="whitespace-nowrap pr-4">
        <Copies fit={fit} resolved={resolved} name={`${design} on ${blank}`} />
      </td>
      <td>
        <span className="flex items-baseline gap-2">
          {verdict ? (
            <>
              <VerdictShape verdict={verdict.verdict} />
              <span className="font-semibold">{VERDICT_WORDS[verdict.verdict]}</span>
              {verdict.verdict !== 'ready' && (
                <Link href={`/bench/${fit.id}`} className="truncate text-ink-2 underline underline-offset-2">
                  {verdict.word}
                </Link>
              )}
            </>
          ) : (
            <span className="text-ink-2">measured when it is packed</span>
          )}
          {chosen && verdict?.verdict === 'fix' && (
            <input
              aria-label={`Why ${design} on ${blank} goes out as it is`}
              placeholder="why it goes out as it is"
              value={reason}
              onChange={(event) => {
                onReason(event.target.value);
              }}
              className="min-w-40 grow border-b border-fix bg-docket px-1 placeholder:text-ink-2"
            />
          )}
        </span>
      </td>
    </>
  );
}

/** What is ordered of a fit, and where it is changed. */
function Copies({ fit, resolved, name }: { fit: Fit; resolved: ResolvedBlank; name: string }) {
  const ordered = orderedOf(resolved, fit);
  const total = ordered.reduce((sum, { copies }) => sum + copies, 0);
  const lines = ordered.length === 1 ? '' : ` in ${ordered.length} lines`;
  return (
    <Popup
      trigger={
        <button className="verb measure" aria-label={`Ordered of ${name}: ${total}, change`}>
          {total} {total === 1 ? 'copy' : 'copies'}
          {lines}
        </button>
      }
      align="end"
      className="max-w-[90vw] p-3"
    >
      <CopiesGrid
        name={name}
        grid={orderGrid(resolved, fit)}
        copies={(cell) => copiesIn(ordered, cell)}
        onCopies={(cell, count) => {
          if (count !== copiesIn(ordered, cell)) void setCopies(fit.id, cell, count);
        }}
      />
    </Popup>
  );
}

/** The first two cells of a row: its tick, and the name that ticks it too. */
function TickCells({
  name,
  label,
  chosen,
  onChoose,
}: {
  name: string;
  label: string;
  chosen: boolean;
  onChoose: (on: boolean) => void;
}) {
  const id = useId();
  return (
    <>
      <td className="py-1.5">
        <Tick id={id} label={label} checked={chosen} onChange={onChoose} />
      </td>
      <td className="max-w-52 truncate pr-4">
        <label htmlFor={id} className="cursor-pointer font-semibold">
          {name}
        </label>
      </td>
    </>
  );
}

export function SheetCells({
  row: { sheet, prints },
  chosen,
  onChoose,
}: {
  row: PackableSheet;
  chosen: boolean;
  onChoose: (on: boolean) => void;
}) {
  return (
    <>
      <TickCells name={sheet.name} label={`The sheet ${sheet.name}`} chosen={chosen} onChoose={onChoose} />
      <td className="truncate pr-4">a sheet, {sheet.paper.name}</td>
      <td className="truncate pr-4 text-ink-2">{sheet.mirrored ? 'mirrored' : 'not mirrored'}</td>
      <td className="measure text-ink-2">
        {prints} {prints === 1 ? 'print' : 'prints'} on it
      </td>
      <td />
    </>
  );
}
