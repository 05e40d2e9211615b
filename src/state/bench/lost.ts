import { artworkIdOf } from '@/core/fit/schema';
import { commit } from '../shop/commit';

/** Takes off a fit what shows artworks that are not here; gives back what undoes it. */
export async function dropLostPieces(fitId: string): Promise<() => Promise<void>> {
  const { undo } = await commit(['fits', 'artworks'], async (store) => {
    const fit = await store.get('fits', fitId);
    if (!fit) return;
    const here = new Set((await store.all('artworks')).map(({ id }) => id));
    const faces = fit.faces.map((face) => ({
      ...face,
      pieces: face.pieces.filter(
        (piece) => here.has(artworkIdOf(piece) ?? '') || artworkIdOf(piece) === null,
      ),
    }));
    store.put('fits', { ...fit, faces });
  });
  return undo;
}
