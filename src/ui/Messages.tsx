'use client';
import { useEffect } from 'react';
import { toast, Toaster } from 'sonner';
import { showWith } from './toast';

/** The corner of the page where messages stand. What is said before it is there waits for it. */
export function Messages() {
  // After the corner's own: it is heard from now on.
  useEffect(() => {
    showWith(toast);
  }, []);
  return (
    <Toaster
      position="bottom-left"
      style={{ fontFamily: 'inherit' }}
      toastOptions={{
        unstyled: true,
        // A dialog takes the pointer from all that is not in it; what a message offers stays within reach.
        style: { pointerEvents: 'auto' },
        classNames: {
          toast: 'flex items-center gap-4 border border-ink bg-docket px-4 py-2.5 text-ink w-[360px]',
          actionButton: 'verb ml-auto min-h-6 shrink-0 px-1',
        },
      }}
    />
  );
}
