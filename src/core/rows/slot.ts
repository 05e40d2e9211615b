import { boundsOf, flattenPath } from '../geometry/path';
import { firstLettering, newText } from '../fit/text';
import type { TextPiece } from '../fit/schema';
import { layText, type Font } from '../type/layout';
import { cleanWords, EMPTY, lackingMessage, tooWideMessage, UNSEEN } from './words';

/** A named place in a fit, filled by a column of a list: a box with its middle, in mm from the trim's top left. */
export interface Slot {
  name: string;
  width: number;
  height: number;
  x: number;
  y: number;
  /** Smallest cap height in mm that words may shrink to. */
  least: number;
}

/** What stands in a slot, or why it cannot: a sentence for whoever keeps the list. */
export type Filled =
  | { ok: true; piece: TextPiece; /** Cap height in mm. */ cap: number; shrunk: boolean }
  | { ok: false; message: string };

/** A font as slots need it: which characters it lacks, too. */
export interface SlotFont extends Font {
  lacking: (text: string) => string[];
}

/** Letters that rise and hang as far as a font's do: what a slot's full size makes room for. */
const TALL = 'Hg';
/** mm by which ink may be over a slot for rounding. */
const EDGE = 1e-6;

/**
 * Words in a slot, on one line: at the slot's full size where they are short enough, smaller where they are wider, and
 * never under the least cap height. All words of one slot that are not shrunk stand on one baseline.
 */
export function fillSlot(
  slot: Slot,
  text: string,
  font: SlotFont,
  look: { faceId: string; colour: string },
): Filled {
  const words = cleanWords(text);
  if (words === '') return { ok: false, message: EMPTY };
  const lacking = font.lacking(words);
  if (lacking.length > 0) return { ok: false, message: lackingMessage(lacking) };
  const tall = extentOf(TALL, font);
  const ink = extentOf(words, font);
  if (!tall || !ink) return { ok: false, message: UNSEEN };
  const full = slot.height / (tall.bottom - tall.top);
  const width = ink.right - ink.left;
  // What rises or hangs further than most letters is given room as well: its ink stays within the slot.
  const middle = (tall.top + tall.bottom) / 2;
  const reach = 2 * Math.max(middle - ink.top, ink.bottom - middle);
  const scale = Math.min(full, (slot.width - EDGE) / width, slot.height / reach);
  const cap = font.capHeight * scale;
  if (cap < slot.least - EDGE) {
    const wide = (width * slot.least) / font.capHeight;
    const message = tooWideMessage(words, wide, `the least height of ${slot.least} mm`, slot.width);
    return { ok: false, message };
  }
  const lettering = { ...firstLettering(look.faceId, look.colour, cap), lines: [{ text: words, gap: null }] };
  const set = layText(lettering, font);
  if (!set) return { ok: false, message: UNSEEN };
  // From the slot's middle, where the middle of its tall letters lies.
  const y = slot.y + ((ink.top + ink.bottom) / 2 - middle) * scale;
  const piece = newText(`slot-${slot.name}`, lettering, set, { x: slot.x, y });
  return { ok: true, piece, cap, shrunk: scale < full - EDGE };
}

function extentOf(text: string, font: Font) {
  const glyphs = font.glyphs(text);
  let at = 0;
  const box = { left: Infinity, right: -Infinity, top: Infinity, bottom: -Infinity };
  for (const [i, glyph] of glyphs.entries()) {
    const own = boundsOf(flattenPath(glyph.path, 1));
    if (own) {
      box.left = Math.min(box.left, at + own.left);
      box.right = Math.max(box.right, at + own.right);
      box.top = Math.min(box.top, own.top);
      box.bottom = Math.max(box.bottom, own.bottom);
    }
    at += glyph.advance + (i + 1 < glyphs.length ? font.kerning(glyphs, i) : 0);
  }
  return box.right > box.left && box.bottom > box.top ? box : null;
}
