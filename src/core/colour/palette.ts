import { rgbOf } from './hex';
import { labOf } from './lab';

/** Shares of cyan, magenta, yellow and black ink, 0 to 1. */
export type Cmyk = readonly [cyan: number, magenta: number, yellow: number, black: number];

/** One colour of an artwork and how much of what is there has it. */
export interface PaletteColour {
  hex: string;
  /** 0 to 1. */
  share: number;
}

/** Two colours of a palette as one: the commoner keeps its place and its colour, and takes the other's share. */
export function mergeColours(palette: readonly PaletteColour[], a: string, b: string): PaletteColour[] {
  const [kept, gone] = [a, b]
    .map((hex) => palette.find((colour) => colour.hex === hex)!)
    .sort((one, other) => other.share - one.share) as [PaletteColour, PaletteColour];
  return palette
    .filter((colour) => colour !== gone)
    .map((colour) => (colour === kept ? { ...kept, share: kept.share + gone.share } : colour));
}

/** The darkest colour of a palette; black where it has none. */
export function darkestOf(palette: readonly PaletteColour[]): string {
  const lightness = (hex: string) => labOf(...rgbOf(hex))[0];
  return palette.reduce(
    (so, { hex }) => (lightness(hex) < lightness(so) ? hex : so),
    palette[0]?.hex ?? '#000000',
  );
}
