'use client';
import type { ComponentProps } from 'react';
import type { ResolvedBlank } from '@/core/blank/resolve';
import { previewUrl } from '@/state/artwork/previews';
import { useShop } from '@/state/shop/shop';
import { FitDrawing } from '@/ui/flat/FitDrawing';

type Drawing = ComponentProps<typeof FitDrawing>;

/** A fit drawn small with the shop's own artworks, on its product colour unless another is asked for. */
export function SmallFit({
  blank: { blank },
  colour,
  ...drawing
}: Omit<Drawing, 'pictureOf' | 'factsOf' | 'colour'> & {
  blank: ResolvedBlank;
  colour?: string;
}) {
  const artworks = useShop((shop) => shop.artworks);
  const { fit } = drawing;
  return (
    <FitDrawing
      {...drawing}
      colour={colour ?? blank.colours.find(({ id }) => id === fit.colourId)?.hex ?? '#ffffff'}
      pictureOf={(id) => {
        const artwork = artworks.get(id);
        return artwork && previewUrl(artwork);
      }}
      factsOf={(id) => artworks.get(id)?.facts}
    />
  );
}
