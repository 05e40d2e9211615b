import type { FactsOf } from '@/core/fit/geometry';
import type { Layout, LayoutFace } from '@/core/layout/schema';
import { toast } from '@/ui/toast';
import { sentence } from '@/state/sentence';
import { changeLayoutFace } from '@/state/shop/layouts';
import { useShop } from '@/state/shop/shop';

/** What lies on one face of a layout. */
export function faceOfLayout({ faces }: Layout, faceId: string): LayoutFace {
  return faces.find((face) => face.faceId === faceId) ?? { faceId, pieces: [], places: [] };
}

/** Changes what lies on a face of a layout; says what is in the way where it cannot be so. */
export function setFace(
  layout: Layout,
  faceId: string,
  to: (face: LayoutFace) => LayoutFace,
): Promise<boolean> {
  return changeLayoutFace(layout.id, faceId, to).then(
    () => true,
    (error: unknown) => {
      toast(sentence(error));
      return false;
    },
  );
}

/** Facts of artworks that are there. */
export function useFactsOf(): FactsOf {
  const artworks = useShop((shop) => shop.artworks);
  return (id) => artworks.get(id)!.facts;
}
