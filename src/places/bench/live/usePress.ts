import { useEffect } from 'react';
import type { Press } from '@/core/colour/press';
import { bringPress, pressKey, usePresses } from '@/state/engine/press';
import { useShop } from '@/state/shop/shop';

/** What a house's inks make of colours; null while that is being worked out. */
export function usePress(specId: string): Press | null {
  const key = useShop((shop) => pressKey(specId, shop));
  useEffect(() => {
    bringPress(specId);
  }, [specId, key]);
  return usePresses((presses) => presses[key] ?? null);
}
