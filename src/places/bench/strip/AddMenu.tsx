'use client';
import { previewUrl } from '@/state/artwork/previews';
import { useShop } from '@/state/shop/shop';
import { MenuHeading, MenuLine, MenuRule, VerbMenu } from '@/ui/Menu';
import { addArtworks, addFill, addText } from '../acts/adding';
import type { Live } from '../live/useLive';

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
        <MenuLine key={artwork.id} onSelect={() => void addArtworks(live, [artwork])}>
          <span className="grid h-8 w-12 place-items-center bg-viewing">
            <img src={previewUrl(artwork)} alt="" className="max-h-7 max-w-11" />
          </span>
          <span className="max-w-56 truncate">{artwork.facts.name}</span>
        </MenuLine>
      ))}
    </VerbMenu>
  );
}
