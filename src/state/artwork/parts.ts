import { outlinedBy } from '@/core/artwork/steps';
import { readOriginal } from '@/store/read';
import type { Artwork } from '@/store/schema';
import { engine } from '@/workers/client';

/** The part of a drawing at a point of it, by its number; null where there is none. */
export async function partOf(artwork: Artwork, point: { x: number; y: number }): Promise<number | null> {
  const outlined = outlinedBy(artwork.steps);
  const file = outlined === null ? await readOriginal(artwork.facts.sha256) : new Blob([outlined]);
  return engine.partAt(file, artwork.facts.name, point);
}
