import type { ResolvedBlank } from '@/core/blank/resolve';
import { UpFitError } from '@/core/errors';
import { isToShape, usualCut } from '@/core/cut/face';
import type { Design, Fit, FitFace } from '@/core/fit/schema';
import { beginColour, beginPieces, type Chosen } from '@/core/fit/begin';
import { renditionFor } from '@/core/fit/rendition';
import { familyOf } from '../artwork/renditions';
import { beginFaces } from '@/core/layout/begin';
import { usualLayout } from '@/core/layout/of-blank';
import { FIRST_SETTINGS, type Artwork } from '@/store/schema';
import { withCuts } from '../bench/cutting';
import { designOf, newDesign } from '../artwork/folders';
import { commit, type Kept } from './commit';
import { wantedName } from './names';
import { saveFit } from './records';
import { useShop } from './shop';

/** A design of one artwork, named after it. */
export function designFromArtwork(artwork: Artwork): Promise<Design> {
  return designOf(artwork.facts.name.replace(/\.[a-z0-9]+$/i, ''), [artwork]);
}

/**
 * One click from an empty cell: the design's motifs at their largest honest size, its grounds covering the bleed; or by a starting
 * layout, which is the blank's usual one where none is named and null for a bare face.
 */
export async function fitDesign(designId: string, blankId: string, layoutId?: string | null): Promise<Fit> {
  const fit = await begunFit(designId, blankId, layoutId);
  await saveFit(fit);
  return fit;
}

/** The same, and nothing is kept yet. */
export async function begunFit(designId: string, blankId: string, layoutId?: string | null): Promise<Fit> {
  const { designs, blanks, artworks } = useShop.getState();
  const design = designs.get(designId);
  const resolved = blanks.get(blankId);
  if (!design || !resolved) throw new Error('The design or the blank is no longer here.');
  const chosen = design.artworks.flatMap(({ artworkId, role }) => {
    const named = artworks.get(artworkId);
    const artwork =
      named &&
      renditionFor(
        resolved.method,
        familyOf(named, artworks),
        named.goes ? { goes: named.goes, blankId } : null,
      );
    return artwork ? [{ artworkId: artwork.id, role, facts: artwork.facts }] : [];
  });
  const shown = chosen.map(({ artworkId }) => artworks.get(artworkId)!);
  return withCuts(bareFit(design, resolved, chosen, layoutId), resolved, shown);
}

/**
 * Begins a design on a blank: by one of its starting layouts, with nothing on its faces (null), or by the one that fits
 * there begin with; answers with the fit.
 */
export async function startDesign(
  name: string,
  blankId: string,
  layoutId?: string | null,
): Promise<Kept<Fit>> {
  const wanted = wantedName(name);
  const resolved = useShop.getState().blanks.get(blankId);
  if (!resolved) throw new UpFitError('not-found', 'This blank is no longer here: choose another.');
  return commit(['designs', 'fits', 'settings'], async (store) => {
    const design = await newDesign(store, wanted, []);
    const fit = bareFit(design, resolved, [], layoutId);
    store.put('fits', fit);
    const settings = (await store.get('settings', 'settings')) ?? FIRST_SETTINGS;
    store.put('settings', { ...settings, columns: [...new Set([...settings.columns, blankId])] });
    return fit;
  });
}

/** A fit as it begins: by a starting layout of its blank, or with the chosen artworks alone on its first face. */
function bareFit(
  design: Pick<Design, 'id' | 'name'>,
  resolved: ResolvedBlank,
  chosen: readonly Chosen[],
  layoutId?: string | null,
): Fit {
  const { blank, faces } = resolved;
  const begun: FitFace = {
    faceId: faces[0]!.id,
    pieces: beginPieces(resolved, faces[0]!, chosen, () => crypto.randomUUID()),
  };
  return {
    upfit: 'fit/1',
    id: crypto.randomUUID(),
    designId: design.id,
    blankId: blank.id,
    blankVersion: blank.version,
    colourId: beginColour(resolved, chosen),
    stateId: null,
    sizeId: null,
    faces: isToShape(resolved)
      ? [toBeCut(resolved, begun, design.name)]
      : (facesByLayout(resolved, chosen, layoutId) ?? [begun]),
  };
}

/** The faces that a fit begins with by a starting layout; null where it begins bare. */
function facesByLayout(
  blank: ResolvedBlank,
  chosen: readonly Chosen[],
  layoutId: string | null | undefined,
): FitFace[] | null {
  const shop = useShop.getState();
  const layout =
    layoutId === undefined ? usualLayout(blank.blank.id, shop) : shop.layouts.get(layoutId ?? '');
  if (!layout) return null;
  return beginFaces(layout, {
    blank,
    chosen,
    factsOf: (id) => shop.artworks.get(id)?.facts ?? null,
    newId: () => crypto.randomUUID(),
  });
}

/** A sticker that is cut round what lies on it. */
function toBeCut(blank: ResolvedBlank, face: FitFace, name: string): FitFace {
  return { ...face, faceId: 'sticker-1', cut: { ...usualCut(blank), name, d: '', of: '' } };
}
