'use client';
import { useState, type ReactNode } from 'react';

interface Props {
  name: string;
  value: number;
  from: number;
  to: number;
  unit?: string;
  onSet: (value: number) => void;
  children: ReactNode;
}

/** A whole number in a line of words that can be typed over where it stands; Enter or leaving it keeps it, Escape does not. */
export function CountValue({ name, value, from, to, unit = '', onSet, children }: Props) {
  const [text, setText] = useState<string | null>(null);
  const typed = Number(text);
  const wrong = text !== null && !(Number.isInteger(typed) && typed >= from && typed <= to);
  return (
    <label className="flex items-center gap-1 whitespace-nowrap">
      <span className="text-ink-2">{children}</span>
      <input
        aria-label={`${name}, ${from} to ${to}`}
        aria-invalid={wrong}
        inputMode="numeric"
        value={text ?? String(value)}
        className="measure w-12 bg-tape-pale px-1 text-right text-on-tape hover:bg-tape aria-[invalid=true]:outline aria-[invalid=true]:outline-2 aria-[invalid=true]:outline-fix"
        onFocus={(event) => {
          setText(String(value));
          event.currentTarget.select();
        }}
        onChange={(event) => {
          setText(event.target.value);
        }}
        onBlur={() => {
          if (text !== null && !wrong && typed !== value) onSet(typed);
          setText(null);
        }}
        onKeyDown={(event) => {
          if (event.key === 'Enter') event.currentTarget.blur();
          if (event.key === 'Escape') {
            setText(String(value));
            event.currentTarget.blur();
          }
          event.stopPropagation();
        }}
      />
      {unit !== '' && <span className="measure">{unit}</span>}
      {wrong && (
        <span role="alert" className="text-fix">
          {from} to {to}
        </span>
      )}
    </label>
  );
}
