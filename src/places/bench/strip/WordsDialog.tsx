'use client';
import { useState } from 'react';
import { parseLength } from '@/core/length/parse';
import { showLength } from '@/core/length/show';
import type { TextPiece } from '@/core/fit/schema';
import type { Lettering } from '@/core/type/schema';
import { useHand } from '@/state/bench/hand';
import { Dialog, LeaveDialog } from '@/ui/Dialog';
import type { Live } from '../live/useLive';

interface Props {
  live: Live;
  piece: TextPiece;
  lettering: Lettering;
  onSet: (change: Partial<Lettering>) => void;
}

interface Row {
  text: string;
  /** As typed; empty for the block's own space. */
  gap: string;
}

/** The words, line by line, and the space under each line where it is not the block's own. */
export function WordsDialog({ live, lettering, onSet }: Props) {
  const { unit } = live;
  const [rows, setRows] = useState<Row[]>(() =>
    lettering.lines.map(({ text, gap }) => ({ text, gap: gap === null ? '' : showLength(gap, unit) })),
  );
  const read = rows.map(({ gap }) => (gap.trim() === '' ? null : parseLength(gap, { unit: unit.unit })));
  const wrong = read.find((one) => one && !one.ok);
  const close = () => {
    useHand.setState({ editing: null });
  };
  const change = (index: number, patch: Partial<Row>) => {
    setRows((so) => so.map((row, i) => (i === index ? { ...row, ...patch } : row)));
  };
  const focus = (index: number) => {
    requestAnimationFrame(() => document.querySelector<HTMLInputElement>(`#words-${index}`)?.select());
  };
  const keep = () => {
    if (wrong) return;
    onSet({ lines: rows.map(({ text }, i) => ({ text, gap: read[i]?.ok ? read[i].mm : null })) });
    close();
  };
  return (
    <Dialog
      title="Words"
      className="top-24 w-[520px]"
      onClose={close}
      onOpenAutoFocus={(event) => {
        event.preventDefault();
        focus(0);
      }}
    >
      <div className="mb-1 flex gap-3 text-xs text-ink-2">
        <span className="grow">line · Enter for another</span>
        <span className="w-32">space under it</span>
      </div>
      <div className="max-h-80 overflow-auto">
        {rows.map((row, index) => (
          <div key={index} className="flex items-center gap-3 border-b border-rule py-1">
            <input
              id={`words-${index}`}
              aria-label={`Line ${index + 1}`}
              value={row.text}
              onChange={(event) => {
                change(index, { text: event.target.value });
              }}
              onKeyDown={(event) => {
                if (event.key === 'Enter' && (event.ctrlKey || event.metaKey)) keep();
                else if (event.key === 'Enter') {
                  setRows((so) => [...so.slice(0, index + 1), { text: '', gap: '' }, ...so.slice(index + 1)]);
                  focus(index + 1);
                } else if (event.key === 'Backspace' && row.text === '' && rows.length > 1) {
                  event.preventDefault();
                  setRows((so) => so.filter((_, i) => i !== index));
                  focus(Math.max(0, index - 1));
                }
              }}
              className="min-w-0 grow border-b border-ink bg-docket px-1 py-0.5"
            />
            <input
              aria-label={`Space under line ${index + 1}`}
              value={row.gap}
              placeholder={showLength(lettering.gap, unit)}
              disabled={index === rows.length - 1}
              onChange={(event) => {
                change(index, { gap: event.target.value });
              }}
              className="measure w-32 border-b border-ink bg-tape-pale px-1 py-0.5 text-right text-on-tape disabled:invisible"
            />
          </div>
        ))}
      </div>
      {wrong && !wrong.ok && (
        <p role="alert" className="mt-2 text-sm text-fix">
          {wrong.message}
        </p>
      )}
      <div className="mt-4 flex items-center gap-4">
        <button className="action" onClick={keep} disabled={Boolean(wrong)}>
          Set these words
        </button>
        <span className="text-sm text-ink-2">Ctrl Enter</span>
        <LeaveDialog>Leave as it was</LeaveDialog>
      </div>
    </Dialog>
  );
}
