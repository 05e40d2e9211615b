import { useEffect, useState } from 'react';
import type { Facts } from '@/core/artwork/facts';
import type { PrintFace, ResolvedBlank } from '@/core/blank/resolve';
import type { ArtworkPiece, Design, Fit, Piece } from '@/core/fit/schema';
import { useBench, useHand, withPieces } from '@/state/bench';
import { previewOf, type Preview } from '@/state/previews';
import { contextOf, useShop, type Shop } from '@/state/shop';

/** What the bench shows at this moment: the open fit with whatever the hand is changing. */
export interface Live {
  fit: Fit;
  blank: ResolvedBlank;
  design: Design;
  face: PrintFace;
  pieces: readonly Piece[];
  selected: Piece | undefined;
  /** The selected piece where it shows an artwork, with that artwork's facts. */
  placed: { piece: ArtworkPiece; facts: Facts } | undefined;
  factsOf: (artworkId: string) => Facts;
  artworks: NonNullable<ReturnType<typeof contextOf>>['artworks'];
  previews: ReadonlyMap<string, Preview>;
  unit: Shop['settings']['unit'];
  dragging: boolean;
}

/** The live fit, or null until it and its pictures are at hand. */
export function useLive(): Live | null {
  const fit = useBench((bench) => bench.fit);
  const { draft, selectedId, faceId } = useHand();
  const shop = useShop();
  const context = fit && contextOf(fit, shop);
  const previews = usePreviews(context?.artworks ?? []);
  const faces = context?.blank.faces;
  const face = faces?.find(({ id }) => id === faceId) ?? faces?.[0];
  if (!fit || !context || !face || !previews) return null;

  const pieces = draft ?? fit.faces.find(({ faceId }) => faceId === face.id)?.pieces ?? [];
  const selected = pieces.find(({ id }) => id === selectedId);
  const factsOf = (artworkId: string) => shop.artworks.get(artworkId)!.facts;
  return {
    fit: draft ? { ...fit, faces: withPieces(fit, face.id, draft) } : fit,
    ...context,
    face,
    pieces,
    selected,
    placed:
      selected?.kind === 'artwork' ? { piece: selected, facts: factsOf(selected.artworkId) } : undefined,
    factsOf,
    previews,
    unit: shop.settings.unit,
    dragging: draft !== null,
  };
}

function usePreviews(
  artworks: NonNullable<ReturnType<typeof contextOf>>['artworks'],
): ReadonlyMap<string, Preview> | null {
  const [previews, setPreviews] = useState<ReadonlyMap<string, Preview>>(new Map());
  const missing = artworks.filter(({ id }) => !previews.has(id));
  const wanted = missing.map(({ id }) => id).join(' ');
  useEffect(() => {
    if (wanted === '') return;
    let current = true;
    const { artworks: all } = useShop.getState();
    const ids = wanted.split(' ');
    void Promise.all(ids.map((id) => previewOf(all.get(id)!))).then((decoded) => {
      if (current)
        setPreviews((so) => new Map([...so, ...decoded.map((preview, i) => [ids[i]!, preview] as const)]));
    });
    return () => {
      current = false;
    };
  }, [wanted]);
  return wanted === '' ? previews : null;
}

/** What the product looks like under the print: the state that is shown, or else its colour. */
export function shownColour({ blank, fit }: Pick<Live, 'blank' | 'fit'>): string {
  const { states, colours } = blank.blank;
  const state = states.find(({ id }) => id === fit.stateId) ?? states[0];
  return state?.hex ?? colours.find(({ id }) => id === fit.colourId)?.hex ?? '#ffffff';
}
