import { useEffect, useState } from 'react';
import type { Docket } from '@/core/check/docket';
import type { Fit } from '@/core/fit/schema';
import { measureCoarsely, measureExactly, type StoredDocket } from '@/state/bench/dockets';
import { isStopped } from '@/state/engine/engine';
import { usePress } from '../live/usePress';
import type { Live } from '../live/useLive';
import { useStoredDocket } from './useStoredDocket';

/** How long the hand must rest before every pixel is measured, in ms. */
const REST = 120;

export interface LiveDocket {
  /** What was measured last; null until anything was. */
  docket: Docket | null;
  /** Whether it was measured on the fit as it is now: a remedy of any other would take back what was done since. */
  current: boolean;
  /** Why the exact measurement failed; null while they are there or on their way. */
  trouble: string | null;
}

/** The docket of the live fit: coarse at once from a reduced copy, exact as soon as every pixel is measured. */
export function useDocket({ fit, blank, artworks, previews, unit, dragging }: Live): LiveDocket {
  const { stored, last, reading } = useStoredDocket(fit);
  const [trouble, setTrouble] = useState<string | null>(null);
  const coarse = useCoarse({ fit, blank, artworks, previews, unit }, stored, last);
  const needed = !stored && !reading && !dragging;
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
            setTrouble(
              error instanceof Error
                ? error.message
                : 'The exact measurement failed. Reload the page to try again.',
            );
        },
      );
    }, REST);
    return () => {
      clearTimeout(timer);
      stop.abort();
    };
  }, [needed, fit]);
  if (stored) return { docket: stored, current: true, trouble };
  // Sizes are measured exactly only: what they came to last stands until they are.
  const shown = coarse?.docket ?? last;
  const docket = shown ? { ...shown, exact: false, sizes: last?.sizes ?? [] } : null;
  return { docket, current: coarse?.fit === fit, trouble };
}

/** What reduced copies measured last of a fit; null where that is older than what every pixel said. */
function useCoarse(
  { fit, blank, artworks, previews, unit }: Pick<Live, 'fit' | 'blank' | 'artworks' | 'previews' | 'unit'>,
  stored: StoredDocket | undefined,
  last: StoredDocket | undefined,
): { docket: Docket; fit: Fit } | null {
  const press = usePress(blank.spec.id);
  const [found, setFound] = useState<{ docket: Docket; fit: Fit; since: StoredDocket | undefined }>();
  useEffect(() => {
    if (stored) return;
    void measureCoarsely(fit, blank, artworks, previews, unit, press).then((docket) => {
      if (docket) setFound({ docket, fit, since: last });
    });
  }, [stored, last, fit, blank, artworks, previews, unit, press]);
  return found?.fit.id === fit.id && found.since === last ? found : null;
}
