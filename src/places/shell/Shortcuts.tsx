'use client';
import { useState } from 'react';
import { late } from '@/ui/late';
import { useHotkeys } from 'react-hotkeys-hook';

const KeysDialog = late(() => import('./KeysDialog').then((module) => module.KeysDialog));

/** All keys by what they do, on `?`. */
export function Shortcuts() {
  const [open, setOpen] = useState(false);
  useHotkeys(
    '?',
    () => {
      setOpen(true);
    },
    // With Shift on some keyboards and without on others.
    { useKey: true, ignoreModifiers: true },
  );
  return (
    <>
      <button
        aria-label="Keys"
        onClick={() => {
          setOpen(true);
        }}
      >
        ?
      </button>
      {open && (
        <KeysDialog
          onClose={() => {
            setOpen(false);
          }}
        />
      )}
    </>
  );
}
