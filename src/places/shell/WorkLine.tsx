'use client';
import { Progress } from '@/ui/Progress';

interface Props {
  /** How far it is, in words; null while nothing is under way. */
  words: string | null;
  /** What is going on, for those who hear it. */
  label: string;
  /** 0 to 1. */
  share: number;
  /** Why it could not go on. */
  trouble: string | null;
  className?: string;
  onStop: () => void;
}

/** Long work under way, with a way to stop it, and what was in its way. */
export function WorkLine({ words, label, share, trouble, className = '', onStop }: Props) {
  return (
    <>
      {words !== null && (
        <div role="status" className={`flex items-center gap-3 text-sm ${className}`}>
          <span className="whitespace-nowrap">{words}</span>
          <Progress label={label} share={share} className="grow" />
          <button className="verb" onClick={onStop}>
            Stop
          </button>
        </div>
      )}
      {trouble && (
        <p role="alert" className="truncate text-fix">
          {trouble}
        </p>
      )}
    </>
  );
}
