'use client';
import { useId, useRef, useState, type ReactNode } from 'react';
import { sentence } from '@/state/sentence';
import { Line } from '@/ui/Line';

export interface NameAsked {
  label: string;
  verb: string;
  /** What stands in the field at first. */
  first?: string;
  placeholder?: string;
  /** Letters at most. */
  most?: number;
  /** Throws a sentence where the words will not do. */
  onSaid: (words: string) => Promise<void>;
}

/** A few words that are asked for; what is in their way is said under them, and they stay. */
export function NameForm({
  label,
  verb,
  first = '',
  placeholder,
  most,
  onSaid,
  children,
  beside,
}: NameAsked & {
  /** More that is asked, under the words. */
  children?: ReactNode;
  /** What stands beside the verb. */
  beside?: ReactNode;
}) {
  const [words, setWords] = useState(first);
  const [trouble, setTrouble] = useState<string | null>(null);
  const field = useRef<HTMLInputElement>(null);
  const note = useId();
  const say = async () => {
    try {
      await onSaid(words);
    } catch (error) {
      setTrouble(sentence(error));
      field.current?.focus();
    }
  };
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        void say();
      }}
    >
      <Line
        label={label}
        ref={field}
        value={words}
        autoFocus
        placeholder={placeholder}
        maxLength={most}
        aria-invalid={trouble !== null}
        aria-describedby={note}
        onChange={({ target }) => {
          setWords(target.value);
          setTrouble(null);
        }}
      />
      <p id={note} role={trouble ? 'alert' : undefined} className="min-h-6 text-sm text-fix">
        {trouble}
      </p>
      {children}
      <div className="mt-1 flex items-center gap-4">
        <button type="submit" className="action">
          {verb}
        </button>
        {beside}
      </div>
    </form>
  );
}
