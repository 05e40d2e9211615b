import type { FactsOf, Point } from '../fit/geometry';
import type { Fit, Piece, TextPiece } from '../fit/schema';
import type { TextSlot } from '../fit/slot';
import { swapArtworks } from '../fit/swap';
import { capsBelowMiddle, placedLettering, withInk } from '../fit/text';
import { arcHolds, scaledLettering } from '../type/layout';
import type { Ink, Lettering } from '../type/schema';
import type { RowProblem } from './list';
import type { Filled } from './slot';
import { isSlot } from './slots';
import { cleanWords, EMPTY, lackingMessage, tooWideMessage, UNSEEN } from './words';

/** Sets type, wherever its fonts are. */
export interface Typesetter {
  /** Outlines of some lettering; null where it has no ink. */
  lay: (lettering: Lettering) => Promise<Ink | null>;
  /** Characters that a font has not. */
  lacking: (text: string, faceId: string) => Promise<string[]>;
}

/** What fills the slots of a fit: type for its texts, artworks by the names of their files for its pictures. */
export interface Filling extends Typesetter {
  artworkNamed: (name: string) => string | null;
  factsOf: FactsOf;
}

/** What a row makes of a fit: a fit of its own, or why not; and whether words were shrunk for it. */
export interface FilledRow {
  fit: Fit | null;
  problems: RowProblem[];
  shrunk: boolean;
}

/** mm by which ink may be over a slot for rounding. */
const EDGE = 1e-6;
/** More lines than this are no name any more. */
const MOST_LINES = 6;
/** Of a whole turn, how much words on an arc may take up. */
const MOST_SWEEP = 2 * Math.PI * 0.96;

/** A fit with a row's words and pictures in its slots; `cellOf` says what the row has for a slot's name. */
export async function fillFit(
  fit: Fit,
  cellOf: (slot: string) => { column: string; text: string },
  filling: Filling,
): Promise<FilledRow> {
  const problems: RowProblem[] = [];
  let shrunk = false;
  const fill = async (piece: Piece): Promise<Piece> => {
    if (!isSlot(piece)) return piece;
    const { column, text } = cellOf(piece.slot.name);
    const filled = piece.kind === 'text' ? await fillText(piece, text, filling) : null;
    if (filled?.ok) {
      shrunk ||= filled.shrunk;
      return filled.piece;
    }
    if (filled) problems.push({ column, message: filled.message });
    return piece;
  };
  const faces = [];
  for (const face of fit.faces) {
    const pieces = [];
    for (const piece of face.pieces) pieces.push(pictureIn(await fill(piece), cellOf, filling, problems));
    faces.push({ ...face, pieces });
  }
  return { fit: problems.length > 0 ? null : { ...fit, faces }, problems: onceEach(problems), shrunk };
}

/** A picture slot with the artwork that the row names, as large and where the other one was seen. */
function pictureIn(
  piece: Piece,
  cellOf: (slot: string) => { column: string; text: string },
  { artworkNamed, factsOf }: Filling,
  problems: RowProblem[],
): Piece {
  if (piece.kind !== 'artwork' || !piece.slot) return piece;
  const { column, text } = cellOf(piece.slot.name);
  const name = text.trim();
  if (name === '') {
    problems.push({ column, message: EMPTY });
    return piece;
  }
  const to = artworkNamed(name);
  if (to === null) {
    problems.push({ column, message: `No artwork is called “${name}”: bring it in, or correct the name.` });
    return piece;
  }
  const swaps = new Map([[piece.artworkId, to]]);
  const [face] = swapArtworks([{ faceId: '', pieces: [piece] }], swaps, factsOf);
  return { ...face!.pieces[0]!, name: piece.name };
}

/** Slots of one name say the same of one cell. */
function onceEach(problems: readonly RowProblem[]): RowProblem[] {
  return [...new Map(problems.map((one) => [`${one.column}\n${one.message}`, one])).values()];
}

/**
 * Words in a text's slot, in all else as the text is set: at its own size where they are narrow enough; wider ones by the
 * slot's rule, and never under its least cap height. The middle of its capitals stays, and the edge that its lines keep.
 */
