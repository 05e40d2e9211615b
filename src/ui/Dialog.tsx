'use client';
import { Dialog as Radix } from 'radix-ui';
import { useState, type ReactNode } from 'react';
import { focusAgain, openerOf } from './focus';

interface Props {
  title: string;
  /** Says what it is for, under its name. */
  description?: string;
  className: string;
  onClose: () => void;
  /** Whether what lies behind is shaded. */
  shade?: boolean;
  onOpenAutoFocus?: (event: Event) => void;
  children: ReactNode;
}

/** What is open over a place and takes the keys: dialogs, menus, lists of a field. */
export const OPEN_OVER = '[role=dialog], [role=alertdialog], [role=menu], [data-radix-select-viewport]';

/** A message has an Undo of its own: pressing that is no way out of the dialog. */
function keepForMessages(event: { target: EventTarget | null; preventDefault: () => void }): void {
  if (event.target instanceof Element && event.target.closest('[data-sonner-toaster]'))
    event.preventDefault();
}

/** Laid over the page, to be answered or put away with Escape. */
export function Dialog({
  title,
  description,
  className,
  onClose,
  shade = false,
  onOpenAutoFocus,
  children,
}: Props) {
  // What is opened by a menu's line has no trigger of its own to give the focus back to.
  const [from] = useState(() => openerOf(document.activeElement));
  return (
    <Radix.Root
      open
      onOpenChange={(open) => {
        if (!open) onClose();
      }}
    >
      <Radix.Portal>
        {shade && <Radix.Overlay className="fixed inset-0 z-40 bg-viewing-ink/40" />}
        <Radix.Content
          onInteractOutside={keepForMessages}
          onCloseAutoFocus={(event) => {
            event.preventDefault();
            focusAgain(from);
          }}
          className={`fixed left-1/2 z-50 -translate-x-1/2 border border-ink bg-docket p-5 ${className}`}
          {...(description === undefined && { 'aria-describedby': undefined })}
          {...(onOpenAutoFocus && { onOpenAutoFocus })}
        >
          <Radix.Title className="mb-2 text-lg font-bold">{title}</Radix.Title>
          {description !== undefined && (
            <Radix.Description className="mb-3 text-ink-2">{description}</Radix.Description>
          )}
          {children}
        </Radix.Content>
      </Radix.Portal>
    </Radix.Root>
  );
}

/** The way out of a dialog that changes nothing. */
export function LeaveDialog({ children }: { children: ReactNode }) {
  return <Radix.Close className="verb ml-auto">{children}</Radix.Close>;
}
