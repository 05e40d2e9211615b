import { rgbOf } from '@/core/colour/hex';
import { BLACK_BELOW, separate } from '@/core/colour/black';
import { labOf } from '@/core/colour/lab';
import type { Cmyk } from '@/core/colour/palette';
import type { Press } from '@/core/colour/press';
import type { Piece } from '@/core/fit/schema';
import { smallestCap } from '@/core/fit/text';

/** A press, and the profile's own file that goes with what it makes; null for the shipped one. */
export interface ForPress {
  press: Press;
  profile: { name: string; bytes: Uint8Array } | null;
}

/** mm of cap height under which black lettering is printed by black ink alone. */
const SMALL = 6;

/** The inks that a path is printed with: small black lettering black alone, other blacks on the recipe where there is one. */
export function onInks(
  press: Press,
  { colour, piece }: { colour: string; piece: Piece },
  recipe: Cmyk | null,
): Cmyk {
  const rgb = rgbOf(colour);
  if (piece.kind === 'text' && smallestCap(piece) < SMALL && labOf(...rgb)[0] < BLACK_BELOW)
    return [0, 0, 0, 1];
  return separate(press, rgb, recipe);
}
