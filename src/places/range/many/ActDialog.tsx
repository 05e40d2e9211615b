'use client';
import { useState } from 'react';
import { toast } from 'sonner';
import { rank, VERDICTS, type Verdict } from '@/core/check/finding';
import type { Fit } from '@/core/fit/schema';
import { previewUrl } from '@/state/artwork/previews';
import { doAct, previewAct, type ActProgress, type ActRow, type Target } from '@/state/many/preview';
import { sentence } from '@/state/sentence';
import { blankOf } from '@/state/shop/library';
import { useShop } from '@/state/shop/shop';
import { Dialog, LeaveDialog } from '@/ui/Dialog';
import { Choice } from '@/ui/Field';
import { FitDrawing } from '@/ui/flat/FitDrawing';
import { Progress } from '@/ui/Progress';
import { tellDone } from '@/ui/tell';
import { VERDICT_INK, VERDICT_WORDS, VerdictShape } from '@/ui/Verdict';
import { useWork } from '../../shell/useWork';
import { shownFace } from '../grid/Cell';
import type { ManyAct } from './acts';

interface Props {
  act: ManyAct;
  targets: readonly Target[];
  onClose: () => void;
}

/** Shows what an act would do to each fit, measured, before any of it is done; then does it as one act. */
export function ActDialog({ act, targets, onClose }: Props) {
  const [answers, setAnswers] = useState<Readonly<Record<string, string>>>(() => firstAnswers(act, targets));
  const [rows, setRows] = useState<ActRow[] | null>(null);
  const { progress, trouble, run, stop } = useWork<ActProgress>();
  const missing = act.asks.find(({ id }) => (answers[id] ?? '').trim() === '');
  const changed = (rows ?? []).filter(({ next }) => next !== null);
  const see = () =>
    run({ done: 0, of: targets.length }, async (asked) => {
      setRows(await previewAct(targets, (target) => act.change(target, answers), asked));
    });
  const perform = async () => {
    try {
      const { result, undo } = await doAct(changed);
      onClose();
      tellDone(`${result} ${result === 1 ? 'fit' : 'fits'} ${act.done}.`, undo);
      if (result < changed.length)
        toast(`${changed.length - result} were changed meanwhile and are left as they are.`);
    } catch (error) {
      toast(sentence(error));
    }
  };
  return (
    <Dialog
      title={act.name.replace('…', '')}
      description={`${targets.length} chosen. Nothing is changed until you have seen what it does.`}
      className="top-12 flex max-h-[calc(100vh-6rem)] w-[760px] flex-col"
      shade
      onClose={() => {
        stop();
        onClose();
      }}
    >
      {act.asks.map((ask) =>
        ask.kind === 'choice' ? (
          <Choice
            key={ask.id}
            label={ask.label}
            value={answers[ask.id] ?? ''}
            choices={ask.choices?.(targets) ?? []}
            onChange={(value) => {
              setAnswers((so) => ({ ...so, [ask.id]: value }));
              setRows(null);
            }}
          />
        ) : (
          <label key={ask.id} className="flex items-center gap-3 border-b border-rule py-1.5">
            <span className="grow">{ask.label}</span>
            <input
              type={ask.kind === 'colour' ? 'color' : 'text'}
              value={answers[ask.id] ?? ''}
              maxLength={300}
              onChange={({ target }) => {
                setAnswers((so) => ({ ...so, [ask.id]: target.value }));
                setRows(null);
              }}
              className={
                ask.kind === 'colour' ? 'h-7 w-14' : 'w-96 border-b border-ink bg-docket px-1 py-0.5'
              }
            />
            {ask.kind === 'colour' && <span className="measure">{answers[ask.id]}</span>}
          </label>
        ),
      )}
      {progress && (
        <div role="status" className="mt-3 flex items-center gap-3 text-sm">
          <span className="whitespace-nowrap">
            Measuring {Math.min(progress.done + 1, progress.of)} of {progress.of}
          </span>
          <Progress label="Measuring" share={progress.done / Math.max(1, progress.of)} className="grow" />
          <button className="verb" onClick={stop}>
            Stop
          </button>
        </div>
      )}
      {trouble && (
        <p role="alert" className="text-fix">
          {trouble}
        </p>
      )}
      {rows && !progress && <Rows rows={rows} of={targets.length} />}
      <div className="mt-4 flex items-center gap-4">
        {rows === null ? (
          <button
            className="action"
            disabled={missing !== undefined || progress !== null || targets.length === 0}
            onClick={() => void see()}
          >
            See what it does
          </button>
        ) : (
          <button
            className="action"
            disabled={changed.length === 0 || progress !== null}
            onClick={() => void perform()}
          >
            Do it to {changed.length}
          </button>
        )}
        <LeaveDialog>Leave</LeaveDialog>
        {missing && rows === null && <span className="text-sm text-ink-2">Say {missing.label} first.</span>}
      </div>
    </Dialog>
  );
}

/** What stands in the fields at first: the first of each list, so that one press shows what it does. */
function firstAnswers(act: ManyAct, targets: readonly Target[]): Record<string, string> {
  return Object.fromEntries(
    act.asks.map(({ id, kind, choices }) => [
      id,
      kind === 'colour' ? '#f4efe2' : kind === 'choice' ? (choices?.(targets)[0]?.[0] ?? '') : '',
    ]),
  );
}

/** Verdicts before and after in one line, then every target: what gets worse first, what is left as it is last. */
function Rows({ rows, of }: { rows: readonly ActRow[]; of: number }) {
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
        <span className="text-ink-2">left as it is: {why}</span>
      )}
    </li>
  );
}

/** A fit drawn small with its verdict. */
function Side({ fit, verdict, none }: { fit: Fit | null; verdict: Verdict | null; none: string }) {
  const artworks = useShop((shop) => shop.artworks);
  const own = useShop((shop) => (fit ? blankOf(fit, shop) : undefined));
  const face = own && shownFace(own, fit ?? undefined);
  return (
    <span className="flex w-44 items-center gap-2">
      <span className="block h-[50px] w-[72px] shrink-0 bg-viewing">
        {fit && own && face && (
          <FitDrawing
            blank={own}
            face={face}
            sizeId={fit.sizeId}
            colour={own.blank.colours.find(({ id }) => id === fit.colourId)?.hex ?? '#ffffff'}
            pieces={fit.faces.find(({ faceId }) => faceId === face.id)?.pieces ?? []}
            pictureOf={(id) => {
              const artwork = artworks.get(id);
              return artwork && previewUrl(artwork);
            }}
            factsOf={(id) => artworks.get(id)?.facts}
            width={72}
            height={50}
          />
        )}
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
