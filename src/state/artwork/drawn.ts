import type { InkPiece } from '@/core/fit/schema';
import { drawnPiece } from '@/files/svg/drawn-piece';
import type { Artwork } from '@/store/schema';
import { importFiles } from './imports';

/** A shape or a text as an artwork of its own, as it looks now; null where it was stopped on its way in. */
export async function asArtwork(piece: InkPiece): Promise<Artwork | null> {
  const file = new File([drawnPiece(piece)], `${piece.name}.svg`, { type: 'image/svg+xml' });
  return (await importFiles([file]))[0] ?? null;
}
