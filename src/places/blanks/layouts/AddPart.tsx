'use client';
import { toast } from '@/ui/toast';
import type { PrintFace, ResolvedBlank } from '@/core/blank/resolve';
import { newFill, newPiece, roleOf } from '@/core/fit/place';
import type { Piece, Role } from '@/core/fit/schema';
import { firstLettering, newText } from '@/core/fit/text';
import { emptyPlace } from '@/core/layout/places';
import type { Layout, LayoutFace } from '@/core/layout/schema';
import { FIRST_FONT } from '@/core/type/fonts';
import { lay } from '@/state/bench/type';
import { sentence } from '@/state/sentence';
import { useShop } from '@/state/shop/shop';
import { MenuHeading, MenuLine, VerbMenu } from '@/ui/Menu';
import { ArtworkLine } from '../../shell/ArtworkLine';
import { setFace } from './parts';

interface Props {
  layout: Layout;
  resolved: ResolvedBlank;
  face: PrintFace;
  onAdded: (partId: string) => void;
}

/** What can be put on a layout: empty places, and what is kept. */
export function AddPart({ layout, resolved, face, onAdded }: Props) {
  const artworks = useShop((shop) => shop.artworks);
  const add = async (id: string, to: (so: LayoutFace) => LayoutFace) => {
    if (await setFace(layout, face.id, to)) onAdded(id);
  };
  const place = (role: Role, zoneId: string | null) => {
    const empty = emptyPlace(crypto.randomUUID(), role, face, zoneId);
    void add(empty.id, (so) => ({ ...so, places: [...so.places, empty] }));
  };
  const piece = (one: Piece) => {
    void add(one.id, (so) => ({
      ...so,
      pieces: one.role === 'ground' ? [one, ...so.pieces] : [...so.pieces, one],
    }));
  };
  const words = async () => {
    const cap = Math.max(resolved.limits.capHeight, Math.min(5, face.height * 0.08));
    const lettering = firstLettering(FIRST_FONT, '#20252b', cap);
    try {
      const ink = await lay(lettering);
      const at = { x: face.width / 2, y: face.height - face.safe - cap };
      if (ink) piece(newText(crypto.randomUUID(), lettering, ink, at));
    } catch (error) {
      toast(sentence(error));
    }
  };
  return (
    <p className="mt-2 flex flex-wrap gap-x-4 gap-y-1 text-sm [&>*]:min-h-6">
      <VerbMenu label="Add an empty place">
        <MenuHeading>for a motif</MenuHeading>
        {face.zones.map(({ id, name }) => (
          <MenuLine
            key={id}
            onSelect={() => {
              place('motif', id);
            }}
          >
            {name}
          </MenuLine>
        ))}
        {face.zones.length === 0 && (
          <MenuLine
            onSelect={() => {
              place('motif', null);
            }}
          >
            in the middle
          </MenuLine>
        )}
        <MenuHeading>for a ground</MenuHeading>
        <MenuLine
          onSelect={() => {
            place('ground', null);
          }}
        >
          all of the face
        </MenuLine>
      </VerbMenu>
      <button className="verb" onClick={() => void words()}>
        Add words
      </button>
      <button
        className="verb"
        onClick={() => {
          piece(newFill(crypto.randomUUID(), '#f4efe2'));
        }}
      >
        Add a colour
      </button>
      <VerbMenu label="Add kept artwork" disabled={artworks.size === 0}>
        {[...artworks.values()].map((artwork) => (
          <ArtworkLine
            key={artwork.id}
            artwork={artwork}
            onSelect={() => {
              const { id, facts } = artwork;
              piece(newPiece(crypto.randomUUID(), id, facts, roleOf(facts), face));
            }}
          />
        ))}
      </VerbMenu>
    </p>
  );
}
