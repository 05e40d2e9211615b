'use client';
import { useState } from 'react';
import { Field } from './Field';

/** A field that keeps what was typed when it is left; what does not read says why and stays. */
export function Typed({
  label,
  value,
  placeholder,
  words = false,
  wide = false,
  onSet,
}: {
  label: string;
  value: string;
  placeholder: string;
  words?: boolean;
  wide?: boolean;
  /** Why it cannot be kept so; null where it is. */
  onSet: (text: string) => string | null;
}) {
  const [text, setText] = useState<string | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  return (
    <span
      className="block"
      onBlur={() => {
        if (text === null) return;
        const why = text === value ? null : onSet(text);
        setTrouble(why);
        if (why === null) setText(null);
      }}
      onKeyDown={(event) => {
        if (event.key === 'Enter') (event.target as HTMLElement).blur();
        if (event.key === 'Escape') {
          setText(null);
          setTrouble(null);
        }
      }}
    >
      <Field
        label={label}
        value={text ?? value}
        placeholder={placeholder}
        words={words}
        wide={wide}
        trouble={trouble}
        onChange={setText}
      />
    </span>
  );
}
