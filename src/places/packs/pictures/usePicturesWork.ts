import { useEffect, useRef, useState } from 'react';
import { sentence } from '@/state/imports';
import { savePictures, type PicturesProgress, type PictureStyle, type PictureWanted } from '@/state/pictures';

/** Pictures being made: how far they are, a way to stop them, and what came of them. */
export function usePicturesWork() {
  const [progress, setProgress] = useState<PicturesProgress | null>(null);
  const [said, setSaid] = useState('');
  const stop = useRef<AbortController>(null);
  useEffect(
    () => () => {
      stop.current?.abort();
    },
    [],
  );
  return {
    progress,
    said,
    stop: () => {
      stop.current?.abort();
    },
    make: async (wanted: readonly PictureWanted[], style: PictureStyle) => {
      stop.current = new AbortController();
      setSaid('');
      setProgress({ done: 0, of: wanted.length, share: 0 });
      try {
        const done = await savePictures(wanted, style, {
          signal: stop.current.signal,
          onProgress: setProgress,
        });
        const all = done === wanted.length;
        setSaid(
          all
            ? `${done} ${done === 1 ? 'picture' : 'pictures'} saved${done > 1 ? ' in one zip' : ''}.`
            : `Stopped: ${done} of ${wanted.length} saved.`,
        );
      } catch (error) {
        setSaid(sentence(error));
      } finally {
        setProgress(null);
      }
    },
  };
}
