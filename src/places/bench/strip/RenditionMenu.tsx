'use client';
import { useState } from 'react';
import { swapArtworks } from '@/core/fit/swap';
import type { ArtworkPiece } from '@/core/fit/schema';
import { addRendition, familyOf, offeredFor, type Offered } from '@/state/artwork/renditions';
import { changeFit } from '@/state/bench/open-fit';
import { sentence } from '@/state/sentence';
import { useShop } from '@/state/shop/shop';
import { MenuHeading, MenuLine, MenuRule, VerbMenu } from '@/ui/Menu';
import { toast } from '@/ui/toast';
import type { Live } from '../live/useLive';

/** Other forms of an artwork where it lies: those that there are, and those that one step makes of it. */
export function RenditionMenu({ live, piece }: { live: Live; piece: ArtworkPiece }) {
  const artworks = useShop((shop) => shop.artworks);
  const [busy, setBusy] = useState(false);
  const artwork = artworks.get(piece.artworkId);
  if (!artwork) return null;
  const family = familyOf(artwork, artworks);
  const offered = offeredFor(artwork, live.blank.limits.inks).filter(
    ({ name }) => !family.some(({ rendition }) => rendition?.name === name),
  );
  const show = (id: string) => {
    const { artworks: known } = useShop.getState();
    return changeFit((fit) => ({
      ...fit,
      faces: swapArtworks(fit.faces, new Map([[piece.artworkId, id]]), (one) => known.get(one)!.facts),
    }));
  };
  const make = async ({ steps, ...rendition }: Offered) => {
    setBusy(true);
    try {
      await show((await addRendition(artwork, rendition, steps)).id);
    } catch (error) {
      toast(sentence(error));
    }
    setBusy(false);
  };
  return (
    <VerbMenu label={busy ? 'Making it…' : 'Rendition…'} disabled={live.following || busy}>
      {family.length > 1 && (
        <>
          <MenuHeading>show it</MenuHeading>
          {family
            .filter(({ id }) => id !== artwork.id)
            .map(({ id, rendition }) => (
              <MenuLine key={id} onSelect={() => void show(id)}>
                {rendition?.name ?? 'full'}
              </MenuLine>
            ))}
          <MenuRule />
        </>
      )}
      <MenuHeading>make it</MenuHeading>
      {offered.map((one) => (
        <MenuLine key={one.name} onSelect={() => void make(one)}>
          {one.name}
        </MenuLine>
      ))}
    </VerbMenu>
  );
}
