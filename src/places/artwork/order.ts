import type { Artwork } from './types';

export const ORDERS = ['newest', 'name', 'size', 'needs care'] as const;
export type Order = (typeof ORDERS)[number];

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
