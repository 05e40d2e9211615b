'use client';
import { useState, type ReactElement, type ReactNode } from 'react';
import { Popup } from '@/ui/Popup';
import { NameForm, type NameAsked } from './NameForm';

/** A verb that asks for a few words first. */
export function Ask({
  trigger,
  align,
  most = 300,
  note,
  onSaid,
  ...asked
}: NameAsked & { trigger: ReactElement; align: 'start' | 'end'; note?: ReactNode }) {
  const [open, setOpen] = useState(false);
  return (
    <Popup open={open} onOpen={setOpen} trigger={trigger} align={align} className="w-80 p-3">
      <NameForm
        {...asked}
        most={most}
        onSaid={async (words) => {
          await onSaid(words);
          setOpen(false);
        }}
      />
      {note && <p className="mt-2 text-sm text-ink-2">{note}</p>}
    </Popup>
  );
}
