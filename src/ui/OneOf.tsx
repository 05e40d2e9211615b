'use client';
import { RadioGroup } from 'radix-ui';
import { useId } from 'react';
import { Hint } from './Hint';

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
    <div className="flex items-baseline gap-4 border-b border-rule py-1">
      <span id={group} className="w-24 shrink-0 text-ink-2">
        {label}
      </span>
      <RadioGroup.Root
        aria-labelledby={group}
        value={value}
        onValueChange={(id) => {
          onChoose(id as T);
        }}
        className="flex flex-wrap gap-x-5 gap-y-1"
      >
        {options.map(({ id, name, note }) => (
          <Hint key={id} words={note}>
            <span className="flex min-h-6 items-center gap-1.5">
              <RadioGroup.Item
                id={`${group}-${id}`}
                value={id}
                className="grid h-4 w-4 shrink-0 place-items-center rounded-full border border-ink bg-docket data-[state=checked]:border-thread"
              >
                <RadioGroup.Indicator className="h-2 w-2 rounded-full bg-thread" />
              </RadioGroup.Item>
              <label
                htmlFor={`${group}-${id}`}
                className={`cursor-pointer ${id === value ? 'font-semibold' : ''}`}
              >
                {name}
              </label>
              {note && <span className="text-xs text-look">{note}</span>}
            </span>
          </Hint>
        ))}
      </RadioGroup.Root>
    </div>
  );
}
