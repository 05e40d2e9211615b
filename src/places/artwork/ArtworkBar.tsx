'use client';
import type { Artwork } from './types';
import { Select } from '@/ui/Select';

const ORDERS = ['newest', 'name', 'size', 'needs care'] as const;
export type Order = (typeof ORDERS)[number];

interface Props {
  whole: number;
  shown: number;
  search: string;
  order: Order;
  onSearch: (text: string) => void;
  onOrder: (order: Order) => void;
  onFiles: () => void;
  onFolder: () => void;
}

/** How many there are, the way to one of them, and the way to more. */
export function ArtworkBar(props: Props) {
  const { whole, shown, search, order, onSearch, onOrder, onFiles, onFolder } = props;
  return (
    <div className="flex h-[46px] shrink-0 items-center gap-5 border-b border-rule px-4">
      <h1 className="shrink-0 text-lg font-bold">
        {whole} {whole === 1 ? 'artwork' : 'artworks'}
      </h1>
      {whole > 1 && (
        <>
          <input
            type="search"
            value={search}
            aria-label="Search artwork"
            placeholder="Search by name, format or colour"
            onChange={(event) => {
              onSearch(event.target.value);
            }}
            className="w-60 border border-rule bg-docket px-2 py-1"
          />
          {search.trim() !== '' && <span className="measure text-sm text-ink-2">{shown} found</span>}
          <span className="flex items-center gap-2 text-sm text-ink-2">
            In order of
            <Select
              label="In order of"
              value={order}
              choices={ORDERS.map((one) => [one, one])}
              onChange={onOrder}
              className="text-ink"
            />
          </span>
        </>
      )}
      <span className="ml-auto flex shrink-0 gap-3">
        <button className="action-2" onClick={onFolder}>
          Add a folder
        </button>
        <button className="action" onClick={onFiles}>
          Add artwork
        </button>
      </span>
    </div>
  );
}

/** The artworks that a search leaves, in an order; an artwork's renditions stand behind it. */
export function inOrder(list: readonly Artwork[], order: Order, search: string): Artwork[] {
  const words = search
    .toLowerCase()
    .split(/\s+/)
    .filter((word) => word !== '');
  const found = list.filter((artwork) => words.every((word) => textOf(artwork).includes(word)));
  const sorted = found.sort(COMPARE[order]);
  const heads = sorted.filter(({ rendition }) => !rendition || !found.some(({ id }) => id === rendition.of));
  return heads.flatMap((head) => [head, ...sorted.filter(({ rendition }) => rendition?.of === head.id)]);
}

const COMPARE: Record<Order, (a: Artwork, b: Artwork) => number> = {
  newest: (a, b) => b.addedAt - a.addedAt,
  name: (a, b) => a.facts.name.localeCompare(b.facts.name, undefined, { numeric: true }),
  size: (a, b) => area(b) - area(a),
  'needs care': (a, b) => care(b) - care(a),
};

/** Drawings are sharp at any size: larger than any picture. */
function area({ facts }: Artwork): number {
  return facts.pixels ? facts.pixels.width * facts.pixels.height : Infinity;
}

function care({ facts }: Artwork): number {
  return facts.notes.length + facts.flaws.length + (facts.detail && facts.detail.scale < 0.62 ? 1 : 0);
}

function textOf({ facts }: Artwork): string {
  return [facts.name, facts.format, facts.colour.mode, ...facts.palette.map(({ hex }) => hex)]
    .join(' ')
    .toLowerCase();
}
