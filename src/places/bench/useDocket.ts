import { useEffect, useMemo, useState } from 'react';
import type { Docket } from '@/core/check/docket';
import { currentDocket, measureCoarsely, measureExactly } from '@/state/dockets';
import { useShop } from '@/state/shop';
import { isStopped } from '@/state/engine';
import type { Live } from './useLive';

/** How long the hand must rest before every pixel is measured, in ms. */
const REST = 120;

export interface LiveDocket {
  docket: Docket;
  /** Why the exact numbers are not to be had; null while they are there or on their way. */
  trouble: string | null;
}

/** The docket of the live fit: coarse at once from a reduced copy, exact as soon as every pixel is measured. */
export function useDocket({ fit, blank, artworks, previews, unit, dragging }: Live): LiveDocket {
  const stored = useShop((shop) => currentDocket(fit, shop));
  const [trouble, setTrouble] = useState<string | null>(null);
  const coarse = useMemo(
    () => (stored ? null : measureCoarsely(fit, blank, artworks, previews, unit)),
    [stored, fit, blank, artworks, previews, unit],
  );
  const needed = !stored && !dragging;
  useEffect(() => {
    if (!needed) return;
    const stop = new AbortController();
    const timer = setTimeout(() => {
      measureExactly(fit, { signal: stop.signal }).then(
        () => {
          setTrouble(null);
        },
        (error: unknown) => {
          if (!isStopped(error))
            setTrouble(error instanceof Error ? error.message : 'The exact numbers are not to be had.');
        },
      );
    }, REST);
    return () => {
      clearTimeout(timer);
      stop.abort();
    };
  }, [needed, fit]);
  return { docket: stored ?? coarse!, trouble };
}
