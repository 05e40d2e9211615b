import type { PrintFace } from '@/core/blank/resolve';
import type { RoundBody } from '@/core/blank/body';
import type { Method } from '@/core/blank/schema';
import type { Press } from '@/core/colour/press';
import type { Facts } from '@/core/artwork/facts';
import type { Piece } from '@/core/fit/schema';

/** A round product and what is on it, as the views show it. */
export interface RoundProductShown {
  body: RoundBody;
  face: PrintFace;
  pieces: readonly Piece[];
  /** What is known of the artworks that they show, by id. */
  facts: readonly (readonly [id: string, facts: Facts])[];
  colour: string;
  ink: Method['ink'];
  /** Whether colours are shown as printed, and on which white; null as designed. */
  proof: 'printed' | 'paper' | null;
  /** Where each view is taken from, in radians to the right of the front. */
  eyes: readonly number[];
  /** Views side by side; the rest go below. */
  columns: number;
  size: { width: number; height: number; dpr: number };
}

/** Draws products away from the page's own thread. */
export interface ProductService {
  open(canvas: OffscreenCanvas): void;
  addPicture(artworkId: string, picture: ImageBitmap): void;
  /** What the inks make of colours, for when they are to be shown as printed. */
  setPress(press: Press): void;
  /** Resolves once it is on the screen. */
  show(shown: RoundProductShown): Promise<void>;
  close(): void;
}
