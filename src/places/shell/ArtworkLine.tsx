import { previewUrl } from '@/state/artwork/previews';
import { MenuLine } from '@/ui/Menu';

/** A line of a menu that stands for an artwork. */
export function ArtworkLine({
  artwork,
  onSelect,
}: {
  artwork: Parameters<typeof previewUrl>[0] & { facts: { name: string } };
  onSelect: () => void;
}) {
  return (
    <MenuLine onSelect={onSelect}>
      <span className="grid h-8 w-12 place-items-center bg-viewing">
        <img src={previewUrl(artwork)} alt="" className="max-h-7 max-w-11" />
      </span>
      <span className="max-w-56 truncate">{artwork.facts.name}</span>
    </MenuLine>
  );
}
