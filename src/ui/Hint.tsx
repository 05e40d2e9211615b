'use client';
import { Tooltip } from 'radix-ui';
import type { ReactElement, ReactNode } from 'react';

/** Once round the application: how long hints wait, and that a second one comes at once. */
export function Hints({ children }: { children: ReactNode }) {
  return (
    <Tooltip.Provider delayDuration={450} skipDelayDuration={200}>
      {children}
    </Tooltip.Provider>
  );
}

/**
 * More of a thing in words, beside it while it is pointed at or has the focus: a cut name whole, what a verb does. Of
 * what cannot be used just now it says why, and so the hint is on something round it.
 */
export function Hint({
  words,
  disabled = false,
  children,
}: {
  /** Nothing where there is no more to say. */
  words: ReactNode;
  /** Whether what it is on is disabled, and so takes neither pointer nor focus itself. */
  disabled?: boolean;
  children: ReactElement;
}) {
  if (words === undefined || words === null || words === '') return children;
  return (
    <Tooltip.Root>
      <Tooltip.Trigger asChild>
        {disabled ? (
          <span tabIndex={0} className="inline-flex [&>:disabled]:pointer-events-none">
            {children}
          </span>
        ) : (
          children
        )}
      </Tooltip.Trigger>
      <Tooltip.Portal>
        <Tooltip.Content
          sideOffset={4}
          collisionPadding={8}
          className="pointer-events-none z-[70] max-w-80 border border-ink bg-docket px-2 py-1 text-sm text-ink [overflow-wrap:anywhere]"
        >
          {words}
        </Tooltip.Content>
      </Tooltip.Portal>
    </Tooltip.Root>
  );
}
