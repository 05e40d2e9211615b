'use client';
import { useId } from 'react';

interface Option<T extends string> {
  id: T;
  name: string;
  /** What is to be known of it before it is chosen. */
  note?: string;
}

/** One of a few, each by its word; a radio group to the keyboard. */
export function OneOf<T extends string>({
  label,
  options,
  value,
  onChoose,
}: {
  label: string;
  options: readonly Option<T>[];
  value: T;
  onChoose: (value: T) => void;
}) {
  const group = useId();
  return (
    <fieldset className="flex items-baseline gap-4 border-b border-rule py-1">
      <legend className="float-left w-24 shrink-0 text-ink-2">{label}</legend>
      <div className="flex flex-wrap gap-x-5 gap-y-1">
        {options.map(({ id, name, note }) => (
          <label key={id} className="flex min-h-6 cursor-pointer items-baseline gap-1.5" title={note}>
            <input
              type="radio"
              name={group}
              checked={id === value}
              onChange={() => {
                onChoose(id);
              }}
              className="accent-thread"
            />
            <span className={id === value ? 'font-semibold' : ''}>{name}</span>
            {note && <span className="text-xs text-look">{note}</span>}
          </label>
        ))}
      </div>
    </fieldset>
  );
}
