import type { Facts } from '../artwork/facts';
import type { PrintFace } from '../blank/resolve';
import { factsFor, opaqueBox, placeOpaqueBox, type Box, type FactsOf } from '../fit/geometry';
import { artworksOf } from '../fit/swap';
import { isShowing, type Fit, type Piece, type PlacedPiece, type Role } from '../fit/schema';
import { showLength, type UnitSetting } from '../length/show';
import type { EmptyPlace, Layout, LayoutFace, MotifPlace } from './schema';

/** mm that an empty place is wide at first, where the safe area has that much room. */
const USUAL_WIDTH = 60;

/** A new empty place: a ground's over all of the face, a motif's in the middle of a zone, or of the face. */
export function emptyPlace(id: string, role: Role, face: PrintFace, zoneId: string | null): EmptyPlace {
  if (role === 'ground') return { id, name: 'Ground', role };
  const zone = face.zones.find((one) => one.id === zoneId);
  const room = { width: face.width - 2 * face.safe, height: face.height - 2 * face.safe };
  return {
    id,
    name: zone ? `Motif, ${zone.name}` : 'Motif',
    role,
    x: zone?.x ?? face.width / 2,
    y: zone?.y ?? face.height / 2,
    width: Math.min(USUAL_WIDTH, room.width, zone?.width ?? Infinity),
    height: null,
    rotation: 0,
  };
}

/** Why a box cannot be on a face, in a sentence; null where it can. A length that touches its limit meets it. */
export function boxFault(
  { name, x, y, width, height }: Pick<MotifPlace, 'name' | 'x' | 'y' | 'width' | 'height'>,
  face: PrintFace,
  unit: UnitSetting,
): string | null {
  const show = (mm: number) => showLength(mm, unit);
  for (const [said, is, most] of [
    ['wide', width, face.width],
    ['high', height, face.height],
  ] as const)
    if (is !== null && is > most + TOUCH)
      return `“${name}” would be ${show(is)} ${said}, and the ${face.name.toLowerCase()} is ${show(most)}: make it smaller.`;
  if (x < -TOUCH || y < -TOUCH || x > face.width + TOUCH || y > face.height + TOUCH)
    return `The middle of “${name}” would lie outside the ${face.name.toLowerCase()}, which is ${show(face.width)} × ${show(face.height)}.`;
  return null;
}

const TOUCH = 1e-6;

/**
 * The first thing that keeps a layout's faces from being kept, in a sentence; null where nothing does. Of an artwork that
 * is gone there is nothing to measure.
 */
export function layoutFault(
  faces: readonly LayoutFace[],
  prints: readonly PrintFace[],
  factsOf: (artworkId: string) => Facts | null,
  unit: UnitSetting,
): string | null {
  for (const { faceId, pieces, places } of faces) {
    const face = prints.find(({ id }) => id === faceId);
    if (!face) continue;
    for (const place of places) {
      const fault = place.role === 'motif' ? boxFault(place, face, unit) : null;
      if (fault) return fault;
    }
    for (const piece of pieces) {
      if (piece.kind === 'fill' || piece.kind === 'repeat' || piece.role === 'ground') continue;
      const facts = isShowing(piece) ? factsOf(piece.artworkId) : null;
      if (isShowing(piece) && !facts) continue;
      const box = opaqueBox(piece, facts);
      const fault = boxFault({ ...box, name: piece.name }, face, unit);
      if (fault) return fault;
    }
  }
  return null;
}

/** What a fit is as a layout: its faces, and which of its artworks are examples: those of its design. */
export function layoutOfFit(
  fit: Pick<Fit, 'faces'>,
  isOwn: (artworkId: string) => boolean,
): Pick<Layout, 'faces' | 'artworks'> {
  return {
    faces: fit.faces.map((face) => ({ ...face, places: [] })),
    artworks: artworksOf(fit.faces.flatMap(({ pieces }) => pieces)).filter(({ artworkId }) =>
      isOwn(artworkId),
    ),
  };
}

/** Whether a piece is kept as it is; an example's place is taken by a new design's artwork. */
export function isKept(piece: Piece, { artworks }: Pick<Layout, 'artworks'>): boolean {
  return !isShowing(piece) || !artworks.some(({ artworkId }) => artworkId === piece.artworkId);
}

/** What a layout holds, in words: `2 kept, 1 empty place`. */
export function layoutInWords(layout: Layout): string {
  const pieces = layout.faces.flatMap((face) => face.pieces);
  const kept = pieces.filter((piece) => isKept(piece, layout)).length;
  const empty = pieces.length - kept + layout.faces.flatMap(({ places }) => places).length;
  const count = (n: number, one: string, many: string) => `${n} ${n === 1 ? one : many}`;
  const parts = [
    ...(kept > 0 ? [count(kept, 'piece kept', 'pieces kept')] : []),
    ...(empty > 0 ? [count(empty, 'empty place', 'empty places')] : []),
  ];
  return parts.length === 0 ? 'nothing on it yet' : parts.join(', ');
}

/** A part of a layout that has a place of its own on the face. */
export type Part = MotifPlace | PlacedPiece;

/** The parts of a face that are moved about, the uppermost last. */
export function partsOf({ pieces, places }: LayoutFace): Part[] {
  return [...pieces, ...places].filter((part): part is Part => !isAllOver(part));
}

/** Whether a part lies over all of a face: it has no numbers of its own. */
export function isAllOver(part: Piece | EmptyPlace): boolean {
  if (!('kind' in part)) return part.role === 'ground';
  return part.kind === 'fill' || part.kind === 'repeat' || part.role === 'ground';
}

/** Where a part lies; a place whose height is the artwork's is as high as it is wide. */
export function boxOf(part: Part, factsOf: FactsOf): Box {
  if ('kind' in part) return opaqueBox(part, factsFor(part, factsOf));
  return { ...part, height: part.height ?? part.width };
}

/** A face with one of its parts at another place, turn or size; of a place that has no height, the height says nothing. */
export function withBox(face: LayoutFace, partId: string, to: Partial<Box>, factsOf: FactsOf): LayoutFace {
  return {
    ...face,
    pieces: face.pieces.map((piece) => {
      if (piece.id !== partId || piece.kind === 'fill') return piece;
      const facts = factsFor(piece, factsOf);
      return placeOpaqueBox(piece, facts, { ...opaqueBox(piece, facts), ...to });
    }),
    places: face.places.map((place) =>
      place.id !== partId || place.role === 'ground'
        ? place
        : { ...place, ...to, height: place.height === null ? null : (to.height ?? place.height) },
    ),
  };
}
