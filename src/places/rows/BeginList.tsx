'use client';
import Link from 'next/link';
import { useState } from 'react';
import type { Fit } from '@/core/fit/schema';
import { slotNames } from '@/core/rows/slots';
import { sentence } from '@/state/sentence';
import { readListFile, readPastedList, saveList } from '@/state/rows/list';
import { tellDone } from '@/ui/tell';
import { useFilePicker } from '@/ui/useFilePicker';

interface Props {
  title: string;
  bench: string;
  fit: Fit;
}

/** Where a list comes from: pasted, or a file of CSV. */
export function BeginList({ title, bench, fit }: Props) {
  return (
    <>
      <div className="flex h-[46px] shrink-0 items-center gap-5 border-b border-rule bg-frame px-4">
        <h1 className="truncate text-lg font-bold">{title}</h1>
        <Link href={bench} className="verb ml-auto whitespace-nowrap">
          Back to the bench
        </Link>
      </div>
      <div className="mx-auto w-full max-w-[760px] px-4 pt-12">
        <ListForm fit={fit} />
      </div>
    </>
  );
}

/** A table to be pasted or chosen; it takes the place of the one that there is. */
export function ListForm({ fit, onTaken }: { fit: Fit; onTaken?: () => void }) {
  const slots = slotNames(fit);
  const [text, setText] = useState('');
  const [trouble, setTrouble] = useState<string | null>(null);
  const take = async (
    read: () => Promise<ReturnType<typeof readPastedList>> | ReturnType<typeof readPastedList>,
  ) => {
    try {
      const { columns, rows } = await read();
      const { undo } = await saveList(fit.designId, { columns, rows });
      tellDone(`${rows.length} ${rows.length === 1 ? 'row is' : 'rows are'} taken.`, undo);
      onTaken?.();
    } catch (error) {
      setTrouble(sentence(error));
    }
  };
  const picker = useFilePicker('Choose a list', (file) => void take(() => readListFile(file)));
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        void take(() => readPastedList(text));
      }}
    >
      <label className="block">
        <span className="font-semibold">Paste a table here</span>
        <span className="block text-sm text-ink-2">
          from a sheet or as CSV. Its first row names the columns,{' '}
          {slots.map((slot) => `“${slot}”`).join(', ')}
          {slots.length > 1 ? ' among them' : ''}; each row under it is one print.
        </span>
        <textarea
          value={text}
          rows={9}
          spellCheck={false}
          placeholder={[slots.join('\t'), slots.map((slot) => `first ${slot}`).join('\t')].join('\n')}
          className="measure mt-2 w-full border border-ink bg-docket px-2 py-1.5"
          onChange={(event) => {
            setText(event.target.value);
          }}
        />
      </label>
      {trouble && (
        <p role="alert" className="mt-1 text-fix">
          {trouble}
        </p>
      )}
      <div className="mt-3 flex items-center gap-5">
        <button className="action" disabled={text.trim() === ''}>
          Take these rows
        </button>
        {picker.input}
        <button type="button" className="verb" onClick={picker.open}>
          Choose a CSV…
        </button>
      </div>
    </form>
  );
}
