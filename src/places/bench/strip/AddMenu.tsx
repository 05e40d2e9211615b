'use client';
import { NEW_SHAPES, type NewShape } from '@/core/fit/shapes';
import { useShop } from '@/state/shop/shop';
import { MenuHeading, MenuLine, MenuRule, VerbMenu } from '@/ui/Menu';
import { addArtworks, addFill, addShape, addText } from '../acts/adding';
import type { Live } from '../live/useLive';
import { ArtworkLine } from '../../shell/ArtworkLine';

/** What can be laid on the face. */
export function AddMenu({ live, onBringIn }: { live: Live; onBringIn: () => void }) {
  const artworks = useShop((shop) => shop.artworks);
  const { zones } = live.face;
  return (
    <VerbMenu label="Add…" disabled={live.following}>
      <MenuLine onSelect={onBringIn}>artwork from a file</MenuLine>
      <MenuLine keys="T" onSelect={() => void addText(live)}>
        text
      </MenuLine>
      <MenuLine
        onSelect={() => {
          addFill(live, null);
        }}
      >
        a plain ground
      </MenuLine>
      {zones.length > 1 &&
        zones.map(({ id, name }) => (
          <MenuLine
            key={id}
            onSelect={() => {
              addFill(live, id);
            }}
          >
            a fill on the {name}
          </MenuLine>
        ))}
      <MenuRule />
      <MenuHeading>artwork that is here</MenuHeading>
      {[...artworks.values()].map((artwork) => (
        <ArtworkLine key={artwork.id} artwork={artwork} onSelect={() => void addArtworks(live, [artwork])} />
      ))}
    </VerbMenu>
  );
}

/** Shapes of our own drawing that can be laid on the face. */
export function ShapeMenu({ live }: { live: Live }) {
  return (
    <VerbMenu label="Shape…" align="end" disabled={live.following}>
      {(Object.keys(NEW_SHAPES) as NewShape[]).map((what) => (
        <MenuLine
          key={what}
          onSelect={() => {
            addShape(live, what);
          }}
        >
          {NEW_SHAPES[what]}
        </MenuLine>
      ))}
    </VerbMenu>
  );
}
