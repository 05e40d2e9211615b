'use client';
import { Popover } from 'radix-ui';
import type { ReactElement, ReactNode } from 'react';

/** What opens beside a button and stays until it is answered or left. */
export function Popup({
  open,
  onOpen,
  trigger,
  align = 'center',
  className = '',
  children,
}: {
  /** Where what lies round it opens and closes it. */
  open?: boolean;
  onOpen?: (open: boolean) => void;
  trigger: ReactElement;
  align?: 'start' | 'center' | 'end';
  className?: string;
  children: ReactNode;
}) {
  return (
    <Popover.Root {...(open !== undefined && { open })} {...(onOpen && { onOpenChange: onOpen })}>
      <Popover.Trigger asChild>{trigger}</Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          align={align}
          sideOffset={6}
          collisionPadding={8}
          data-arrows
          className={`z-40 border border-ink bg-docket p-3 text-sm ${className}`}
        >
          {children}
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
