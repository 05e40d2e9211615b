'use client';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { toast } from '@/ui/toast';
import { carryFace } from '@/core/fit/copy-face';
import { artworksOf, swapArtworks, swapsByRole } from '@/core/fit/swap';
import { isShowing } from '@/core/fit/schema';
import { changeFace, changeFit } from '@/state/bench/open-fit';
import { select, useHand } from '@/state/bench/hand';
import { keepLayout } from '@/state/shop/layouts';
import { useShop } from '@/state/shop/shop';
import { MenuHeading, MenuLine, MenuRule, VerbMenu } from '@/ui/Menu';
import type { Live } from '../live/useLive';
import { tellDone } from '@/ui/tell';
import { ArtworkLine } from '../../shell/ArtworkLine';
import { NameDialog } from '../../shell/NameDialog';

/** What is done with a fit as a whole: a face carried to another, a starting layout kept, other artwork in its places. */
export function FitMenu({ live }: { live: Live }) {
  const { blank, face, fit } = live;
  const [keeping, setKeeping] = useState(false);
  const router = useRouter();
  const others = blank.faces.filter(({ id }) => id !== face.id);
  return (
    <>
      <VerbMenu label="Fit…">
        {others.map((to) => (
          <MenuLine
            key={to.id}
            disabled={live.following || live.pieces.length === 0}
            onSelect={() => {
              copyFace(live, to.id);
            }}
          >
            copy this face onto the {to.name}
          </MenuLine>
        ))}
        <MenuLine
          onSelect={() => {
            setKeeping(true);
          }}
        >
          keep as a starting layout…
        </MenuLine>
        <MenuLine
          onSelect={() => {
            router.push(`/rows?fit=${encodeURIComponent(fit.id)}`);
          }}
        >
          fill it from a list of rows…
        </MenuLine>
        <MenuLine
          onSelect={() => {
            router.push(`/inks?fit=${encodeURIComponent(fit.id)}&face=${encodeURIComponent(face.id)}`);
          }}
        >
          part it into few inks…
        </MenuLine>
        <MenuLine
          onSelect={() => {
            router.push(`/packs?fit=${encodeURIComponent(fit.id)}`);
          }}
        >
          hand it over in a pack…
        </MenuLine>
        <MenuLine
          onSelect={() => {
            router.push(`/pictures?fit=${encodeURIComponent(fit.id)}`);
          }}
        >
          picture it for a listing…
        </MenuLine>
        <MenuLine
          onSelect={() => {
            router.push(`/blanks/layouts?blank=${encodeURIComponent(fit.blankId)}`);
          }}
        >
          starting layouts of {blank.blank.name}…
        </MenuLine>
      </VerbMenu>
      {keeping && (
        <KeepLayout
          live={live}
          onClose={() => {
            setKeeping(false);
          }}
        />
      )}
    </>
  );
}

/** A fit kept under a name, for new ones to begin with. */
function KeepLayout({ live: { fit, blank }, onClose }: { live: Live; onClose: () => void }) {
  const design = useShop((shop) => shop.designs.get(fit.designId));
  return (
    <NameDialog
      title="Keep it as a starting layout"
      description="The design’s own artworks give their places to those of a new design; all else on it is kept."
      label="name of the layout"
      verb="Keep it"
      first={design?.name ?? ''}
      onSaid={async (name) => {
        const { result, undo } = await keepLayout(fit, name);
        onClose();
        tellDone(
          result.usual
            ? `New fits on ${blank.blank.name} begin with “${result.name}”.`
            : `“${result.name}” is a starting layout of ${blank.blank.name}.`,
          undo,
        );
      }}
      onClose={onClose}
    />
  );
}

/** This face's pieces on another face of the blank, scaled to it, on top of what it carries. */
function copyFace(live: Live, faceId: string): void {
  const to = live.blank.faces.find(({ id }) => id === faceId)!;
  const carried = carryFace(
    { pieces: [...live.pieces], groups: [...live.groups] },
    live.face,
    to,
    live.factsOf,
    () => crypto.randomUUID(),
  );
  void changeFace(to.id, (there) => ({
    pieces: [...there.pieces, ...carried.pieces],
    groups: [...(there.groups ?? []), ...(carried.groups ?? [])],
  }));
  useHand.setState({ faceId: to.id, zoom: null });
  select(carried.pieces.map(({ id }) => id));
}

/** Other artwork in the place of what is shown: of one piece, or of all by another design's roles. */
export function SwapMenu({ live }: { live: Live }) {
  const { artworks, designs } = useShop();
  const { selected, fit } = live;
  const shown = selected && isShowing(selected) ? selected : null;
  const all = [...designs.values()].sort((a, b) => a.order - b.order);
  const swap = (swaps: ReadonlyMap<string, string>) => {
    const factsOf = (id: string) => artworks.get(id)!.facts;
    void changeFit((so) => ({ ...so, faces: swapArtworks(so.faces, swaps, factsOf) }));
  };
  return (
    <VerbMenu label="Swap…" disabled={live.following}>
      {shown && (
        <>
          <MenuHeading>“{shown.name}”, everywhere on this fit, for</MenuHeading>
          {[...artworks.values()]
            .filter(({ id }) => id !== shown.artworkId)
            .map((artwork) => (
              <ArtworkLine
                key={artwork.id}
                artwork={artwork}
                onSelect={() => {
                  swap(new Map([[shown.artworkId, artwork.id]]));
                }}
              />
            ))}
          <MenuRule />
        </>
      )}
      <MenuHeading>all artwork, by role, for that of</MenuHeading>
      {all
        .filter(({ id }) => id !== fit.designId)
        .map((design) => (
          <MenuLine
            key={design.id}
            onSelect={() => {
              const known = design.artworks.filter(({ artworkId }) => artworks.has(artworkId));
              const swaps = swapsByRole(artworksOf(fit.faces.flatMap(({ pieces }) => pieces)), known);
              if (swaps.size === 0) toast(`“${design.name}” has no artwork in a role that this fit has.`);
              else swap(swaps);
            }}
          >
            <span className="max-w-72 truncate">{design.name}</span>
          </MenuLine>
        ))}
    </VerbMenu>
  );
}
