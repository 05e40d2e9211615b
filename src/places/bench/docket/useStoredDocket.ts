import { useEffect, useState } from 'react';
import type { Fit } from '@/core/fit/schema';
import { holds, lastDocket, type StoredDocket, type StoredSummary } from '@/state/bench/dockets';
import { useShop } from '@/state/shop/shop';

interface Kept {
  /** The one that holds for the fit as it is now. */
  stored: StoredDocket | undefined;
  /** The last one, whatever it was measured from. */
  last: StoredDocket | undefined;
  /** Whether what is kept is on its way from the store. */
  reading: boolean;
}

/** The docket that is kept of a fit: read when the fit is opened, and again whenever another is kept. */
export function useStoredDocket(fit: Fit): Kept {
  const summary = useShop((shop) => shop.summaries.get(fit.id));
  const [read, setRead] = useState<{ of: StoredSummary | undefined; docket: StoredDocket | undefined }>();
  useEffect(() => {
    let left = false;
    void lastDocket(fit.id)
      .catch(() => undefined)
      .then((docket) => {
        if (!left) setRead({ of: summary, docket });
      });
    return () => {
      left = true;
    };
  }, [fit.id, summary]);
  const last = read?.docket?.fitId === fit.id ? read.docket : undefined;
  const current = useShop((shop) => holds(fit, last, shop));
  return {
    stored: current ? last : undefined,
    last,
    reading: read?.of !== summary || read === undefined,
  };
}
