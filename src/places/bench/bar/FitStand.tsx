'use client';
import { takeOver } from '@/state/bench/open-fit';
import { keepWaiting, useSaving } from '@/state/bench/save-queue';
import { Hint } from '@/ui/Hint';

/** How the last edit stands: under the hand, on its way to the disk, on it, or refused. */
export function FitStand({ following, dragging }: { following: boolean; dragging: boolean }) {
  const { phase, trouble } = useSaving();
  if (following) {
    return (
      <span className="flex items-center gap-3 text-sm">
        <span role="status" className="text-look">
          Another tab works on this fit
        </span>
        <button className="verb" onClick={takeOver}>
          Take it over
        </button>
      </span>
    );
  }
  if (phase === 'refused') {
    return (
      <span className="flex items-center gap-3 text-sm">
        <Hint words={trouble}>
          <span role="alert" className="max-w-64 truncate text-fix">
            {trouble}
          </span>
        </Hint>
        <button className="verb" onClick={() => void keepWaiting()}>
          Try again
        </button>
      </span>
    );
  }
  const word = dragging ? 'moving' : phase === 'saving' ? 'saving…' : 'Saved';
  return (
    <span role="status" data-saving={dragging ? 'moving' : phase} className="w-12 text-sm text-ink-2">
      {word}
    </span>
  );
}
