import type { Fit, Piece, TextPiece } from '../fit/schema';
import type { Lettering } from '../type/schema';

/** What stands between two lines of a text where it is written in one. */
const BREAK = ' / ';

/** A text's lines in one: `LIGHT / THE / LAMP`. */
export function wordsOf({ lettering }: Pick<TextPiece, 'lettering'>): string {
  return lettering.lines.map(({ text }) => text).join(BREAK);
}

/** Lines out of one, in the place of a text's own: each keeps the gap under it that the line before had. */
export function linesFrom(words: string, { lines }: Pick<Lettering, 'lines'>): Lettering['lines'] {
  return words
    .split(BREAK)
    .map((text) => text.trim())
    .filter((text) => text !== '')
    .map((text, i) => ({ text, gap: lines[i]?.gap ?? null }));
}

/** The texts of a fit, hidden ones too. */
export function textsOf(fit: Pick<Fit, 'faces'>): TextPiece[] {
  return fit.faces.flatMap(({ pieces }) => pieces.filter((piece) => piece.kind === 'text'));
}

/** A fit with some of its pieces as they became. */
export function withPieces(fit: Fit, changed: ReadonlyMap<string, Piece>): Fit {
  return {
    ...fit,
    faces: fit.faces.map((face) => ({
      ...face,
      pieces: face.pieces.map((piece) => changed.get(piece.id) ?? piece),
    })),
  };
}
