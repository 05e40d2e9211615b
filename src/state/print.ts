import { UpFitError } from '@/core/artwork/errors';
import type { PrintChoice } from '@/core/pack/plan';
import type { Fit } from '@/core/fit/schema';
import { safeName } from '@/core/pack/names';
import type { PrintParts } from '@/core/pack/cut-out';
import { engine, isStopped, type JobOptions } from '@/workers/client';
import type { PrintFile } from '@/workers/messages';
import { makeZip } from '@/workers/zip-client';
import { isSilent } from './artworks';
import { fitJob } from './dockets';
import { saveAs } from './save';
import { contextOf, useShop } from './shop';

export interface MadePrints {
  /** What the files are of. */
  title: string;
  files: PrintFile[];
  /** Artworks of the fit of which nothing is said who made them or under what licence. */
  silent: string[];
}

/**
 * Makes print files of a fit: of one face, of every face, or of a face's zones or pieces, by the house's rules or as
 * chosen. Null where it was stopped. Throws where one is larger than the house takes.
 */
export async function makePrintFiles(
  fit: Fit,
  faceId: string,
  parts: PrintParts,
  choice: PrintChoice,
  options: JobOptions,
): Promise<MadePrints | null> {
  const context = contextOf(fit, useShop.getState());
  if (!context) throw new Error('An artwork of this fit is no longer here: bring it in again.');
  const { blank, design, artworks } = context;
  try {
    const files = await engine.printFiles(
      await fitJob(fit, blank, artworks),
      {
        design: design.name,
        faceIds: parts === 'faces' ? blank.faces.map(({ id }) => id) : [faceId],
        parts: parts === 'faces' ? 'face' : parts,
        choice,
      },
      options,
    );
    requireRoom(files, blank.spec.house, blank.spec.files.maxBytes.value);
    const title = `${design.name} ${blank.blank.name}`;
    return { title, files, silent: artworks.filter(isSilent).map(({ facts }) => facts.name) };
  } catch (error) {
    if (isStopped(error)) return null;
    throw error;
  }
}

function requireRoom(files: readonly PrintFile[], house: string, most: number): void {
  const large = files.find(({ file }) => file.size > most);
  if (!large) return;
  const size = (large.file.size / 1024 / 1024).toFixed(1);
  throw new UpFitError(
    'too-large',
    `${large.name} is ${size} MiB and ${house} takes ${(most / 1024 / 1024).toFixed(0)} MiB at most: send JPEG or PDF if ${house} takes it, or use flatter artwork.`,
  );
}

/** Hands a made file to the browser's downloads, or several in one zip under a name. */
export async function savePrintFiles(files: readonly PrintFile[], name: string): Promise<void> {
  if (files.length === 1) {
    saveAs(files[0]!.file, files[0]!.name);
    return;
  }
  const head = { upfit: 'print-files/1' };
  const { zip } = await makeZip(
    files.map((one) => ({ path: one.name, data: one.file })),
    { path: 'list.json', head },
  );
  saveAs(zip, `${safeName(name)}.zip`);
}
