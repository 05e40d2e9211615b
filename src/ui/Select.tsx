'use client';
import { Check, ChevronDown } from 'lucide-react';
import { Select as Radix } from 'radix-ui';
import type { ReactNode } from 'react';

export interface SelectProps<T extends string> {
  label: string;
  id?: string;
  value: T;
  choices: readonly (readonly [value: T, name: ReactNode])[];
  disabled?: boolean;
  className?: string;
  onChange: (value: T) => void;
}

/** Radix takes no empty value for a choice, and “none of them” is one. */
const KEY = 'is:';

/** One of a list, which opens over the page. */
export function Select<T extends string>({
  label,
  id,
  value,
  choices,
  disabled = false,
  className = '',
  onChange,
}: SelectProps<T>) {
  return (
    <Radix.Root
      value={KEY + value}
      disabled={disabled}
      onValueChange={(key) => {
        onChange(key.slice(KEY.length) as T);
      }}
    >
      <Radix.Trigger
        id={id}
        aria-label={label}
        data-arrows
        className={`inline-flex min-h-6 items-center justify-between gap-2 border border-rule bg-docket px-2 py-1 text-left disabled:text-ink-2 ${className}`}
      >
        <span className="truncate">
          <Radix.Value />
        </span>
        <ChevronDown aria-hidden size={13} className="shrink-0 text-ink-2" />
      </Radix.Trigger>
      <Radix.Portal>
        <Radix.Content
          position="popper"
          sideOffset={2}
          collisionPadding={8}
          className="z-[60] max-h-[min(24rem,var(--radix-select-content-available-height))] min-w-[var(--radix-select-trigger-width)] overflow-y-auto border border-ink bg-docket text-sm"
        >
          {/* The list itself scrolls, not a part of it that no key would come to. */}
          <Radix.Viewport className="py-1" style={{ overflow: 'visible' }}>
            {choices.map(([choice, name]) => (
              <Radix.Item
                key={choice}
                value={KEY + choice}
                data-value={choice}
                className="flex min-h-6 cursor-pointer items-center gap-2 py-1 pl-2 pr-4 outline-none data-[highlighted]:bg-thread data-[highlighted]:text-on-thread"
              >
                <span className="w-3.5 shrink-0">
                  <Radix.ItemIndicator>
                    <Check aria-hidden size={13} />
                  </Radix.ItemIndicator>
                </span>
                <Radix.ItemText>{name}</Radix.ItemText>
              </Radix.Item>
            ))}
          </Radix.Viewport>
        </Radix.Content>
      </Radix.Portal>
    </Radix.Root>
  );
}
