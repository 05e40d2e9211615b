'use client';
import Link from 'next/link';
import { useId, useState } from 'react';
import { takingOf, type Taking } from '@/core/blank/taking';
import type { ResolvedBlank } from '@/core/blank/resolve';
import { copiesIn } from '@/core/fit/copies';
import { lineVerdict, orderedOf, orderedVerdict, orderGrid } from '@/core/pack/lines';
import type { Fit } from '@/core/fit/schema';
import type { Sheet } from '@/core/sheet/schema';
import { byVersion, fitTitle } from '@/core/fit/version';
import { currentSummary } from '@/state/bench/dockets';
import { blankOf } from '@/state/shop/library';
import { setCopies } from '@/state/shop/records';
import { useShop, type Shop } from '@/state/shop/shop';
import { VerdictShape, VERDICT_WORDS } from '@/ui/Verdict';
import { usePackWork } from './usePackWork';
import { goesOut } from './words';
import { CopiesGrid } from '../shell/CopiesGrid';
import { Popup } from '@/ui/Popup';
import { Tick } from '@/ui/Checkbox';
import { Hint } from '@/ui/Hint';

interface Row {
  fit: Fit;
  resolved: ResolvedBlank;
  design: string;
  blank: string;
  house: string;
  taking: Taking;
  verdict: ReturnType<typeof verdictOf>;
}

/** Which fits are handed over together; one with a Fix only with a reason. */
export function NewPack({
  first,
  onMade,
  onLeave,
}: {
  first: readonly string[];
  onMade: (id: string) => void;
  onLeave?: () => void;
}) {
  const shop = useShop();
  const rows = rowsOf(shop);
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set(first));
  const [reasons, setReasons] = useState<ReadonlyMap<string, string>>(new Map());
  const [typedName, setTypedName] = useState<string | null>(null);
  const [notes, setNotes] = useState('');
  const work = usePackWork(onMade);
  const sheets = [...shop.sheets.values()].filter(({ items }) => items.some(({ copies }) => copies > 0));
  const picked = rows.filter(({ fit }) => chosen.has(fit.id));
  const unsaid = picked.filter(
    ({ fit, verdict }) => verdict?.verdict === 'fix' && (reasons.get(fit.id) ?? '').trim() === '',
  );
  const name = typedName ?? nameFor(picked);
  const choose = (some: readonly string[], on: boolean) => {
    const next = new Set(chosen);
    for (const id of some)
      if (on) next.add(id);
      else next.delete(id);
    setChosen(next);
  };
  if (rows.length === 0) return <Empty />;
  return (
    <div className="flex min-w-0 grow flex-col">
      <div className="min-h-0 grow overflow-auto px-4">
        <table className="w-full text-left">
          <caption className="sr-only">Fits that can go into the pack</caption>
          <thead className="sticky top-0 z-10 bg-frame text-sm text-ink-2">
            <tr className="border-b border-ink">
              <th className="w-8 py-2 font-normal">
                <Tick
                  label="Every fit"
                  checked={picked.length === rows.length}
                  onChange={(on) => {
                    choose(
                      rows.map(({ fit }) => fit.id),
                      on,
                    );
                  }}
                />
              </th>
              <th className="font-normal">design</th>
              <th className="font-normal">on</th>
              <th className="font-normal">for</th>
              <th className="font-normal">ordered</th>
              <th className="w-[34%] font-normal">docket</th>
            </tr>
          </thead>
          <tbody>
            {rows.map((row) => (
              <FitRow
                key={row.fit.id}
                row={row}
                chosen={chosen.has(row.fit.id)}
                reason={reasons.get(row.fit.id) ?? ''}
                onChoose={(on) => {
                  choose([row.fit.id], on);
                }}
                onReason={(reason) => {
                  setReasons(new Map(reasons).set(row.fit.id, reason));
                }}
              />
            ))}
            {sheets.map((sheet) => (
              <SheetRow
                key={sheet.id}
                sheet={sheet}
                chosen={chosen.has(sheet.id)}
                onChoose={(on) => {
                  choose([sheet.id], on);
                }}
              />
            ))}
          </tbody>
        </table>
      </div>
      <div className="shrink-0 border-t border-ink bg-docket px-4 py-3">
        <div className="flex items-end gap-5">
          <Line label="name" value={name} onChange={setTypedName} className="w-72" />
          <Line label="notes for whoever prints" value={notes} onChange={setNotes} className="min-w-0 grow" />
          {onLeave && !work.progress && (
            <button className="verb" onClick={onLeave}>
              Leave
            </button>
          )}
          {work.progress ? (
            <button className="action-2 measure w-44" onClick={work.stop}>
              {Math.round(work.progress.share * 100)} % · Stop
            </button>
          ) : (
            <button
              className="action w-44"
              disabled={picked.length === 0 || unsaid.length > 0 || name.trim() === ''}
              onClick={() =>
                void work.make({
                  name: name.trim(),
                  notes,
                  fitIds: picked.map(({ fit }) => fit.id),
                  sheetIds: sheets.filter(({ id }) => chosen.has(id)).map(({ id }) => id),
                  reasons,
                })
              }
            >
              Make the pack
            </button>
          )}
        </div>
        <p
          role="status"
          className={`mt-2 min-h-5 truncate text-sm ${work.trouble ? 'text-fix' : 'text-ink-2'}`}
        >
          {work.trouble ??
            (work.progress
              ? work.progress.doing
              : picked.length === 0
                ? 'Tick what goes out together.'
                : unsaid.length > 0
                  ? `Say why ${unsaid.length === 1 ? 'the one' : `the ${unsaid.length}`} with something to fix ${unsaid.length === 1 ? 'goes' : 'go'} out as ${unsaid.length === 1 ? 'it is' : 'they are'}, or mend ${unsaid.length === 1 ? 'it' : 'them'} first.`
                  : goesOut(picked.map(({ fit }) => fit)))}
        </p>
      </div>
    </div>
  );
}

