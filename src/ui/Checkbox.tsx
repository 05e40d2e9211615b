'use client';
import { Check } from 'lucide-react';
import { Checkbox as Radix } from 'radix-ui';
import { useId, type ReactNode } from 'react';

interface Props {
  checked: boolean;
  disabled?: boolean;
  className?: string;
  /** −1 where Tab does not come to it, as in a grid that has one stop. */
  tabIndex?: number;
  onChange: (checked: boolean) => void;
}

const BOX =
  'inline-grid h-4 w-4 shrink-0 place-items-center align-middle border border-ink bg-docket text-on-thread data-[state=checked]:border-thread data-[state=checked]:bg-thread disabled:opacity-50';

function Box({
  checked,
  disabled = false,
  className = '',
  onChange,
  ...names
}: Props & { id?: string; 'aria-label'?: string }) {
  return (
    <Radix.Root
      {...names}
      className={`${BOX} ${className}`}
      checked={checked}
      disabled={disabled}
      onCheckedChange={(state) => {
        onChange(state === true);
      }}
    >
      <Radix.Indicator>
        <Check aria-hidden size={12} strokeWidth={3} />
      </Radix.Indicator>
    </Radix.Root>
  );
}

/** Yes or no, with its words beside it. */
export function Checkbox({
  spoken,
  children,
  className = '',
  ...box
}: Props & {
  children: ReactNode;
  /** Its name where the words alone do not say of what. */ spoken?: string;
}) {
  const id = useId();
  return (
    <span className={`flex min-h-6 items-center gap-2 ${className}`}>
      <Box {...box} id={id} {...(spoken !== undefined && { 'aria-label': spoken })} />
      <label htmlFor={id} className="cursor-pointer">
        {children}
      </label>
    </span>
  );
}

/** Yes or no of a row, whose words stand elsewhere. */
export function Tick({ label, ...box }: Props & { label: string; id?: string }) {
  return <Box {...box} aria-label={label} />;
}