export async function fillText(
  piece: TextPiece & { slot: TextSlot },
  text: string,
  type: Typesetter,
): Promise<Filled> {
  const { slot } = piece;
  const words = cleanWords(text);
  if (words === '') return { ok: false, message: EMPTY };
  const lettering = placedLettering(piece);
  const lacking = await type.lacking(words, lettering.faceId);
  if (lacking.length > 0) return { ok: false, message: lackingMessage(lacking) };
  const own = await atTrueSize(piece, lettering, type);
  const ways: Way[] = [];
  for (const lines of slot.rule === 'break' ? brokenUp(words) : [[words]]) {
    const way = await setAs(lines, { lettering, own, slot }, type);
    if (way) ways.push(way);
  }
  if (ways.length === 0) return { ok: false, message: UNSEEN };
  // Of ways as large as one another the one of fewer lines comes first.
  const best = ways.reduce((a, b) => (b.scale > a.scale + EDGE ? b : a));
  const cap = Math.min(...best.ink.lines.map((line) => line.cap)) * best.scale;
  const { width } = best.ink;
  if (slot.rule === 'tell' && best.scale < 1 - EDGE)
    return { ok: false, message: tooWideMessage(words, width, 'its full size', slot.width) };
  if (cap < slot.least - EDGE)
    return {
      ok: false,
      message: tooWideMessage(
        words,
        width * (slot.least / (cap / best.scale)),
        `the least height of ${slot.least} mm`,
        slot.width,
      ),
    };
  const shrunk = best.scale < 1 - EDGE;
  const set = shrunk ? scaledLettering(best.lettering, best.scale) : best.lettering;
  const ink = shrunk ? await type.lay(set) : best.ink;
  if (!ink || !arcHolds(set, ink)) return { ok: false, message: UNSEEN };
  const moved = setOff(anchorOf(lettering, own), anchorOf(set, ink), piece);
  return { ok: true, piece: { ...withInk(piece, set, ink), ...moved, name: piece.name }, cap, shrunk };
}

/** A way to set words: its lettering and outlines at full size, and what it is to be scaled by. */
interface Way {
  lettering: Lettering;
  ink: Ink;
  scale: number;
}

async function setAs(
  texts: readonly string[],
  { lettering, own, slot }: { lettering: Lettering; own: Ink; slot: TextSlot },
  { lay }: Typesetter,
): Promise<Way | null> {
  const asked = { ...lettering, lines: texts.map((text) => ({ text, gap: null })) };
  const bent = await onItsArc(asked, own, lay);
  const ink = bent && (await lay(bent));
  if (!bent || !ink) return null;
  const across = (slot.width - EDGE) / ink.width;
  const down = texts.length > 1 ? (slot.height - EDGE) / ink.height : 1;
  return { lettering: bent, ink, scale: Math.min(1, across, down) };
}

/** Words on an arc keep its radius, whatever their length; null where they would go round more than once. */
async function onItsArc(asked: Lettering, own: Ink, lay: Typesetter['lay']): Promise<Lettering | null> {
  const { bend } = asked;
  if (bend?.kind !== 'arc') return asked;
  const straight = await lay({ ...asked, bend: null });
  if (!straight) return null;
  const sweep = (bend.sweep * widest(straight)) / widest(own);
  return Math.abs(sweep) > MOST_SWEEP ? null : { ...asked, bend: { kind: 'arc', sweep } };
}

const widest = ({ lines }: Ink): number => Math.max(...lines.map(({ width }) => width));

/** The text's own outlines at the size it is placed in, with its baseline. */
async function atTrueSize(piece: TextPiece, lettering: Lettering, { lay }: Typesetter): Promise<Ink> {
  if (piece.ink.base !== undefined && lettering === piece.lettering) return piece.ink;
  return (await lay(lettering)) ?? piece.ink;
}

/** Where a text is held, from the middle of its box: the edge that its lines keep, and the middle of its capitals. */
function anchorOf(lettering: Lettering, ink: Ink): Point {
  const { align } = lettering;
  const x = align === 'left' ? -ink.width / 2 : align === 'right' ? ink.width / 2 : 0;
  return { x, y: capsBelowMiddle(lettering, ink) };
}

/** Where a text's middle goes so that it is held where it was. */
function setOff(from: Point, to: Point, { x, y, rotation, flipped }: TextPiece): Point {
  const dx = (from.x - to.x) * (flipped ? -1 : 1);
  const dy = from.y - to.y;
  const [cos, sin] = [Math.cos(rotation), Math.sin(rotation)];
  return { x: x + dx * cos - dy * sin, y: y + dx * sin + dy * cos };
}

/** Words on one line, on two, and so on, each as even as they can be. */
export function brokenUp(words: string): string[][] {
  const parts = words.split(' ');
  const most = Math.min(parts.length, MOST_LINES);
  return Array.from({ length: most }, (_, i) => evenly(parts, i + 1));
}

/** Words in so many lines, the longest of which is as short as it can be. */
function evenly(parts: readonly string[], count: number): string[] {
  // best[i]: the first i words in as many lines as were asked for so far.
  let best = parts.map((_, i) => [parts.slice(0, i + 1).join(' ')]);
  for (let n = 2; n <= count; n++) {
    best = parts.map((_, i) => {
      if (i + 1 < n) return best[i]!;
      let found: string[] | null = null;
      for (let cut = n - 2; cut < i; cut++) {
        const lines = [...best[cut]!, parts.slice(cut + 1, i + 1).join(' ')];
        if (found === null || longest(lines) < longest(found)) found = lines;
      }
      return found!;
    });
  }
  return best[parts.length - 1]!;
}

const longest = (lines: readonly string[]): number => Math.max(...lines.map(({ length }) => length));
