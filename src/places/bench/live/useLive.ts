import { useEffect, useMemo, useState } from 'react';
import type { Facts } from '@/core/artwork/facts';
import type { PrintFace, ResolvedBlank } from '@/core/blank/resolve';
import type { Design, Fit, Group, Piece } from '@/core/fit/schema';
import { selectionOf, type Selection } from '@/core/fit/selection';
import { useBench, useRole, withFace } from '@/state/bench/open-fit';
import { useHand } from '@/state/bench/hand';
import { previewOf, type Preview } from '@/state/artwork/previews';
import { contextOf, useShop, type Shop } from '@/state/shop/shop';

/** What the bench shows at this moment: the open fit with whatever the hand is changing. */
export interface Live {
  fit: Fit;
  blank: ResolvedBlank;
  design: Design;
  face: PrintFace;
  pieces: readonly Piece[];
  groups: readonly Group[];
  /** The one piece that is chosen; undefined where none is, or several are. */
  selected: Piece | undefined;
  selectedIds: readonly string[];
  /** What is chosen and has a place of its own. */
  selection: Selection | null;
  factsOf: (artworkId: string) => Facts;
  artworks: NonNullable<ReturnType<typeof contextOf>>['artworks'];
  previews: ReadonlyMap<string, Preview>;
  unit: Shop['settings']['unit'];
  dragging: boolean;
  /** Whether another tab writes this fit, so that nothing can be changed here. */
  following: boolean;
}

/** The live fit, or null until it and its pictures are at hand. */
export function useLive(): Live | null {
  const fit = useBench((bench) => bench.fit);
  const role = useRole((one) => one.role);
  const { draft, selectedIds, faceId } = useHand();
  const shop = useShop();
  const context = useMemo(() => fit && contextOf(fit, shop), [fit, shop]);
  const previews = usePreviews(context?.artworks ?? NO_ARTWORKS);
  const { artworks } = shop;
  const factsOf = useMemo(() => (artworkId: string) => artworks.get(artworkId)!.facts, [artworks]);
  const faces = context?.blank.faces;
  const face = faces?.find(({ id }) => id === faceId) ?? faces?.[0];
  const shown = useMemo(
    () => (fit && draft && face ? withFace(fit, face.id, () => draft) : fit),
    [fit, draft, face],
  );
  const onFace = face && shown?.faces.find((one) => one.faceId === face.id);
  const selection = useMemo(
    () => (onFace ? selectionOf(onFace, selectedIds, factsOf) : null),
    [onFace, selectedIds, factsOf],
  );
  if (!shown || !context || !face || !previews) return null;

  const pieces = onFace?.pieces ?? [];
  return {
    fit: shown,
    ...context,
    face,
    pieces,
    groups: onFace?.groups ?? [],
    selected: selectedIds.length === 1 ? pieces.find(({ id }) => id === selectedIds[0]) : undefined,
    selectedIds,
    selection,
    factsOf,
    previews,
    unit: shop.settings.unit,
    dragging: draft !== null,
    following: role === 'following',
  };
}

/** Another face of the live fit, as it lies beside the one that is worked on. */
export function besides(live: Live, face: PrintFace): Live {
  const onFace = live.fit.faces.find(({ faceId }) => faceId === face.id);
  return {
    ...live,
    face,
    pieces: onFace?.pieces ?? [],
    groups: onFace?.groups ?? [],
    selected: undefined,
    selectedIds: [],
    selection: null,
  };
}

type Artwork = NonNullable<ReturnType<typeof contextOf>>['artworks'][number];

const NO_ARTWORKS: readonly Artwork[] = [];

/** The decoded small pictures of artworks; null until all are at hand. A file can be replaced under its artwork. */
function usePreviews(artworks: readonly Artwork[]): ReadonlyMap<string, Preview> | null {
  const [decoded, setDecoded] = useState<{
    of: ReadonlyMap<string, Blob>;
    previews: ReadonlyMap<string, Preview>;
  }>({ of: new Map(), previews: new Map() });
  const missing = artworks.filter(({ id, preview }) => decoded.of.get(id) !== preview);
  useEffect(() => {
    if (missing.length === 0) return;
    let current = true;
    void Promise.all(missing.map(previewOf)).then((previews) => {
      if (!current) return;
      setDecoded((so) => ({
        of: new Map([...so.of, ...missing.map(({ id, preview }) => [id, preview] as const)]),
        previews: new Map([...so.previews, ...missing.map(({ id }, i) => [id, previews[i]!] as const)]),
      }));
    });
    return () => {
      current = false;
    };
  }, [missing]);
  return missing.length === 0 ? decoded.previews : null;
}

/** What the product looks like under the print: the state that is shown, or else its colour. */
export function shownColour({ blank, fit }: Pick<Live, 'blank' | 'fit'>): string {
  const { states, colours } = blank.blank;
  const state = states.find(({ id }) => id === fit.stateId) ?? states[0];
  return state?.hex ?? colours.find(({ id }) => id === fit.colourId)?.hex ?? '#ffffff';
}
