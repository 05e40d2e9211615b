import { useEffect, useState } from 'react';
import { isStopped } from '@/state/engine/engine';
import { printKey, printOf, type HeldPrint, type PlatedFit } from '@/state/plates/plates';
import { sentence } from '@/state/sentence';

/** Pixels along the longer side of the copies that plates are looked at on: at once, and once the hand rests. */
const [COARSE, FINE] = [640, 2000];

export interface Prints {
  /** Of the same print; null while it is being drawn. */
  coarse: HeldPrint | null;
  fine: HeldPrint | null;
  trouble: string | null;
}

const NONE = { key: '', coarse: null, fine: null, trouble: null };

/** The print of a face at two sizes, drawn anew when what lies on it changes. */
export function usePrints(of: PlatedFit): Prints {
  const key = printKey(of);
  const [held, setHeld] = useState<Prints & { key: string }>(NONE);
  useEffect(() => {
    const stop = new AbortController();
    const add = (more: Partial<Prints>) => {
      if (!stop.signal.aborted) setHeld((so) => ({ ...(so.key === key ? so : NONE), ...more, key }));
    };
    void (async () => {
      try {
        add({ coarse: await printOf(of, COARSE, { signal: stop.signal }) });
        add({ fine: await printOf(of, FINE, { signal: stop.signal }) });
      } catch (error) {
        if (!isStopped(error)) add({ trouble: sentence(error) });
      }
    })();
    return () => {
      stop.abort();
    };
    // What the print is of is known by its key.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [key]);
  return held.key === key ? held : NONE;
}
