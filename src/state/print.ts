import { UpFitError } from '@/core/artwork/errors';
import type { Fit } from '@/core/fit/schema';
import { printFileName } from '@/core/pack/names';
import { engine, isStopped, type JobOptions } from '@/workers/client';
import type { PrintKind } from '@/files/print';
import type { PrintFile } from '@/workers/messages';
import { fitJob } from './dockets';
import { saveAs } from './save';
import { isSilent } from './artworks';
import { contextOf, useShop } from './shop';

export interface MadeFile extends PrintFile {
  name: string;
  /** Artworks of the fit of which nothing is said who made them or under what licence. */
  silent: string[];
}

/** Makes the print file of a face; null where it was stopped. Throws where it is larger than the house takes. */
export async function makePrintFile(
  fit: Fit,
  faceId: string,
  kind: PrintKind,
  options: JobOptions,
): Promise<MadeFile | null> {
  const context = contextOf(fit, useShop.getState());
  if (!context) throw new Error('An artwork of this fit is no longer here: bring it in again.');
  const { blank, design, artworks } = context;
  const face = blank.faces.find(({ id }) => id === faceId)!;
  try {
    const made = await engine.printFile(
      await fitJob(fit, blank, artworks),
      { faceId, kind, title: `${design.name}, ${blank.blank.name}, ${face.name}` },
      options,
    );
    const { house, files } = blank.spec;
    if (made.file.size > files.maxBytes.value) {
      const size = (made.file.size / 1024 / 1024).toFixed(1);
      const most = (files.maxBytes.value / 1024 / 1024).toFixed(0);
      throw new UpFitError(
        'too-large',
        `The print file is ${size} MiB and ${house} takes ${most} MiB at most: use flatter artwork.`,
      );
    }
    const silent = artworks.filter(isSilent).map(({ facts }) => facts.name);
    return { ...made, name: printFileName(design.name, blank, face, kind), silent };
  } catch (error) {
    if (isStopped(error)) return null;
    throw error;
  }
}

/** Hands a made file to the browser's downloads. */
export function savePrintFile({ file, name }: MadeFile): void {
  saveAs(file, name);
}
