'use client';
import { useId } from 'react';
import { idsIn, type Entry } from '@/core/blank/entries/entry';
import { Checkbox } from '@/ui/Checkbox';
import { Select } from '@/ui/Select';

type Shown = Pick<Entry<never>, 'name' | 'kind' | 'options' | 'placeholder' | 'number'>;

/** One thing that a record says, to be typed, chosen or ticked; under its name where it comes from. */
export function EntryField({
  entry,
  value,
  source,
  trouble,
  changed = false,
  bare = false,
  onChange,
}: {
  entry: Shown;
  value: string;
  /** Where it comes from, in words; `assumed` stands out. */
  source: string | null;
  trouble: string | null;
  changed?: boolean;
  /** Its name is heard only: a question over it says what is asked. */
  bare?: boolean;
  onChange: (text: string) => void;
}) {
  const id = useId();
  const { name, kind } = entry;
  const wide = kind === 'some' || (kind === 'typed' && !entry.number);
  return (
    <div className="border-b border-rule py-1">
      <div className={`flex gap-3 ${kind === 'some' ? 'flex-col gap-y-0' : 'items-center'}`}>
        <label htmlFor={id} className={bare ? 'sr-only' : wide ? 'shrink-0' : 'min-w-0 grow'}>
          {name}
          {changed && <span className="text-sm text-thread"> · changed</span>}
          {!changed && source !== null && (
            <span className={`text-sm ${source === 'assumed' ? 'text-look' : 'text-ink-2'}`}>
              {' '}
              · {source}
            </span>
          )}
        </label>
        {kind === 'typed' && (
          <input
            id={id}
            value={value}
            placeholder={entry.placeholder}
            aria-invalid={trouble !== null}
            aria-describedby={`${id}-trouble`}
            onChange={({ target }) => {
              onChange(target.value);
            }}
            className={`measure min-w-0 border-b px-1.5 py-0.5 text-right font-semibold placeholder:font-normal ${entry.number ? 'w-36 shrink-0 border-ink bg-tape-pale text-on-tape placeholder:text-on-tape/75' : 'grow border-rule bg-docket placeholder:text-ink-2 focus:border-ink'}`}
          />
        )}
        {kind === 'one' && (
          <Select
            id={id}
            label={name}
            value={value}
            choices={entry.options}
            onChange={onChange}
            className="max-w-52 shrink-0 text-sm"
          />
        )}
        {kind === 'some' && <Ticks entry={entry} value={value} onChange={onChange} />}
      </div>
      <p
        id={`${id}-trouble`}
        role={trouble === null ? undefined : 'alert'}
        className="text-right text-sm text-fix empty:hidden"
      >
        {trouble}
      </p>
    </div>
  );
}

function Ticks({
  entry: { name, options },
  value,
  onChange,
}: {
  entry: Shown;
  value: string;
  onChange: (text: string) => void;
}) {
  const ids = idsIn(value);
  return (
    <span role="group" aria-label={name} className="flex flex-wrap gap-x-4 text-sm">
      {options.map(([id, word]) => (
        <Checkbox
          key={id}
          checked={ids.includes(id)}
          onChange={(on) => {
            onChange((on ? [...ids, id] : ids.filter((one) => one !== id)).join(','));
          }}
        >
          {word}
        </Checkbox>
      ))}
    </span>
  );
}
