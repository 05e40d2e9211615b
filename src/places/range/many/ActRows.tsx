'use client';
import { useVirtualizer } from '@tanstack/react-virtual';
import { useRef } from 'react';
import { rank, VERDICTS, type Verdict } from '@/core/check/finding';
import type { Fit } from '@/core/fit/schema';
import type { ActRow } from '@/state/many/preview';
import { blankOf } from '@/state/shop/library';
import { useShop } from '@/state/shop/shop';
import { drawnOf } from '@/core/product/drawn';
import { VERDICT_INK, VERDICT_WORDS, VerdictShape } from '@/ui/Verdict';
import { SmallFit } from '../../shell/SmallFit';

/** px of a target's row. */
const ROW = 64;

interface Props {
  rows: readonly ActRow[];
  /** How many targets there are. */
  of: number;
  /** Whether some are still being measured: they keep their places while they are. */
  measuring?: boolean;
}

/** Verdicts before and after in one line, then every target: what gets worse first, then what is left as it is. */
export function ActRows({ rows, of, measuring = false }: Props) {
  const sorted = measuring ? rows : [...rows].sort((a, b) => worse(b) - worse(a));
  const room = useRef<HTMLDivElement>(null);
  const list = useVirtualizer({
    count: sorted.length,
    getScrollElement: () => room.current,
    estimateSize: () => ROW,
    overscan: 4,
  });
  return (
    <>
      <p role="status" className="mt-3 font-semibold">
        {summary(rows)}
        {!measuring && rows.length < of && ` Stopped: ${of - rows.length} were not looked at.`}
      </p>
      <div ref={room} tabIndex={0} className="mt-2 min-h-0 grow overflow-auto border-t border-ink">
        <ul aria-label="What it does" className="relative" style={{ height: list.getTotalSize() }}>
          {list.getVirtualItems().map(({ index, start }) => {
            const row = sorted[index]!;
            return <Row key={`${row.design.id}/${row.blankId}/${row.fit?.id ?? ''}`} row={row} top={start} />;
          })}
        </ul>
      </div>
    </>
  );
}

/** Above 0 of what a person should look at before it is done. */
const worse = ({ next, after, before }: ActRow) =>
  next === null ? 0.5 : after && before ? rank(after.verdict) - rank(before) : 0;

function Row({ row, top }: { row: ActRow; top: number }) {
  const blank = useShop((shop) => shop.blanks.get(row.blankId)?.blank.name ?? row.blankId);
  const { design, fit, next, why, before, after } = row;
  return (
    <li
      style={{ top, height: ROW }}
      className="absolute inset-x-0 flex items-center gap-3 border-b border-rule py-1.5 text-sm"
    >
      <span className="w-56 min-w-0 shrink-0">
        <span className="block truncate font-semibold">
          {design.name}
          {fit?.version && `, ${fit.version.name}`}
        </span>
        <span className="block truncate text-ink-2">{blank}</span>
      </span>
      {next ? (
        <>
          <Side fit={fit} verdict={before} none={fit ? 'measuring…' : 'not fitted'} />
          <span aria-hidden>→</span>
          <Side fit={next} verdict={after?.verdict ?? null} none="measuring…" />
          {before && after && rank(after.verdict) > rank(before) && (
            <span className="font-semibold text-fix">worse</span>
          )}
        </>
      ) : (
        <span className="text-ink-2">Left as it is. {why}</span>
      )}
    </li>
  );
}

/** A fit drawn small with its verdict. */
function Side({ fit, verdict, none }: { fit: Fit | null; verdict: Verdict | null; none: string }) {
  const own = useShop((shop) => (fit ? blankOf(fit, shop) : undefined));
  return (
    <span className="flex w-44 items-center gap-2">
      <span className="block h-[50px] w-[72px] shrink-0 bg-viewing">
        {fit && own && <SmallFit blank={own} drawn={drawnOf(own, fit)} fit={fit} width={72} height={50} />}
      </span>
      {verdict ? (
        <span className={`flex items-center gap-1 font-semibold ${VERDICT_INK[verdict]}`}>
          <VerdictShape verdict={verdict} />
          {VERDICT_WORDS[verdict]}
        </span>
      ) : (
        <span className="text-ink-2">{none}</span>
      )}
    </span>
  );
}

/** In one line: `8 stay Ready, 1 becomes Look, 2 left as they are.` */
function summary(rows: readonly ActRow[]): string {
  const parts: string[] = [];
  const say = (count: number, one: string, many: string) => {
    if (count > 0) parts.push(`${count} ${count === 1 ? one : many}`);
  };
  for (const verdict of VERDICTS) {
    const after = rows.filter((row) => row.after?.verdict === verdict);
    const same = after.filter(({ before }) => before === verdict).length;
    const word = VERDICT_WORDS[verdict];
    say(same, `stays ${word}`, `stay ${word}`);
    say(after.length - same, `becomes ${word}`, `become ${word}`);
  }
  say(rows.filter(({ next }) => next === null).length, 'is left as it is', 'are left as they are');
  const under = rows.filter(({ next, after }) => next !== null && after === null).length;
  say(under, 'is being measured', 'are being measured');
  return parts.length === 0 ? 'There is nothing to do it to.' : `${parts.join(', ')}.`;
}