/** A line to be typed, its name above it. */
function Line({
  label,
  value,
  onChange,
  className,
}: {
  label: string;
  value: string;
  onChange: (text: string) => void;
  className: string;
}) {
  return (
    <label className={`flex flex-col text-sm text-ink-2 ${className}`}>
      {label}
      <input
        value={value}
        onChange={(event) => {
          onChange(event.target.value);
        }}
        className="border-b-2 border-ink bg-docket px-1 py-1 text-base text-ink"
      />
    </label>
  );
}

function FitRow({
  row: { fit, resolved, design, blank, house, taking, verdict },
  chosen,
  reason,
  onChoose,
  onReason,
}: {
  row: Row;
  chosen: boolean;
  reason: string;
  onChoose: (on: boolean) => void;
  onReason: (reason: string) => void;
}) {
  return (
    <tr className="border-b border-rule align-baseline">
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
    </tr>
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

function SheetRow({
  sheet,
  chosen,
  onChoose,
}: {
  sheet: Sheet;
  chosen: boolean;
  onChoose: (on: boolean) => void;
}) {
  const prints = sheet.items.reduce((sum, { copies }) => sum + copies, 0);
  return (
    <tr className="border-b border-rule align-baseline">
      <TickCells name={sheet.name} label={`The sheet ${sheet.name}`} chosen={chosen} onChoose={onChoose} />
      <td className="pr-4">a sheet, {sheet.paper.name}</td>
      <td className="pr-4 text-ink-2">{sheet.mirrored ? 'mirrored' : 'not mirrored'}</td>
      <td className="measure text-ink-2">
        {prints} {prints === 1 ? 'print' : 'prints'} on it
      </td>
    </tr>
  );
}

function Empty() {
  return (
    <div className="grid grow place-items-center">
      <div className="w-[430px] border-t-2 border-ink pt-4">
        <p className="text-lg font-bold">Nothing to hand over yet</p>
        <p className="mt-1 text-ink-2">
          A pack is made of fits: put a design on a blank in the range, and come back once its docket is
          ready.
        </p>
        <Link className="action mt-4 inline-block" href="/">
          To the range
        </Link>
      </div>
    </div>
  );
}

function rowsOf(shop: Shop): Row[] {
  return [...shop.fits.values()]
    .flatMap((fit) => {
      const design = shop.designs.get(fit.designId);
      const resolved = blankOf(fit, shop);
      const laid = fit.faces.some(({ pieces }) => pieces.some(({ visible }) => visible));
      if (!design || !resolved || !laid) return [];
      const { blank, spec } = resolved;
      const verdict = verdictOf(fit, resolved, shop);
      return [
        {
          fit,
          resolved,
          order: design.order,
          design: fitTitle(design, fit),
          blank: blank.name,
          house: spec.house,
          taking: takingOf(resolved),
          verdict,
        },
      ];
    })
    .sort((a, b) => a.order - b.order || a.blank.localeCompare(b.blank) || byVersion(a.fit, b.fit));
}

/** How what is ordered of a fit does: in its own colours and sizes alone. */
function verdictOf(fit: Fit, resolved: ResolvedBlank, shop: Shop) {
  const summary = currentSummary(fit, shop);
  if (!summary) return undefined;
  const ordered = orderedOf(resolved, fit);
  const verdict = orderedVerdict(summary, ordered);
  const failing = ordered.filter((cell) => lineVerdict(summary, cell) === verdict).length;
  const lines = `${failing} of ${ordered.length} lines`;
  const word = verdict === summary.verdict ? (summary.findings[0]?.word ?? '') : lines;
  return { verdict, word };
}

/** After what is in it: the fit, or the designs. */
function nameFor(picked: readonly Row[]): string {
  const [only] = picked;
  if (!only) return '';
  if (picked.length === 1) return `${only.design} on ${only.blank}`;
  const [first, second, ...more] = [...new Set(picked.map(({ design }) => design))];
  if (second === undefined) return `${first} on ${picked.length} blanks`;
  return more.length === 0 ? `${first} and ${second}` : `${first}, ${second} and ${more.length} more`;
}
