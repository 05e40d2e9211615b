import type { Facts } from '@/core/artwork/facts';
import type { PrintFace, ResolvedBlank } from '@/core/blank/resolve';
import type { Press } from '@/core/colour/press';
import type { Piece } from '@/core/fit/schema';
import type { Eye } from '@/core/product/camera';
import type { Holder } from '@/core/product/families';
import type { PicturePoint } from '@/core/product/lines';

/** A face with what lies on it. `version` changes with either. */
export interface FaceShown {
  face: PrintFace;
  pieces: readonly Piece[];
  version: number;
}

/** One look at the product: a part of the canvas, and the side it is seen from. */
export interface LookAt extends Eye {
  /** The face that is only seen on the thing laid open. */
  faceId: string | null;
  /** What holds the product. */
  holder: Holder;
  /** Where it lies on the canvas, in px of the page. */
  left: number;
  top: number;
  width: number;
  height: number;
  /** Turned in the hand: it stays where it is in its part, whichever way it is turned. */
  turns: boolean;
  /** `#rrggbb` of the product, where this look shows another than the rest. */
  colour?: string;
}

/** A product and what is on it, as the views show it. */
export interface ProductShown {
  /** Changes with the product itself. */
  model: string;
  blank: ResolvedBlank;
  sizeId: string | null;
  faces: readonly FaceShown[];
  /** What is known of the artworks that they show, by id. */
  facts: readonly (readonly [id: string, facts: Facts])[];
  colour: string;
  /** Whether colours are shown as printed, and on which white; null as designed. */
  proof: 'printed' | 'paper' | null;
  looks: readonly LookAt[];
  size: { width: number; height: number; dpr: number };
  /** Something moves: drawn at a reduced size, to be drawn again when it rests. */
  moving: boolean;
}

/** A motif, and the share of it that reads from a side. */
export interface Read {
  faceId: string;
  pieceId: string;
  name: string;
  share: number;
}

/** What is known of a look once it is drawn: the edges of what reads, in px of its part, and each motif's share. */
export interface LookTold {
  bands: PicturePoint[][];
  reads: Read[];
}

/** A place of a face, in mm. */
export interface Place {
  faceId: string;
  x: number;
  y: number;
}

/** Draws products away from the page's own thread. */
export interface ProductService {
  open(canvas: OffscreenCanvas): void;
  addPicture(artworkId: string, picture: ImageBitmap): void;
  /** What the inks make of colours, for when they are to be shown as printed. */
  setPress(press: Press): void;
  /** Resolves once it is on the screen. */
  show(shown: ProductShown): LookTold[];
  /** What is on the canvas, as a PNG. */
  picture(): Promise<Blob>;
  /** What a place of a look, in px of its part, shows; null where it is no face. */
  placeAt(look: number, x: number, y: number): Place | null;
  /** Where each look shows a place, in px of its part; null where it is out of sight. */
  seenAt(place: Place): (PicturePoint | null)[];
}
