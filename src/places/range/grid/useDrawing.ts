import { useEffect, useState } from 'react';
import type { ResolvedBlank } from '@/core/blank/resolve';
import type { Fit } from '@/core/fit/schema';
import { drawingAt, drawingKey, drawingOf } from '@/state/many/drawings';
import { useShop } from '@/state/shop/shop';

/** The address of a fit's drawing: null while it is being made, undefined where it cannot be. */
export function useDrawing(fit: Fit | undefined, blank: ResolvedBlank): string | null | undefined {
  const key = useShop((shop) => (fit ? drawingKey(fit, blank, shop) : null));
  const [made, setMade] = useState<{ key: string; url: string | undefined } | null>(null);
  useEffect(() => {
    if (!fit || key === null) return;
    const asked = new AbortController();
    void drawingOf(fit, blank, asked.signal).then((url) => {
      if (!asked.signal.aborted) setMade({ key, url });
    });
    return () => {
      asked.abort();
    };
  }, [fit, blank, key]);
  if (key === null) return null;
  return drawingAt(key) ?? (made?.key === key ? made.url : null);
}
