import { textInks } from './text';
import type { Piece, TextPiece } from './schema';

/** The colours that a piece is given, and not those of an artwork that it shows. */
export function givenColours(piece: Piece): string[] {
  switch (piece.kind) {
    case 'fill':
      return [piece.colour];
    case 'shape':
      return [piece.fill, piece.stroke?.colour].filter((colour) => typeof colour === 'string');
    case 'text':
      return [...new Set(textInks(piece).map(({ colour }) => colour))];
    case 'artwork':
    case 'repeat':
      return [];
  }
}

/** A text with its letters, and nothing else of it, in other colours. */
export function inLetterColours(piece: TextPiece, to: (colour: string) => string): TextPiece {
  const { colour, dealt } = piece.lettering;
  const { parts, inner } = piece.ink;
  return {
    ...piece,
    lettering: {
      ...piece.lettering,
      colour: dealt ? colour : to(colour),
      ...(dealt && { dealt: { ...dealt, colours: dealt.colours.map(to) } }),
    },
    ink: {
      ...piece.ink,
      ...(parts && { parts: parts.map((part) => ({ ...part, colour: to(part.colour) })) }),
      ...(inner && {
        inner: inner.map((part) => ({ ...part, colour: part.colour && to(part.colour) })),
      }),
    },
  };
}

/** A piece in other colours: what `to` makes of each that it is given. */
export function recoloured(piece: Piece, to: (colour: string) => string): Piece {
  const within = <T extends { colour: string }>(part: T | null) =>
    part && { ...part, colour: to(part.colour) };
  switch (piece.kind) {
    case 'fill':
      return { ...piece, colour: to(piece.colour) };
    case 'shape':
      return { ...piece, fill: piece.fill && to(piece.fill), stroke: within(piece.stroke) };
    case 'text': {
      const own = inLetterColours(piece, to);
      const { outline, rings, inline, plate, shadow } = piece.lettering;
      const lettering = {
        ...own.lettering,
        outline: within(outline),
        plate: within(plate),
        ...(rings && { rings: rings.map((ring) => ({ ...ring, colour: to(ring.colour) })) }),
        ...(inline && { inline: within(inline) }),
        ...(shadow && { shadow: within(shadow) }),
      };
      return { ...own, lettering };
    }
    case 'artwork':
    case 'repeat':
      return piece;
  }
}
