'use client';
import { rank, VERDICTS, type Verdict } from '@/core/check/finding';
import type { Fit } from '@/core/fit/schema';
import type { ActRow } from '@/state/many/preview';
import { blankOf } from '@/state/shop/library';
import { useShop } from '@/state/shop/shop';
import { drawnOf } from '@/core/product/drawn';
import { VERDICT_INK, VERDICT_WORDS, VerdictShape } from '@/ui/Verdict';
import { SmallFit } from '../../shell/SmallFit';

/** Verdicts before and after in one line, then every target: what gets worse first, what is left as it is last. */
export function ActRows({ rows, of }: { rows: readonly ActRow[]; of: number }) {
  const worse = (row: ActRow) =>
    row.after && row.before ? rank(row.after.verdict) - rank(row.before) : row.after ? 0 : -9;
  const sorted = [...rows].sort((a, b) => worse(b) - worse(a));
  return (
    <>
      <p role="status" className="mt-3 font-semibold">
        {summary(rows)}
        {rows.length < of && ` Stopped: ${of - rows.length} were not looked at.`}
      </p>
      <ul aria-label="What it does" className="mt-2 min-h-0 grow overflow-auto border-t border-ink">
        {sorted.map((row) => (
          <Row key={`${row.design.id}/${row.blankId}/${row.fit?.id ?? ''}`} row={row} />
        ))}
      </ul>
    </>
  );
}

function Row({ row }: { row: ActRow }) {
  const blank = useShop((shop) => shop.blanks.get(row.blankId)?.blank.name ?? row.blankId);
  const { design, fit, next, why, before, after } = row;
  return (
    <li className="flex items-center gap-3 border-b border-rule py-1.5 text-sm [contain-intrinsic-size:auto_64px] [content-visibility:auto]">
      <span className="w-56 min-w-0 shrink-0">
        <span className="block truncate font-semibold">
          {design.name}
          {fit?.version && `, ${fit.version.name}`}
        </span>
        <span className="block truncate text-ink-2">{blank}</span>
      </span>
      {next && after ? (
        <>
          <Side fit={fit} verdict={before} none={fit ? 'measuring…' : 'not fitted'} />
          <span aria-hidden>→</span>
          <Side fit={next} verdict={after.verdict} none="" />
          {before && rank(after.verdict) > rank(before) && (
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
  say(rows.filter(({ after }) => after === null).length, 'is left as it is', 'are left as they are');
  return parts.length === 0 ? 'There is nothing to do it to.' : `${parts.join(', ')}.`;
}
