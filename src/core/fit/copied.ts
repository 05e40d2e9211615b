import * as v from 'valibot';
import type { PrintFace } from '../blank/resolve';
import { carryPiece, renewed } from './copy-face';
import { extentOf, factsFor, opaqueBox, type Extent, type FactsOf } from './geometry';
import { movePiece, type Motion } from './move';
import {
  artworkIdOf,
  GroupSchema,
  isMotifKind,
  PieceSchema,
  type MotifPiece,
  type Piece,
  type PlacedPiece,
} from './schema';
import { withoutEmptyGroups, type FacePieces } from './selection';

const Length = v.pipe(v.number(), v.finite(), v.minValue(0.1), v.maxValue(100_000));

/** Pieces as they lie on the clipboard: with the size of the face that they were copied from, in mm. */
const CopiedSchema = v.object({
  upfit: v.literal('pieces/1'),
  face: v.object({ width: Length, height: Length }),
  pieces: v.pipe(v.array(PieceSchema), v.minLength(1), v.maxLength(1000)),
  groups: v.pipe(v.array(GroupSchema), v.maxLength(1000)),
});
export type Copied = v.InferOutput<typeof CopiedSchema>;

/** What is chosen on a face, for the clipboard; groups go with the pieces that are in them. Null where nothing is chosen. */
export function copiedFrom(
  { pieces, groups = [] }: FacePieces,
  ids: readonly string[],
  face: Pick<PrintFace, 'width' | 'height'>,
): Copied | null {
  const chosen = pieces.filter(({ id }) => ids.includes(id));
  if (chosen.length === 0) return null;
  const { width, height } = face;
  const held = withoutEmptyGroups({ pieces: chosen, groups });
  return { upfit: 'pieces/1', face: { width, height }, pieces: held.pieces, groups: held.groups };
}

/** Reads pieces out of a text of the clipboard; null where it is any other text. */
export function readCopied(text: string): Copied | null {
  if (!text.startsWith('{') || !text.includes('pieces/1')) return null;
  try {
    return v.parse(CopiedSchema, JSON.parse(text));
  } catch {
    return null;
  }
}

/** Pieces to be laid on a face, and what became of them on the way. */
export interface Pasted extends FacePieces {
  /** How much smaller or larger the motifs became: 1 where they kept their size. */
  scale: number;
  /** Pieces left out, because their artwork is not in this shop. */
  leftOut: number;
}

/** The shop that pieces are pasted in: what is known of its artworks, and a source of ids. */
export interface PastingInto {
  factsOf: FactsOf;
  has: (artworkId: string) => boolean;
  newId: () => string;
}

/** How far, in mm, a copy lies right of and below what lies at its place already. */
const ASIDE = 5;
/** Middles nearer than this, in mm, are at one place. */
const ONE_PLACE = 0.5;

/**
 * Copied pieces on a face. On a face of the same size they keep size and place, a little aside of what lies there already.
 * On another the motifs keep their size where its safe area holds them, else become smaller as one; they lie as far across
 * and down as they did. Grounds cover its bleed anew. All get new ids.
 */
export function pastedOn(
  { face: from, pieces, groups }: Copied,
  to: PrintFace,
  there: readonly Piece[],
  { factsOf, has, newId }: PastingInto,
): Pasted {
  const known = pieces.filter((piece) => {
    const id = artworkIdOf(piece);
    return id === null || has(id);
  });
  const same = Math.abs(from.width - to.width) < 0.01 && Math.abs(from.height - to.height) < 0.01;
  const motifs = known.filter(isMotif);
  const motion: Motion = same || motifs.length === 0 ? {} : inward(extentOfAll(motifs, factsOf), from, to);
  const carried = known.map((piece) => carryPiece(piece, motion, same ? null : to, factsOf));
  const aside = asideOf(carried, there, factsOf);
  const moved = carried.map((piece) =>
    isMotif(piece) ? movePiece(piece, factsFor(piece, factsOf), { dx: aside, dy: aside }) : piece,
  );
  const held = renewed(withoutEmptyGroups({ faceId: to.id, pieces: moved, groups }), newId);
  return {
    pieces: held.pieces,
    groups: held.groups,
    scale: motion.scale ?? 1,
    leftOut: pieces.length - known.length,
  };
}

const isMotif = (piece: Piece): piece is MotifPiece => isMotifKind(piece) && piece.role === 'motif';

/** The motion that takes a box of motifs of one face into the safe area of another. */
function inward(box: Extent, from: Copied['face'], to: PrintFace) {
  const room = { width: to.width - 2 * to.safe, height: to.height - 2 * to.safe };
  const [width, height] = [box.right - box.left, box.bottom - box.top];
  const scale = Math.min(1, room.width / width, room.height / height);
  const about = { x: (box.left + box.right) / 2, y: (box.top + box.bottom) / 2 };
  const within = (at: number, half: number, length: number) =>
    Math.min(Math.max(at, to.safe + half), length - to.safe - half);
  const x = within((about.x / from.width) * to.width, (width * scale) / 2, to.width);
  const y = within((about.y / from.height) * to.height, (height * scale) / 2, to.height);
  return { about, scale, dx: x - about.x, dy: y - about.y };
}

function extentOfAll(pieces: readonly PlacedPiece[], factsOf: FactsOf): Extent {
  const all = pieces.map((piece) => extentOf(opaqueBox(piece, factsFor(piece, factsOf))));
  return {
    left: Math.min(...all.map(({ left }) => left)),
    right: Math.max(...all.map(({ right }) => right)),
    top: Math.min(...all.map(({ top }) => top)),
    bottom: Math.max(...all.map(({ bottom }) => bottom)),
  };
}

/** How far pieces go aside for none of them to lie on the middle of one that is there. */
function asideOf(pasted: readonly Piece[], there: readonly Piece[], factsOf: FactsOf): number {
  const middles = (pieces: readonly Piece[]) =>
    pieces.filter(isMotif).map((piece) => opaqueBox(piece, factsFor(piece, factsOf)));
  const taken = middles(there);
  let aside = 0;
  const onOne = () =>
    middles(pasted).some(({ x, y }) =>
      taken.some((one) => Math.hypot(one.x - x - aside, one.y - y - aside) < ONE_PLACE),
    );
  while (onOne()) aside += ASIDE;
  return aside;
}
