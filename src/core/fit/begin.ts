import type { Facts } from '../artwork/facts';
import type { PrintFace, ResolvedBlank } from '../blank/resolve';
import { rgbOf } from '../colour/hex';
import { labOf } from '../colour/lab';
import { deltaE00 } from '../colour/difference';
import { extentOf, factsFor, opaqueBox, type Extent, type FactsOf, type Point } from './geometry';
import { placeFirst, spotAt, spotsBeside, spotsFor } from './first-place';
import { newFill, newPiece } from './place';
import { isMotifKind, type ArtworkPiece, type Design, type Piece } from './schema';

/** An artwork of a design with what was measured in it. */
export type Chosen = Design['artworks'][number] & { facts: Facts };

/**
 * The pieces that a face begins with, from the lowest: the design's grounds over its bleed, or where it has none and the
 * house takes no clear parts a white one; its motifs at their largest honest size, each where that kind of product is
 * looked at. A face that is a sheet of several has a motif on each.
 */
export function beginPieces(
  blank: ResolvedBlank,
  face: PrintFace,
  chosen: readonly Chosen[],
  newId: () => string,
): Piece[] {
  const pieces = (role: Chosen['role']) => chosen.filter((one) => one.role === role);
  const grounds = pieces('ground').map(({ artworkId, facts }) =>
    newPiece(newId(), artworkId, facts, 'ground', face),
  );
  const motifs = setOut(blank, face, pieces('motif'), newId);
  if (grounds.length > 0 || motifs.length === 0 || blank.spec.files.alpha.value !== 'none')
    return [...grounds, ...motifs];
  return [newFill(newId(), '#ffffff', 'White ground'), ...motifs];
}

function setOut(
  { blank }: ResolvedBlank,
  face: PrintFace,
  motifs: readonly Chosen[],
  newId: () => string,
): ArtworkPiece[] {
  if (motifs.length === 0) return [];
  // A sheet of several is filled; elsewhere each is there once.
  const count = Math.max(motifs.length, face.cuts.length);
  return spotsFor(blank.body, face, count)
    .slice(0, count)
    .map((spot, i) => {
      const { artworkId, facts } = motifs[i % motifs.length]!;
      return placeFirst(newPiece(newId(), artworkId, facts, 'motif', face), facts, face, { spots: [spot] });
    });
}

/** What artworks are laid on: the pieces of a face, and for motifs the point to lie at, where one was pointed at. */
export interface There {
  pieces: readonly Piece[];
  factsOf: FactsOf;
  at?: Point | undefined;
}

/**
 * Artworks laid on a face that has pieces, from the lowest: grounds over its bleed, to go under what is there, and motifs
 * at their largest honest size, beside the motifs that are there and not on them.
 */
export function addedPieces(
  { blank }: ResolvedBlank,
  face: PrintFace,
  { pieces, factsOf, at }: There,
  added: readonly Chosen[],
  newId: () => string,
): ArtworkPiece[] {
  const taken = takenOn(pieces, factsOf);
  const spots = spotsBeside(blank.body, face);
  return added.map(({ artworkId, role, facts }, i) => {
    const piece = newPiece(newId(), artworkId, facts, role, face);
    if (role === 'ground') return piece;
    const where = at && i === 0 ? { spots: [spotAt(blank.body, face, at)] } : { spots, taken };
    const placed = placeFirst(piece, facts, face, where);
    taken.push(extentOf(opaqueBox(placed, facts)));
    return placed;
  });
}

/** Where motifs lie on a face. */
export function takenOn(pieces: readonly Piece[], factsOf: FactsOf): Extent[] {
  return pieces.flatMap((piece) =>
    isMotifKind(piece) && piece.role === 'motif' && piece.visible
      ? [extentOf(opaqueBox(piece, factsFor(piece, factsOf)))]
      : [],
  );
}

/** A colour of an artwork nearer than this to the product's melts into it: the limit of `contrast`. */
const MELTS = 10;
/** So much of a motif may melt before another product colour is looked for. */
const MOST = 0.05;

/**
 * The product colour that a design begins on: the first in which its motifs show, or where there is none the one in which
 * the most of them does. It goes by the colours that were measured in them, each by its share.
 */
export function beginColour({ blank }: ResolvedBlank, chosen: readonly Chosen[]): string {
  const first = blank.colours[0]!.id;
  const covered = chosen.some(({ role }) => role === 'ground');
  const inks = chosen.flatMap(({ role, facts }) => (role === 'motif' ? facts.palette : []));
  const all = inks.reduce((sum, { share }) => sum + share, 0);
  if (covered || all === 0) return first;
  let best = { id: first, melted: Infinity };
  for (const { id, hex } of blank.colours) {
    const product = labOf(...rgbOf(hex));
    const melted =
      inks.reduce(
        (sum, ink) => sum + (deltaE00(labOf(...rgbOf(ink.hex)), product) < MELTS ? ink.share : 0),
        0,
      ) / all;
    if (melted <= MOST) return id;
    if (melted < best.melted) best = { id, melted };
  }
  return best.id;
}
