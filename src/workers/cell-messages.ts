import type { Facts } from '@/core/artwork/facts';
import type { Piece } from '@/core/fit/schema';
import type { Drawn } from '@/core/product/drawn';

/** A fit to be drawn small. */
export interface CellJob {
  drawn: Drawn;
  /** By the face they lie on. */
  pieces: Readonly<Record<string, readonly Piece[]>>;
  /** Of the product. */
  colour: string;
  /** Each with its small picture; `key` says which pixels that shows. */
  artworks: readonly { id: string; key: string; facts: Facts; preview: Blob }[];
}

/** What the worker that draws fits small does. */
export interface CellService {
  /** A picture of all that is drawn but its lines. Throws where an artwork's small picture cannot be decoded. */
  draw(job: CellJob): Promise<Blob>;
}
