'use client';
import { useId } from 'react';
import { Select, type SelectProps } from './Select';

interface Props {
  label: string;
  value: string;
  placeholder?: string;
  /** What is wrong with it, or what it comes to. */
  trouble?: string | null;
  note?: string;
  /** A name and not a number: it is not written on the tape. */
  words?: boolean;
  /** As wide as there is room for. */
  wide?: boolean;
  onChange: (text: string) => void;
  children?: React.ReactNode;
}

/** A typed value with its name on the left, and what is wrong with it beneath. */
export function Field({
  label,
  value,
  placeholder,
  trouble,
  note,
  words = false,
  wide = false,
  onChange,
  children,
}: Props) {
  const id = useId();
  return (
    <div className="border-b border-rule py-1.5">
      <div className="flex items-center gap-3">
        <label htmlFor={id} className={wide ? 'shrink-0' : 'grow'}>
          {label}
        </label>
        {children}
        <input
          id={id}
          value={value}
          placeholder={placeholder}
          aria-invalid={Boolean(trouble)}
          aria-describedby={`${id}-note`}
          onChange={(event) => {
            onChange(event.target.value);
          }}
          className={`measure ${wide ? 'min-w-0 grow' : 'w-44'} border-b-2 border-ink px-2 py-1 text-right font-semibold placeholder:font-normal ${words ? 'bg-docket placeholder:text-ink-2' : 'bg-tape-pale text-on-tape placeholder:text-on-tape/75'}`}
        />
      </div>
      <p
        id={`${id}-note`}
        role={trouble ? 'alert' : undefined}
        className={`text-right text-sm ${trouble ? 'text-fix' : 'text-ink-2'}`}
      >
        {trouble ?? note}
      </p>
    </div>
  );
}

/** One of a few words. */
export function Choice<T extends string>({
  label,
  value,
  choices,
  onChange,
  className = 'w-44',
}: Pick<SelectProps<T>, 'label' | 'value' | 'choices' | 'onChange'> & { className?: string }) {
  const id = useId();
  return (
    <div className="flex items-center gap-3 border-b border-rule py-1.5">
      <label htmlFor={id} className="grow">
        {label}
      </label>
      <Select
        id={id}
        label={label}
        value={value}
        choices={choices}
        onChange={onChange}
        className={`shrink-0 ${className}`}
      />
    </div>
  );
}
