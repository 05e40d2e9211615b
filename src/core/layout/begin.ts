import type { Facts } from '../artwork/facts';
import type { PrintFace, ResolvedBlank } from '../blank/resolve';
import { renewed } from '../fit/copy-face';
import { opaqueBox, placeOpaqueBox, type FactsOf } from '../fit/geometry';
import { newPiece } from '../fit/place';
import { isShowing, type ArtworkPiece, type Design, type FitFace, type Role } from '../fit/schema';
import { swapArtworks } from '../fit/swap';
import type { EmptyPlace, Layout } from './schema';

type Artworks = readonly Design['artworks'][number][];

/** What a fit needs to know to begin by a layout. */
interface Begin {
  blank: ResolvedBlank;
  /** The design's artworks, by the role of each. */
  chosen: Artworks;
  /** Facts of an artwork; null where it is gone. */
  factsOf: (artworkId: string) => Facts | null;
  newId: () => string;
}

/**
 * The faces that a new fit begins with: a copy of the layout's, the design's artworks where its examples lay and in its
 * empty places, by role and in order. Where there are fewer artworks than places of a role they come round again; what has
 * no place is set as on a bare blank.
 */
export function beginFaces(layout: Layout, { blank, chosen, factsOf, newId }: Begin): FitFace[] {
  const known: FactsOf = (id) => factsOf(id)!;
  const here = layout.faces.filter(({ faceId }) => blank.faces.some(({ id }) => id === faceId));
  const places = here.flatMap(({ places }) => places);
  const { examples, empty } = dealOut(layout.artworks, places, chosen);
  const own = new Set(layout.artworks.map(({ artworkId }) => artworkId));
  const copies = here.map(({ faceId, pieces, groups, cut }) => {
    // An artwork of the other design that nothing takes the place of is not part of this one.
    const kept = pieces.filter(
      (piece) =>
        !isShowing(piece) ||
        (factsOf(piece.artworkId) !== null && (!own.has(piece.artworkId) || examples.has(piece.artworkId))),
    );
    return { ...renewed({ faceId, pieces: kept, ...(groups && { groups }) }, newId), ...(cut && { cut }) };
  });
  const faces = swapArtworks(copies, examples, known).map((face, i) => {
    const own = blank.faces.find(({ id }) => id === face.faceId)!;
    const filled = here[i]!.places.flatMap((place) => {
      const artworkId = empty.get(place.id);
      return artworkId === undefined ? [] : [pieceIn(place, artworkId, known(artworkId), own, newId())];
    });
    return layered(face, filled);
  });
  const placed = new Set([...examples.values(), ...empty.values()]);
  const first = blank.faces[0]!;
  const added = chosen
    .filter(({ artworkId }) => !placed.has(artworkId))
    .map(({ artworkId, role }) => newPiece(newId(), artworkId, known(artworkId), role, first));
  if (added.length === 0) return faces;
  const before = faces.find(({ faceId }) => faceId === first.id) ?? { faceId: first.id, pieces: [] };
  return [layered(before, added), ...faces.filter(({ faceId }) => faceId !== first.id)];
}

/** Which of a design's artworks takes which example's place, and which goes into which empty one. */
function dealOut(
  examples: Artworks,
  places: readonly EmptyPlace[],
  chosen: Artworks,
): { examples: Map<string, string>; empty: Map<string, string> } {
  const dealt = { examples: new Map<string, string>(), empty: new Map<string, string>() };
  for (const role of ['ground', 'motif'] satisfies Role[]) {
    const own = chosen.filter((one) => one.role === role);
    if (own.length === 0) continue;
    let next = 0;
    const deal = () => own[next++ % own.length]!.artworkId;
    for (const one of examples) if (one.role === role) dealt.examples.set(one.artworkId, deal());
    for (const one of places) if (one.role === role) dealt.empty.set(one.id, deal());
  }
  return dealt;
}

/** An artwork in an empty place: as large as its box holds what is seen of it, its middle where the box's is. */
export function pieceIn(
  place: EmptyPlace,
  artworkId: string,
  facts: Facts,
  face: PrintFace,
  id: string,
): ArtworkPiece {
  const piece = newPiece(id, artworkId, facts, place.role, face);
  if (place.role === 'ground') return piece;
  const box = opaqueBox(piece, facts);
  const { x, y, rotation } = place;
  const wide = place.width / box.width;
  const scale = place.height === null ? wide : Math.min(wide, place.height / box.height);
  return placeOpaqueBox(piece, facts, {
    x,
    y,
    rotation,
    width: box.width * scale,
    height: box.height * scale,
  });
}

/** A face with grounds under what it has, and motifs on top. */
function layered(face: FitFace, added: readonly ArtworkPiece[]): FitFace {
  const of = (role: Role) => added.filter((piece) => piece.role === role);
  return { ...face, pieces: [...of('ground'), ...face.pieces, ...of('motif')] };
}
