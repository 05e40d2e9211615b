'use client';
import { Minus, Plus } from 'lucide-react';
import { Collapsible } from 'radix-ui';
import type { ReactNode } from 'react';

/** Words that open what stands under them. Opened and closed are plus and minus. */
export function Fold({
  title,
  open,
  ruled = true,
  className = '',
  children,
}: {
  title: ReactNode;
  /** Whether it is open at first. */
  open?: boolean;
  /** Whether it is a section with a line under its head. */
  ruled?: boolean;
  className?: string;
  children: ReactNode;
}) {
  return (
    <Collapsible.Root defaultOpen={open ?? false} className={className}>
      <Collapsible.Trigger
        className={`group/fold flex min-h-6 w-full items-center justify-between gap-2 text-left font-semibold ${ruled ? 'border-b border-ink pb-0.5' : ''}`}
      >
        <span>{title}</span>
        <Plus aria-hidden size={13} className="shrink-0 group-data-[state=open]/fold:hidden" />
        <Minus aria-hidden size={13} className="hidden shrink-0 group-data-[state=open]/fold:block" />
      </Collapsible.Trigger>
      <Collapsible.Content>{children}</Collapsible.Content>
    </Collapsible.Root>
  );
}
