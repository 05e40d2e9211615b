'use client';
import { useEffect, useRef, useState } from 'react';
import { sentence } from '@/state/sentence';

/** What long work is handed: how it hears that it is to stop, and whom it tells how far it is. */
export interface WorkAsked<P> {
  signal: AbortSignal;
  onProgress: (progress: P) => void;
}

/** One piece of long work at a time: how far it is, a way to stop it, and what was in the way. It ends with its page. */
export function useWork<P>() {
  const [progress, setProgress] = useState<P | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  const stop = useRef<AbortController>(null);
  useEffect(
    () => () => {
      stop.current?.abort();
    },
    [],
  );
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
        setTrouble(sentence(error));
      } finally {
        setProgress(null);
      }
    },
  };
}
