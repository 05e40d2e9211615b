'use client';
import { useState } from 'react';
import { StopButton } from '@/ui/StopButton';
import type { Live } from '../live/useLive';
import { PrintDialog } from './PrintDialog';
import { usePrintWork } from './usePrintWork';

/** Makes the print file that the house asks for, or others by choice. */
export function PrintButton({ live }: { live: Live }) {
  const work = usePrintWork();
  const [open, setOpen] = useState(false);
  const bare = live.pieces.length === 0;
  if (work.share !== null) return <StopButton share={work.share} className="w-[132px]" onStop={work.stop} />;
  return (
    <span className="flex items-center gap-3">
      <button
        className="action w-[132px]"
        disabled={bare}
        onClick={() => void work.make(live.fit, live.face.id, 'face', {})}
      >
        Make print file
      </button>
      <button
        className="verb"
        onClick={() => {
          setOpen(true);
        }}
      >
        other formats…
      </button>
      {open && (
        <PrintDialog
          live={live}
          work={work}
          onClose={() => {
            setOpen(false);
          }}
        />
      )}
    </span>
  );
}
