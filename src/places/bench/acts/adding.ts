import { toast } from '@/ui/toast';
import { wayRound } from '@/core/blank/kinds';
import { addedPieces, takenOn } from '@/core/fit/begin';
import { placeFirst, spotsBeside } from '@/core/fit/first-place';
import { factsFor, opaqueBox, overlap, type Point } from '@/core/fit/geometry';
import { newFill, newPiece, roleOf } from '@/core/fit/place';
import { newRepeat, oneOf } from '@/core/fit/repeat';
import { rgbOf } from '@/core/colour/hex';
import { labOf } from '@/core/colour/lab';
import {
  isMotifKind,
  isShowing,
  type ArtworkPiece,
  type InkPiece,
  type Piece,
  type PlacedPiece,
  type RepeatPiece,
} from '@/core/fit/schema';
import { newShape, type NewShape } from '@/core/fit/shapes';
import { firstLettering, newText, placedLettering } from '@/core/fit/text';
import { FIRST_FONT } from '@/core/type/fonts';
import type { Lettering } from '@/core/type/schema';
import { asArtwork } from '@/state/artwork/drawn';
import { changePiece, changePieces, piecesOf } from '@/state/bench/open-fit';
import { select, useHand } from '@/state/bench/hand';
import { sentence } from '@/state/sentence';
import { towardsEdit } from '@/state/bench/save-queue';
import { lay, relaid } from '@/state/bench/type';
import { shownColour, type Live } from '../live/useLive';

/** Lays pieces on the face and chooses them: grounds under everything, motifs on top. */
export async function addPieces({ face }: Live, added: readonly Piece[]): Promise<void> {
  if (added.length === 0) return;
  const grounds = added.filter(({ role }) => role === 'ground');
  const motifs = added.filter(({ role }) => role === 'motif');
  select(added.map(({ id }) => id));
  await changePieces(face.id, [...grounds, ...piecesOf(face.id), ...motifs]);
}

/**
 * Artworks as pieces: an opaque one is a ground over the bleed, another a motif at its largest honest size beside what
 * lies there, or with its middle at a point.
 */
export function addArtworks(live: Live, artworks: Live['artworks'], at?: Point): Promise<void> {
  const { blank, face, factsOf } = live;
  const known = new Map(artworks.map(({ id, facts }) => [id, facts]));
  const chosen = artworks.map(({ id, facts }) => ({ artworkId: id, role: roleOf(facts), facts }));
  const there = { pieces: piecesOf(face.id), factsOf: (id: string) => known.get(id) ?? factsOf(id), at };
  const added = addedPieces(blank, face, there, chosen, () => crypto.randomUUID());
  // What is dropped lies where it was let go.
  if (!at) tellCovering({ ...live, factsOf: there.factsOf }, added);
  return addPieces(live, added);
}

/** Says where a motif that was added found no room beside what is there, and lies on it. */
function tellCovering({ face, factsOf }: Live, added: readonly PlacedPiece[]): void {
  const boxOf = (piece: PlacedPiece) => opaqueBox(piece, factsFor(piece, factsOf));
  const motifs = piecesOf(face.id)
    .filter(isMotifKind)
    .filter(({ role, visible }) => visible && role === 'motif');
  for (const piece of added) {
    const under = piece.role === 'motif' && motifs.find((one) => overlap(boxOf(one), boxOf(piece)));
    if (!under) continue;
    toast(
      `“${piece.name}” lies on “${under.name}”: no room is left beside it. Move one, or make it smaller.`,
    );
    return;
  }
}

/** A plain colour under everything, over the face or one zone of it. */
export function addFill(live: Live, zoneId: string | null): void {
  const zone = live.face.zones.find(({ id }) => id === zoneId);
  const fill = newFill(crypto.randomUUID(), '#ffffff', zone ? `Ground, ${zone.name}` : undefined);
  // A zone's fill lies on the grounds that go all over, and under all else.
  const pieces = piecesOf(live.face.id);
  const under = zone ? pieces.filter((piece) => piece.role === 'ground').length : 0;
  void changePieces(live.face.id, [...pieces.slice(0, under), { ...fill, zoneId }, ...pieces.slice(under)]);
  select([fill.id]);
}

