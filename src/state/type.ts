import { UpFitError } from '@/core/errors';
import type { Ink, Lettering } from '@/core/type/schema';
import { put, remove } from '@/store/database';
import type { StoredFace } from '@/store/kept';
import { typeWorker } from '@/workers/type-client';
import { useShop, withRecord, without } from './shop';

/** Sets lettering as outlines; null where it has no ink. Throws where its face is gone. */
export function lay(lettering: Lettering): Promise<Ink | null> {
  const file = useShop.getState().faces.get(lettering.faceId)?.file ?? null;
  return typeWorker().lay(lettering, { id: lettering.faceId, file });
}

/** Takes a face of type in: TTF, OTF or WOFF. Throws with a sentence where it is none. */
export async function addFace(file: File): Promise<StoredFace> {
  const read = await typeWorker().inspect(file.name, file);
  if (!read.ok) throw new UpFitError('unreadable', read.message);
  const { id, facts } = read;
  const face: StoredFace = { id, facts, fileName: file.name, addedAt: Date.now(), file };
  useShop.setState(({ faces }) => ({ faces: withRecord(faces, id, face) }));
  await put('faces', face);
  return face;
}

/** Takes a face out. Texts that were set in it keep their outlines. */
export async function removeFace(id: string): Promise<void> {
  useShop.setState(({ faces }) => ({ faces: without(faces, id) }));
  await remove('faces', id);
}

/** Reads the shape of an SVG to clip to. Throws with a sentence where it has none. */
export async function readShape(file: File): Promise<{ name: string; d: string }> {
  const read = await typeWorker().shapeOf(file.name, file);
  if (!read.ok) throw new UpFitError('unreadable', read.message);
  return read.shape;
}
