import { UpFitError } from '@/core/errors';
import type { TextPiece } from '@/core/fit/schema';
import { placedLettering, withInk } from '@/core/fit/text';
import { arcHolds } from '@/core/type/layout';
import type { Ink, Lettering } from '@/core/type/schema';
import type { StoredFont } from '@/store/kept';
import { typeWorker } from '@/workers/type-client';
import { keep, takeOut } from '../shop/records';
import { useShop } from '../shop/shop';

/** Sets lettering as outlines; null where it has no ink. Throws where its face is gone. */
export function lay(lettering: Lettering): Promise<Ink | null> {
  return typeWorker.call((worker) => worker.lay(lettering, sourceOf(lettering.faceId)));
}

/** Characters of a text that a face has not. Throws where the face is gone. */
export function lacking(text: string, faceId: string): Promise<string[]> {
  return typeWorker.call((worker) => worker.lacking(text, sourceOf(faceId)));
}

function sourceOf(id: string) {
  return { id, file: useShop.getState().faces.get(id)?.file ?? null };
}

/** A text set anew with a change to its lettering; throws with a sentence where it cannot be set so. */
export async function relaid(text: TextPiece, change: Partial<Lettering>): Promise<TextPiece> {
  const lettering = { ...placedLettering(text), ...change };
  const ink = await lay(lettering);
  if (!ink)
    throw new UpFitError(
      'bad-argument',
      'These words have no letters to print: type some, or take the text off.',
    );
  if (!arcHolds(lettering, ink))
    throw new UpFitError(
      'bad-argument',
      'So strong an arc has no room for the lower lines: bend it less, or set the lines closer.',
    );
  return withInk(text, lettering, ink);
}

/** Takes a font in: TTF, OTF or WOFF. Throws with a sentence where it is none. */
export async function addFont(file: File): Promise<StoredFont> {
  const read = await typeWorker.call(async (worker) => await worker.inspect(file.name, file));
  if (!read.ok) throw new UpFitError('unreadable', read.message);
  const { id, facts } = read;
  const face: StoredFont = { id, facts, fileName: file.name, addedAt: Date.now(), file };
  await keep('faces', face);
  return face;
}

/** Takes a face out. Texts that were set in it keep their outlines. */
export function removeFont(id: string): Promise<() => Promise<void>> {
  return takeOut('faces', id);
}

/** Reads the shape of an SVG to clip to. Throws with a sentence where it has none. */
export async function readShape(file: File): Promise<{ name: string; d: string }> {
  const read = await typeWorker.call(async (worker) => await worker.shapeOf(file.name, file));
  if (!read.ok) throw new UpFitError('unreadable', read.message);
  return read.shape;
}
