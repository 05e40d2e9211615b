'use client';
import { useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { Dialog } from '@/ui/Dialog';
import { late } from '@/ui/late';

// Fetched when it is first asked for: the range opens without it.
const Everything = late(() => import('./Everything').then((module) => module.Everything));

/** Everything that can be gone to or done, by typing its name; on Ctrl K. */
export function Commands({ marks }: { marks: readonly { name: string; href: string }[] }) {
  const [open, setOpen] = useState(false);
  useHotkeys(
    'mod+k',
    () => {
      setOpen(true);
    },
    { preventDefault: true, enableOnFormTags: true },
  );
  if (!open) return null;
  return (
    <Dialog
      title="Go to, or do"
      className="top-16 w-[620px] max-w-[96vw]"
      shade
      onClose={() => {
        setOpen(false);
      }}
    >
      <Everything
        marks={marks}
        onDone={() => {
          setOpen(false);
        }}
      />
    </Dialog>
  );
}
