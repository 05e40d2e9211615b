import { pixelsKey } from '@/core/artwork/steps';
import type { ResolvedBlank } from '@/core/blank/resolve';
import { isToShape } from '@/core/cut/face';
import { cutKey } from '@/core/cut/key';
import type { Parting } from '@/core/cut/parting';
import type { Cut } from '@/core/fit/cut';
import { artworkIdsOf, type Fit, type FitFace } from '@/core/fit/schema';
import type { Artwork } from '@/store/schema';
import { engine, isStopped, type JobOptions } from '@/workers/client';
import { amendFit, useBench, useRole } from './open-fit';
import { fitJob, jobArtwork } from './dockets';
import { towardsEdit } from './save-queue';
import { saveFit } from '../shop/records';
import { contextOf, useShop } from '../shop/shop';

/** The connected shapes of an artwork. */
export async function partArtwork(artwork: Artwork, options: JobOptions = {}): Promise<Parting> {
  return engine.partPicture(await jobArtwork(artwork), options);
}

/** The fit with every cut line made anew that no longer goes with what lies on its face. */
export async function withCuts(
  fit: Fit,
  blank: ResolvedBlank,
  artworks: readonly Artwork[],
  options: JobOptions = {},
): Promise<Fit> {
  const stale = fit.faces.filter((face) => isStale(face, artworks));
  const [own] = blank.faces;
  if (stale.length === 0 || !own) return fit;
  // A face that is cut for the first time is no face of the blank yet.
  const faces = stale.map(({ faceId }) => ({ ...own, id: faceId }));
  const job = await fitJob({ ...fit, faces: stale }, { ...blank, faces }, artworks);
  const made = new Map((await engine.cutFaces(job, options)).map((face) => [face.faceId, face]));
  return { ...fit, faces: fit.faces.map((face) => withKey(made.get(face.faceId) ?? face, artworks)) };
}

/** The same of a fit in the shop: as it is where its blank is not cut to what lies on it, or something of it is gone. */
export async function withOwnCuts(fit: Fit, options: JobOptions = {}): Promise<Fit> {
  const context = contextOf(fit, useShop.getState());
  if (!context || !isToShape(context.blank)) return fit;
  return withCuts(fit, context.blank, context.artworks, options);
}

function isStale(face: FitFace, artworks: readonly Artwork[]): boolean {
  return face.cut !== undefined && face.cut.of !== keyOf(face, face.cut, artworks);
}

function withKey(face: FitFace, artworks: readonly Artwork[]): FitFace {
  return face.cut ? { ...face, cut: { ...face.cut, of: keyOf(face, face.cut, artworks) } } : face;
}

function keyOf(face: FitFace, cut: Cut, artworks: readonly Artwork[]): string {
  const pixels = artworkIdsOf({ faces: [face] }).map((id) => {
    const artwork = artworks.find((one) => one.id === id);
    return artwork ? pixelsKey(artwork.facts.sha256, artwork.steps) : id;
  });
  return cutKey({ ...face, cut }, pixels);
}

/**
 * Keeps the cut lines of the fit on the bench with what lies on it: after every change they are made anew in a worker,
 * as part of that change; what goes wrong is told. Ends when the answer is called, but finishes the line it is at.
 */
export function followCuts(tell: (error: unknown) => void): () => void {
  let stop = new AbortController();
  let at: Fit | null = null;
  const look = () => {
    const { fit } = useBench.getState();
    if (fit === at || useRole.getState().role !== 'writing') return;
    // Only a newer state of the same fit takes the place of one that is being cut.
    if (fit && at?.id === fit.id) stop.abort();
    at = fit;
    const context = fit && contextOf(fit, useShop.getState());
    if (!fit || !context || !isToShape(context.blank)) return;
    const { blank, artworks } = context;
    if (!fit.faces.some((face) => isStale(face, artworks))) return;
    const own = (stop = new AbortController());
    void towardsEdit(async () => {
      try {
        const cut = await withCuts(fit, blank, artworks, { signal: own.signal });
        if (useBench.getState().fit?.id === fit.id) await amendFit(fit, cut);
        // The bench was left meanwhile: the line goes with the fit as it was put away.
        else if (useShop.getState().fits.get(fit.id) === fit) await saveFit(cut);
      } catch (error) {
        if (!isStopped(error)) tell(error);
      }
    });
  };
  const ends = [useBench.subscribe(look), useRole.subscribe(look)];
  look();
  return () => {
    for (const end of ends) end();
  };
}
