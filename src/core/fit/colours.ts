import { textInks } from './text';
import type { Piece } from './schema';

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
      const { colour, outline, plate, shadow, dealt } = piece.lettering;
      const lettering = {
        ...piece.lettering,
        colour: to(colour),
        outline: within(outline),
        plate: within(plate),
        ...(shadow && { shadow: within(shadow) }),
        ...(dealt && { dealt: { ...dealt, colours: dealt.colours.map(to) } }),
      };
      const { parts } = piece.ink;
      return {
        ...piece,
        lettering,
        ink: { ...piece.ink, ...(parts && { parts: parts.map((part) => within(part)!) }) },
      };
    }
    case 'artwork':
    case 'repeat':
      return piece;
  }
}
