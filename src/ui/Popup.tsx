'use client';
import { Popover } from 'radix-ui';
import type { ReactElement, ReactNode } from 'react';

/** What opens beside a button and stays until it is answered or left. */
export function Popup({
  trigger,
  align = 'center',
  className = '',
  children,
}: {
  trigger: ReactElement;
  align?: 'start' | 'center' | 'end';
  className?: string;
  children: ReactNode;
}) {
  return (
    <Popover.Root>
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
