import type { Piece } from './schema';

/** The colours that a piece is given, and not those of an artwork that it shows. */
export function givenColours(piece: Piece): string[] {
  switch (piece.kind) {
    case 'fill':
      return [piece.colour];
    case 'shape':
      return [piece.fill, piece.stroke?.colour].filter((colour) => typeof colour === 'string');
    case 'text':
      return [piece.lettering.colour, piece.lettering.outline?.colour, piece.lettering.plate?.colour].filter(
        (colour) => colour !== undefined,
      );
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
      const { colour, outline, plate } = piece.lettering;
      const lettering = {
        ...piece.lettering,
        colour: to(colour),
        outline: within(outline),
        plate: within(plate),
      };
      return { ...piece, lettering };
    }
    case 'artwork':
    case 'repeat':
      return piece;
  }
}
