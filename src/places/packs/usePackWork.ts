'use client';
import { useEffect, useRef, useState } from 'react';
import { sentence } from '@/state/imports';
import { makePack, type PackAsked, type PackProgress } from '@/state/packs';

/** A pack being made: how far it is, a way to stop it, and what was in the way. */
export function usePackWork(onMade: (id: string) => void) {
  const [progress, setProgress] = useState<PackProgress | null>(null);
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
    make: async (asked: PackAsked) => {
      stop.current = new AbortController();
      setTrouble(null);
      setProgress({ doing: 'Beginning', share: 0 });
      try {
        const pack = await makePack(asked, { signal: stop.current.signal, onProgress: setProgress });
        if (pack) onMade(pack.id);
      } catch (error) {
        setTrouble(sentence(error));
      } finally {
        setProgress(null);
      }
    },
  };
}
