import { showBytes } from '@/core/length/bytes';
import { UpFitError } from '@/core/errors';
import type { PrintChoice } from '@/core/print/plan';
import { artworkIdsOf, type Fit } from '@/core/fit/schema';
import { safeName } from '@/core/pack/names';
import { RENDITIONS, renditionName, renditionNote, type Rendition } from '@/core/pack/renditions';
import { swapArtworks } from '@/core/fit/swap';
import type { PrintParts } from '@/core/pack/cut-out';
import { engine, isStopped, type JobOptions } from '@/workers/client';
import type { FitJob, PrintFile } from '@/workers/messages';
import { makeZip } from '@/workers/zip-client';
import type { Artwork } from '@/store/schema';
import { isSilent } from '../artwork/artworks';
import { fitJob } from '../bench/dockets';
import { saveAs } from './download';
import { contextOf, useShop, type Shop } from '../shop/shop';
import { fileTitle } from '@/core/fit/version';

export interface MadePrints {
  /** What the files are of. */
  title: string;
  files: PrintFile[];
  /** What each is for, where they are renditions of one print. */
  note: string | null;
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
  choice: PrintChoice & { together?: boolean },
  options: JobOptions,
): Promise<MadePrints | null> {
  const context = contextOf(fit, useShop.getState());
  if (!context) throw new Error('An artwork of this fit is no longer here: bring it in again.');
  const { blank, design, artworks } = context;
  const named = fileTitle(design, fit, blank.blank);
  const title = `${named} ${blank.blank.name}`;
  const made = async (job: FitJob, one: PrintChoice, some: JobOptions) => {
    const files = await engine.printFiles(
      job,
      {
        design: named,
        faceIds: parts === 'faces' ? blank.faces.map(({ id }) => id) : [faceId],
        parts: parts === 'zones' || parts === 'pieces' ? parts : 'face',
        choice: one,
        together: choice.together ?? false,
      },
      some,
    );
    requireRoom(files, blank.spec.house, blank.spec.files.maxBytes.value);
    return files;
  };
  const silent = artworks.filter(isSilent).map(({ facts }) => facts.name);
  try {
    if (parts !== 'renditions')
      return {
        title,
        files: await made(await fitJob(fit, blank, artworks), choice, options),
        silent,
        note: null,
      };
    const wanted = RENDITIONS.flatMap((rendition) => {
      const shown = rendition.fewInks ? inFewInks(fit, artworks) : { fit, artworks };
      return shown ? [{ rendition, ...shown }] : [];
    });
    const files: { file: PrintFile; rendition: Rendition }[] = [];
    for (const [i, one] of wanted.entries()) {
      const job = await fitJob(one.fit, blank, one.artworks);
      const some = await made(
        job,
        { ...one.rendition.choice, mirrored: choice.mirrored ?? false },
        {
          ...options,
          onProgress: (share) => options.onProgress?.((i + share) / wanted.length),
        },
      );
      for (const file of some)
        files.push({
          file: { ...file, name: renditionName(file.name, one.rendition) },
          rendition: one.rendition,
        });
    }
    const note = renditionNote(files.map(({ file, rendition }) => ({ name: file.name, rendition })));
    return { title, files: files.map(({ file }) => file), silent, note };
  } catch (error) {
    if (isStopped(error)) return null;
    throw error;
  }
}

/** Whether any artwork of a fit has a rendition of few inks. */
export function hasFewInks(fit: Fit, { artworks }: Pick<Shop, 'artworks'>): boolean {
  return fewInksFor(artworkIdsOf(fit), artworks).length > 0;
}

function fewInksFor(ids: readonly string[], all: Shop['artworks']): Artwork[] {
  return [...all.values()].filter(
    ({ rendition }) => rendition?.kind === 'few-inks' && ids.includes(rendition.of),
  );
}

/** The fit with artworks' renditions of few inks in their place; null where none has one. */
function inFewInks(
  fit: Fit,
  artworks: readonly Artwork[],
): { fit: Fit; artworks: readonly Artwork[] } | null {
  const all = useShop.getState().artworks;
  const few = fewInksFor(artworkIdsOf(fit), all);
  if (few.length === 0) return null;
  const swaps = new Map(few.map(({ id, rendition }) => [rendition!.of, id]));
  const faces = swapArtworks(fit.faces, swaps, (id) => all.get(id)!.facts);
  return { fit: { ...fit, faces }, artworks: [...artworks, ...few] };
}

function requireRoom(files: readonly PrintFile[], house: string, most: number): void {
  const large = files.find(({ file }) => file.size > most);
  if (!large) return;
  throw new UpFitError(
    'too-large',
    `${large.name} is ${showBytes(large.file.size)} and ${house} takes ${showBytes(most)} at most: send JPEG or PDF if ${house} takes it, or use flatter artwork.`,
  );
}

/** Hands a made file to the browser's downloads, or several in one zip. */
export async function savePrintFiles({
  files,
  title,
  note,
}: Pick<MadePrints, 'files' | 'title' | 'note'>): Promise<void> {
  if (files.length === 1) {
    saveAs(files[0]!.file, files[0]!.name);
    return;
  }
  const head = { upfit: 'print-files/1' };
  const { zip } = await makeZip(
    [
      ...files.map((one) => ({ path: one.name, data: one.file })),
      ...(note === null ? [] : [{ path: 'what-each-is-for.txt', data: new Blob([note]) }]),
    ],
    { path: 'list.json', head },
  );
  saveAs(zip, `${safeName(title)}.zip`);
}
