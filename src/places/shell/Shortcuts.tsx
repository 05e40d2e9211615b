'use client';
import * as Dialog from '@radix-ui/react-dialog';
import { useEffect, useState } from 'react';
import { isTyping } from './typing';

const KEYS: readonly (readonly [keys: string, what: string])[] = [
  ['?', 'This sheet'],
  ['Tab', 'Next piece, then its dimensions'],
  ['Arrows', 'Nudge by 1 mm or 1/16 in; with Shift ten steps; with Alt a tenth'],
  ['F', 'Fit the motif inside the safe area'],
  ['B', 'Cover the bleed'],
  ['C', 'Centre on the nearest zone, across and down'],
  ['W', 'Type the width'],
  ['H', 'Type the height'],
  ['R', 'Change role: ground or motif'],
  ['Delete', 'Take the piece off'],
  ['Alt while dragging', 'Do not snap'],
  ['Ctrl Z, Ctrl Shift Z', 'Undo, redo'],
  ['L', 'Show or hide the legend'],
];

/** The sheet of shortcuts, on `?`. */
export function Shortcuts() {
  const [open, setOpen] = useState(false);
  useEffect(() => {
    const show = (event: KeyboardEvent) => {
      if (event.key === '?' && !isTyping(event)) setOpen(true);
    };
    addEventListener('keydown', show);
    return () => {
      removeEventListener('keydown', show);
    };
  }, []);
  return (
    <Dialog.Root open={open} onOpenChange={setOpen}>
      <Dialog.Trigger aria-label="Keys">?</Dialog.Trigger>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-viewing-ink/40" />
        <Dialog.Content
          className="fixed left-1/2 top-16 z-50 w-[520px] -translate-x-1/2 border border-ink bg-docket p-6"
          aria-describedby={undefined}
        >
          <Dialog.Title className="mb-3 text-lg font-bold">Keys</Dialog.Title>
          <dl>
            {KEYS.map(([keys, what]) => (
              <div key={keys} className="flex gap-4 border-b border-rule py-1">
                <dt className="measure w-40 shrink-0 font-semibold">{keys}</dt>
                <dd>{what}</dd>
              </div>
            ))}
          </dl>
          <Dialog.Close className="verb mt-4">Close</Dialog.Close>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
