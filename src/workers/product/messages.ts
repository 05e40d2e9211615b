import type { PrintFace } from '@/core/blank/resolve';
import type { RoundBody } from '@/core/blank/body';
import type { Method } from '@/core/blank/schema';
import type { Piece } from '@/core/fit/schema';

/** A round product and what is on it, as the views show it. */
export interface RoundProductShown {
  body: RoundBody;
  face: PrintFace;
  pieces: readonly Piece[];
  colour: string;
  ink: Method['ink'];
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
  /** Resolves once it is on the screen. */
  show(shown: RoundProductShown): Promise<void>;
  close(): void;
}
