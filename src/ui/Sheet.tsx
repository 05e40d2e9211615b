'use client';
import * as Dialog from '@radix-ui/react-dialog';
import type { ReactNode } from 'react';

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

/** A sheet laid over the page, to be answered or put away with Escape. */
export function Sheet({
  title,
  description,
  className,
  onClose,
  shade = false,
  onOpenAutoFocus,
  children,
}: Props) {
  return (
    <Dialog.Root
      open
      onOpenChange={(open) => {
        if (!open) onClose();
      }}
    >
      <Dialog.Portal>
        {shade && <Dialog.Overlay className="fixed inset-0 z-40 bg-viewing-ink/40" />}
        <Dialog.Content
          className={`fixed left-1/2 z-50 -translate-x-1/2 border border-ink bg-docket p-5 ${className}`}
          {...(description === undefined && { 'aria-describedby': undefined })}
          {...(onOpenAutoFocus && { onOpenAutoFocus })}
        >
          <Dialog.Title className="mb-2 text-lg font-bold">{title}</Dialog.Title>
          {description !== undefined && (
            <Dialog.Description className="mb-3 text-ink-2">{description}</Dialog.Description>
          )}
          {children}
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

/** The way out of a sheet that changes nothing. */
export function LeaveSheet({ children }: { children: ReactNode }) {
  return <Dialog.Close className="verb ml-auto">{children}</Dialog.Close>;
}
