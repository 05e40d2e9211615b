'use client';
import { useState } from 'react';
import { toast } from '@/ui/toast';
import { keepAct, noteAct } from '@/state/many/kept';
import { doAct, previewAct, type ActProgress, type ActRow, type Target } from '@/state/many/preview';
import { sentence } from '@/state/sentence';
import { Dialog, LeaveDialog } from '@/ui/Dialog';
import { Popup } from '@/ui/Popup';
import { tellDone } from '@/ui/tell';
import { NameForm } from '../../shell/NameForm';
import { useWork } from '../../shell/useWork';
import { WorkLine } from '../../shell/WorkLine';
import { ActAsks, firstAnswers } from './ActAsks';
import { ActRows } from './ActRows';
import { ACTS, type ActId } from './acts';
import type { Answers } from './acts/act';

interface Props {
  id: ActId;
  /** What was answered before. */
  first: Answers;
  /** What is chosen that the act can be done to. */
  chosen: readonly Target[];
  onClose: () => void;
}

/** Shows what an act would do to each fit, measured, before any of it is done; then does it as one act. */
export function ActDialog({ id, first, chosen, onClose }: Props) {
  const act = ACTS[id];
  const targets = act.reaches?.(chosen) ?? chosen;
  const [answers, setAnswers] = useState<Answers>(() => firstAnswers(act, targets, first));
  const [rows, setRows] = useState<ActRow[] | null>(null);
  const { progress, trouble, run, stop } = useWork<ActProgress>();
  const missing = act.asks.find((ask) => (answers[ask.id] ?? '').trim() === '');
  const changed = (rows ?? []).filter(({ next }) => next !== null);
  const settings = act.settings?.(targets, answers) ?? null;
  const see = () =>
    run({ done: 0, of: targets.length, rows: [] }, async (asked) => {
      const change = (target: Target) => act.change(target, answers, targets);
      setRows(await previewAct(targets, { change, settings }, asked));
    });
  const perform = async () => {
    try {
      await noteAct({ act: id, answers: { ...answers } });
      const { result, undo } = await doAct(changed, settings);
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
      description={`${targets.length} ${targets.length === 1 ? 'fit' : 'fits'}${targets.length > chosen.length ? `, ${targets.length - chosen.length} of them not chosen` : ''}. Nothing is changed until you have seen what it does.`}
      // Its foot stays above the messages, which say what the act before this one did.
      className="top-8 flex max-h-[calc(100vh-10rem)] w-[760px] flex-col"
      shade
      // What asks nothing is looked at straight away.
      onOpenAutoFocus={() => {
        if (act.asks.length === 0) void see();
      }}
      onClose={() => {
        stop();
        onClose();
      }}
    >
      <ActAsks
        act={act}
        targets={targets}
        answers={answers}
        onAnswer={(asked, value) => {
          setAnswers((so) => ({ ...so, [asked]: value }));
          setRows(null);
        }}
      />
      <WorkLine
        words={progress && `Measured ${progress.done} of ${progress.of}`}
        label="Measuring"
        share={progress ? progress.done / Math.max(1, progress.of) : 0}
        trouble={trouble}
        className="mt-3"
        onStop={stop}
      />
      {progress && progress.rows.length > 0 && <ActRows rows={progress.rows} of={targets.length} measuring />}
      {rows && !progress && <ActRows rows={rows} of={targets.length} />}
      <div className="mt-4 flex items-center gap-4">
        {rows === null && (act.asks.length > 0 || progress === null) && (
          <button
            className="action"
            disabled={missing !== undefined || progress !== null || targets.length === 0}
            onClick={() => void see()}
          >
            See what it does
          </button>
        )}
        {rows !== null && (
          <button
            className="action"
            disabled={changed.length === 0 || progress !== null}
            onClick={() => void perform()}
          >
            Do it to {changed.length}
          </button>
        )}
        {missing && rows === null && <span className="text-sm text-ink-2">Say {missing.label} first.</span>}
        {!missing && <KeepByName id={id} answers={answers} />}
        <LeaveDialog>Leave</LeaveDialog>
      </div>
    </Dialog>
  );
}

/** Keeps an act with its answers under a name, to be done to others. */
function KeepByName({ id, answers }: { id: ActId; answers: Answers }) {
  const [open, setOpen] = useState(false);
  return (
    <Popup
      open={open}
      onOpen={setOpen}
      align="start"
      className="w-80"
      trigger={<button className="verb">Keep it by name…</button>}
    >
      <NameForm
        label="what it is called, for the next time"
        verb="Keep"
        most={120}
        onSaid={async (name) => {
          const undo = await keepAct(name, { act: id, answers: { ...answers } });
          setOpen(false);
          tellDone(`“${name.trim()}” is kept among what can be done.`, undo);
        }}
      />
    </Popup>
  );
}
