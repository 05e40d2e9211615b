'use client';
import { useEffect, useId, useRef, useState } from 'react';
import { parseLength } from '@/core/length/parse';
import { showLength, typedLength, type UnitSetting } from '@/core/length/show';

interface Props {
  name: string;
  mm: number;
  unit: UnitSetting;
  /** Says why a length will not do, or null. */
  refuse?: ((mm: number) => string | null) | undefined;
  onSet: (mm: number) => void;
  onLeave: () => void;
  /** Goes on to the next number, or the one before, once this one is set. */
  onNext?: (back: boolean) => void;
}

/** A length under the hand: takes `5 3/8 in + 4 mm`, shows what it comes to, says which character is off. */
export function LengthField({ name, mm, unit, refuse, onSet, onLeave, onNext }: Props) {
  const [text, setText] = useState(typedLength(mm, unit));
  const input = useRef<HTMLInputElement>(null);
  const note = useId();
  useEffect(() => {
    input.current?.select();
  }, []);

  const reading = parseLength(text, { unit: unit.unit });
  const refusal = reading.ok ? (refuse?.(reading.mm) ?? null) : reading.message;
  const finish = () => {
    if (reading.ok && refusal === null) {
      if (text !== typedLength(mm, unit)) onSet(reading.mm);
      onLeave();
    } else if (!reading.ok) {
      input.current?.setSelectionRange(reading.at, reading.at + 1);
    }
  };
  return (
    <span className="relative inline-block">
      <input
        ref={input}
        aria-label={name}
        aria-invalid={refusal !== null}
        aria-describedby={note}
        value={text}
        size={Math.max(8, text.length)}
        onChange={(event) => {
          setText(event.target.value);
        }}
        onBlur={() => {
          if (reading.ok && refusal === null) finish();
          else onLeave();
        }}
        onKeyDown={(event) => {
          event.stopPropagation();
          if (event.key === 'Enter') finish();
          if (event.key === 'Tab' && onNext && reading.ok && refusal === null) {
            event.preventDefault();
            finish();
            onNext(event.shiftKey);
          }
          if (event.key === 'Escape') onLeave();
        }}
        className="measure border-b-2 border-ink bg-tape px-1.5 py-0.5 text-center font-semibold text-on-tape outline-none"
      />
      <span
        id={note}
        role="status"
        className={`measure absolute left-1/2 top-full z-20 w-max max-w-72 -translate-x-1/2 bg-docket px-1.5 py-0.5 text-sm ${refusal ? 'text-fix' : 'text-ink-2'}`}
      >
        {refusal ??
          (reading.ok
            ? `= ${showLength(reading.mm, { ...unit, unit: unit.unit === 'mm' ? 'in' : 'mm' })}`
            : '')}
      </span>
    </span>
  );
}
