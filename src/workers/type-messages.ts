import type { FontFacts } from '@/core/type/fonts';
import type { ReadShape } from '@/files/svg/shape';
import type { OutlinedWords } from '@/files/svg/words';
import type { Ink, Lettering } from '@/core/type/schema';

/** Where a face comes from: the seller's own file, or the app's server where there is none. */
export interface FaceSource {
  id: string;
  file: Blob | null;
}

/** An answer that may be a sentence about what is wrong. */
export type Read<T> = ({ ok: true } & T) | { ok: false; message: string };

/** Sets type away from the page's own thread. */
export interface TypeService {
  /** Outlines of some lettering; null where it has no ink. */
  lay(lettering: Lettering, face: FaceSource): Promise<Ink | null>;
  /** Characters of a text that a face has not. */
  lacking(text: string, face: FaceSource): Promise<string[]>;
  /** Reads a face that was brought in; `id` is the SHA-256 of its file. */
  inspect(name: string, file: Blob): Promise<Read<{ id: string; facts: FontFacts }>>;
  /** The shape of a drawing, to clip to. */
  shapeOf(name: string, file: Blob): Promise<Read<{ shape: ReadShape }>>;
  /** A drawing with its live text as outlines, in whichever of these fonts it names. */
  outline(name: string, file: Blob, fonts: readonly FaceSource[]): Promise<Read<OutlinedWords>>;
}
