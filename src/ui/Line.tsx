import type { ComponentProps } from 'react';

/** A line to be typed, its name above it. */
export function Line({ label, className = '', ...input }: ComponentProps<'input'> & { label: string }) {
  return (
    <label className={`flex flex-col text-sm text-ink-2 ${className}`}>
      {label}
      <input
        {...input}
        className="border-b-2 border-ink bg-docket px-1 py-1 text-base text-ink placeholder:text-ink-2"
      />
    </label>
  );
}
