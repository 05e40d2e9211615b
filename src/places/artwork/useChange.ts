'use client';
import { useCallback, useEffect, useRef, useState } from 'react';
import { toast } from '@/ui/toast';
import type { Changed } from '@/state/artwork/artworks';
import { isStopped } from '@/state/engine/engine';
import { sentence } from '@/state/sentence';
import { tellDone } from '@/ui/tell';

/** A change of an artwork's pixels under way. */
export interface Busy {
  label: string;
  share: number;
  stop: () => void;
}

type Work = (options: { signal: AbortSignal; onProgress: (share: number) => void }) => Promise<Changed>;

/** Runs a change of an artwork's pixels: shows how far it is, can be stopped, tells what became of it, and undoes it. */
export function useChange(): { busy: Busy | null; run: (label: string, work: Work) => void } {
  const [busy, setBusy] = useState<Busy | null>(null);
  const here = useRef(true);
  useEffect(() => {
    here.current = true;
    return () => {
      here.current = false;
    };
  }, []);
  const run = useCallback((label: string, work: Work) => {
    const stopper = new AbortController();
    const stop = () => {
      stopper.abort();
    };
    const show = (next: Busy | null) => {
      if (here.current) setBusy(next);
    };
    show({ label, share: 0, stop });
    const onProgress = (share: number) => {
      show({ label, share, stop });
    };
    work({ signal: stopper.signal, onProgress })
      .then(({ said, fits, undo }) => {
        const followed = fits === 0 ? '' : fits === 1 ? ' Its fit follows.' : ` Its ${fits} fits follow.`;
        tellDone(`${label}. ${said.join(' ')}${followed}`, undo);
      })
      .catch((error: unknown) => {
        if (!isStopped(error)) toast(sentence(error));
      })
      .finally(() => {
        show(null);
      });
  }, []);
  return { busy, run };
}
