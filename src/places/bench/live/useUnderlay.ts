import { useShop } from '@/state/shop/shop';
import type { Live } from './useLive';

/** The house's template that lies under the face on the bench, if one does. */
export function useUnderlay({ blank, face }: Pick<Live, 'blank' | 'face'>) {
  return useShop((shop) => shop.underlays.get(`${blank.blank.id}/${face.id}`));
}
