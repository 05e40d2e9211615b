import { useEffect, useRef, useState } from 'react';
import { isStopped } from '@/state/engine/engine';
import { sentence } from '@/state/sentence';
import { toast } from '@/ui/toast';

/** What long work is handed: how it hears that it is to stop, and whom it tells how far it is. */
export interface WorkAsked<P> {
  signal: AbortSignal;
  onProgress: (progress: P) => void;
}

/**
 * One piece of long work at a time: how far it is, a way to stop it, and what was in the way. It ends with its page; one that
 * `outlives` it goes on. What is in the way is a message where the page is left by then, or has no `place` to say it.
 */
export function useWork<P>({ outlives = false, place = true }: { outlives?: boolean; place?: boolean } = {}) {
  const [progress, setProgress] = useState<P | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  const stop = useRef<AbortController>(null);
  const here = useRef(false);
  useEffect(() => {
    here.current = true;
    return () => {
      here.current = false;
      if (!outlives) stop.current?.abort();
    };
  }, [outlives]);
  return {
    progress,
    trouble,
    stop: () => {
      stop.current?.abort();
    },
    run: async (first: P, work: (asked: WorkAsked<P>) => Promise<void>) => {
      stop.current = new AbortController();
      setTrouble(null);
      setProgress(first);
      try {
        await work({ signal: stop.current.signal, onProgress: setProgress });
      } catch (error) {
        if (isStopped(error)) return;
        if (place && here.current) setTrouble(sentence(error));
        else toast(sentence(error));
      } finally {
        setProgress(null);
      }
    },
  };
}
