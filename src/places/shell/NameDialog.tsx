'use client';
import type { ReactNode } from 'react';
import { Dialog, LeaveDialog } from '@/ui/Dialog';
import { NameForm, type NameAsked } from './NameForm';

/** Asks for a name before something is made. */
export function NameDialog({
  title,
  description,
  onClose,
  children,
  ...asked
}: NameAsked & {
  title: string;
  description: string;
  onClose: () => void;
  /** More that is asked, under the name. */
  children?: ReactNode;
}) {
  return (
    <Dialog title={title} description={description} className="top-40 w-[440px]" shade onClose={onClose}>
      <NameForm {...asked} beside={<LeaveDialog>Leave</LeaveDialog>}>
        {children}
      </NameForm>
    </Dialog>
  );
}
