'use client';
import { useRef, useState, type ReactElement, type ReactNode } from 'react';
import { sentence } from '@/state/sentence';
import { Popup } from '@/ui/Popup';

/** A verb that asks for a few words first; what is in its way is said under them, and they stay. */
export function Ask({
  trigger,
  label,
  verb,
  align,
  placeholder = '',
  most = 300,
  note,
  onSaid,
}: {
  trigger: ReactElement;
  label: string;
  verb: string;
  align: 'start' | 'end';
  placeholder?: string;
  /** Letters at most. */
  most?: number;
  note?: ReactNode;
  /** Throws a sentence where the words will not do. */
  onSaid: (words: string) => Promise<void>;
}) {
  const field = useRef<HTMLInputElement>(null);
  const [open, setOpen] = useState(false);
  const [words, setWords] = useState('');
  const [trouble, setTrouble] = useState<string | null>(null);
  const say = async () => {
    try {
      await onSaid(words);
      setOpen(false);
      setWords('');
    } catch (error) {
      setTrouble(sentence(error));
      field.current?.focus();
    }
  };
  return (
    <Popup
      open={open}
      onOpen={(on) => {
        setOpen(on);
        setTrouble(null);
      }}
      trigger={trigger}
      align={align}
      className="w-80 p-3"
    >
      <form
        onSubmit={(event) => {
          event.preventDefault();
          void say();
        }}
      >
        <label className="flex flex-col text-sm text-ink-2">
          {label}
          <input
            ref={field}
            autoFocus
            value={words}
            placeholder={placeholder}
            maxLength={most}
            aria-invalid={trouble !== null}
            onChange={({ target }) => {
              setWords(target.value);
              setTrouble(null);
            }}
            className="border-b-2 border-ink bg-docket px-1 py-1 text-base text-ink placeholder:text-ink-2"
          />
        </label>
        <p role={trouble ? 'alert' : undefined} className="min-h-5 text-sm text-fix">
          {trouble}
        </p>
        <button className="action">{verb}</button>
        {note && <p className="mt-2 text-sm text-ink-2">{note}</p>}
      </form>
    </Popup>
  );
}