/** A shape in the middle of the face, in what stands out on the product, its lines as thin as the method holds at least. */
export function addShape(live: Live, what: NewShape): void {
  const { face, blank } = live;
  void addPieces(live, [newShape(crypto.randomUUID(), what, face, colourOn(live), blank.limits.stroke)]);
}

/** A new text is not made smaller than this part of itself to find room. */
const LEAST_TEXT = 0.3;

/** A new text in the middle of the face or beside what is there, its words ready to be typed. */
export async function addText(live: Live): Promise<void> {
  const { face } = live;
  const cap = Math.max(2, Math.min(face.height * 0.12, face.width * 0.06));
  try {
    const lettering = firstLettering(FIRST_FONT, colourOn(live), Math.round(cap * 2) / 2);
    const middle = { x: face.width / 2, y: face.height / 2 };
    await towardsEdit(async () => {
      const ink = await lay(lettering);
      if (!ink) return;
      const text = newText(crypto.randomUUID(), lettering, ink, middle);
      const spots = spotsBeside(live.blank.blank.body, face);
      const taken = takenOn(piecesOf(face.id), live.factsOf);
      const beside = placeFirst(text, null, face, { spots, taken, most: 1 });
      // Where there is no room for it to be read in, it lies in the middle, to be moved.
      const laid = beside.width < text.width * LEAST_TEXT ? text : beside;
      tellCovering(live, [laid]);
      await addPieces(live, [laid]);
    });
    useHand.setState({ editing: 'words' });
  } catch (error) {
    toast(sentence(error));
  }
}

/** Near black or white, whichever is further from the uppermost ground, or from the product where there is none. */
function colourOn(live: Live): string {
  const ground = live.pieces.findLast((piece) => piece.visible && piece.role === 'ground');
  const under =
    ground?.kind === 'fill'
      ? ground.colour
      : ground && isShowing(ground)
        ? live.factsOf(ground.artworkId).palette[0]?.hex
        : undefined;
  const [lightness] = labOf(...rgbOf(under ?? shownColour(live)));
  return lightness > 55 ? '#20252b' : '#ffffff';
}

/** What of a text changes, or what it changes to from how it is set by then. */
type Change = Partial<Lettering> | ((now: Lettering) => Partial<Lettering>);

/** The last text to be set anew: each waits for the one before, so that none is set from what another has changed. */
let setting: Promise<void> = Promise.resolve();

/** Sets a text anew with a change to it; says what is in the way where it cannot be set so. */
export function setLettering({ face }: Live, textId: string, change: Change): Promise<void> {
  setting = towardsEdit(() => setting.then(() => setAnew(face.id, textId, change)));
  return setting;
}

async function setAnew(faceId: string, textId: string, change: Change): Promise<void> {
  const text = piecesOf(faceId).find(({ id }) => id === textId);
  if (text?.kind !== 'text') return;
  try {
    const now = typeof change === 'function' ? change(placedLettering(text)) : change;
    await changePiece(faceId, await relaid(text, now));
  } catch (error) {
    toast(sentence(error));
  }
}

/** An artwork's piece as a repeat over the whole face, and a repeat as one piece again. */
export function asRepeat(live: Live, piece: ArtworkPiece): void {
  const around = wayRound(live.blank.blank.body, live.face);
  const repeat = newRepeat(piece, live.factsOf(piece.artworkId), live.face, around);
  const others = piecesOf(live.face.id).filter(({ id }) => id !== piece.id);
  void changePieces(live.face.id, [repeat, ...others]);
}

/** A shape or a text as an artwork of its own, and that repeated over the whole face in the piece's place. */
export async function asTile(live: Live, piece: InkPiece): Promise<void> {
  await towardsEdit(async () => {
    const artwork = await asArtwork(piece);
    if (!artwork) return;
    const { id, name, x, y, width, height, rotation, flipped } = piece;
    const laid = newPiece(id, artwork.id, artwork.facts, 'motif', live.face);
    const tile = { ...laid, name, x, y, width, height, rotation, flipped };
    const around = wayRound(live.blank.blank.body, live.face);
    const others = piecesOf(live.face.id).filter((one) => one.id !== id);
    await changePieces(live.face.id, [newRepeat(tile, artwork.facts, live.face, around), ...others]);
    toast(`“${artwork.facts.name}” is an artwork now, and repeated over the face.`);
  });
}

export function asOne(live: Live, piece: RepeatPiece): void {
  void changePiece(live.face.id, oneOf(piece));
}
