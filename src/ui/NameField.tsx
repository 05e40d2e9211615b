'use client';
import { useState } from 'react';
import { Hint } from './Hint';

interface Props {
  value: string;
  label: string;
  /** As large as the words round it, and not a heading. */
  small?: boolean;
  /** What stands there while it has none. */
  placeholder?: string;
  onName: (name: string) => void;
}

/** A name that can be changed where it stands; Enter or leaving it keeps it, Escape does not. */
export function NameField({ value, label, small = false, placeholder, onName }: Props) {
  const [text, setText] = useState<string | null>(null);
  const finish = () => {
    const name = text?.trim() ?? '';
    if (name !== '' && name !== value) onName(name);
    setText(null);
  };
  return (
    <Hint words={value}>
      <input
        aria-label={label}
        placeholder={placeholder}
        value={text ?? value}
        onChange={(event) => {
          setText(event.target.value);
        }}
        onBlur={finish}
        onKeyDown={(event) => {
          if (event.key === 'Enter') event.currentTarget.blur();
          if (event.key === 'Escape') setText(null);
        }}
        className={`-mx-1 w-full shrink-0 text-ellipsis border-b border-transparent px-1 hover:border-rule focus:border-ink ${small ? 'font-semibold' : 'text-lg font-bold'}`}
      />
    </Hint>
  );
}
