import { UpFitError } from '@/core/errors';
import { MOST_OUTLINED, withStep } from '@/core/artwork/steps';
import { SHIPPED_FONTS } from '@/core/type/fonts';
import { readOriginal } from '@/store/read';
import type { Artwork } from '@/store/schema';
import { typeWorker } from '@/workers/type-client';
import type { JobOptions } from '@/workers/client';
import { useShop } from '../shop/shop';
import { setSteps, type Changed } from './artworks';

/** Whether an artwork has live text that is left out. */
export function hasLiveText({ facts }: Artwork): boolean {
  return facts.format === 'svg' && facts.notes.some(({ code }) => code === 'live-text');
}

/**
 * Outlines a drawing's live text with fonts of the names that it gives, shipped ones or the seller's own; every fit follows.
 * Throws with a sentence where one of them is not here, or lacks a letter.
 */
export async function outlineText(artwork: Artwork, options: JobOptions = {}): Promise<Changed> {
  const { sha256, name } = artwork.facts;
  const file = await readOriginal(sha256);
  const fonts = [
    ...SHIPPED_FONTS.map(({ id }) => ({ id, file: null })),
    ...[...useShop.getState().faces.values()].map(({ id, file: own }) => ({ id, file: own })),
  ];
  const read = await typeWorker.call(async (worker) => await worker.outline(name, file, fonts));
  if (!read.ok) throw new UpFitError('unsupported', read.message);
  const { svg, families } = read;
  if (svg.length > MOST_OUTLINED)
    throw new UpFitError(
      'too-large',
      `“${name}” is too large to be kept with its words outlined: outline them where it was drawn.`,
    );
  return setSteps(artwork, withStep(artwork.steps, { kind: 'outline', families, svg }), options);
}
