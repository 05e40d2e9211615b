import { safeName, uniqueNames } from '@/core/pack/names';
import type { Fit } from '@/core/fit/schema';
import { fileTitle, fitTitle } from '@/core/fit/version';
import type { ZipFile } from '@/files/zip';
import { engine, isStopped, type JobOptions } from '@/workers/client';
import { makeZip } from '@/workers/zip-client';
import { fitJob, keptDocket, measured } from '../bench/dockets';
import { sentence } from '../sentence';
import { contextOf, useShop } from '../shop/shop';
import { docketSheet, swatchesIn } from './docket-sheet';
import { saveAs } from './download';
import { makePrintFiles } from './print';
import { templateFile } from './templates';

/** What is made of many fits at once, one after another, into one zip. */
export const MANY_FILES = {
  prints: { what: 'print files', zip: 'print-files', of: printsOf },
  dockets: { what: 'docket pages', zip: 'dockets', of: docketOf },
  templates: { what: 'templates of their blanks', zip: 'templates', of: templatesOf },
} as const;
export type ManyFiles = keyof typeof MANY_FILES;

export interface ManyProgress {
  done: number;
  of: number;
}

/** What came of it: files, and what could not be made with why. */
export interface ManyMade {
  files: ZipFile[];
  failed: { title: string; why: string }[];
}

/** Makes files of every fit; what fails is told and leaves the others. Stopped, it gives back what is made. */
export async function makeManyFiles(
  kind: ManyFiles,
  fits: readonly Fit[],
  { signal, onProgress }: { signal: AbortSignal; onProgress: (progress: ManyProgress) => void },
): Promise<ManyMade> {
  const files: ZipFile[] = [];
  const failed: ManyMade['failed'] = [];
  // A template is the blank's own: once, however many fits are on it.
  const each = kind === 'templates' ? [...new Map(fits.map((fit) => [fit.blankId, fit])).values()] : fits;
  for (const [index, fit] of each.entries()) {
    if (signal.aborted) break;
    onProgress({ done: index, of: each.length });
    try {
      files.push(...(await MANY_FILES[kind].of(fit, { signal })));
    } catch (error) {
      if (isStopped(error)) break;
      failed.push({ title: titleOf(fit), why: sentence(error) });
    }
  }
  return { files, failed };
}

/** Hands what was made to the browser's downloads in one zip. */
export async function saveManyFiles(kind: ManyFiles, { files }: ManyMade): Promise<void> {
  const names = uniqueNames(files.map(({ path }) => path));
  const head = { upfit: `${MANY_FILES[kind].zip}/1` };
  const { zip } = await makeZip(
    files.map(({ data }, i) => ({ path: names[i]!, data })),
    { path: 'list.json', head },
  );
  saveAs(zip, `${safeName(useShop.getState().settings.shopName)}-${MANY_FILES[kind].zip}.zip`);
}

function wholeOf(fit: Fit) {
  const context = contextOf(fit, useShop.getState());
  if (!context) throw new Error('Something it needs is no longer here: open it on the bench.');
  return context;
}

function titleOf(fit: Fit): string {
  const { designs, blanks } = useShop.getState();
  const design = designs.get(fit.designId);
  const blank = blanks.get(fit.blankId)?.blank.name ?? fit.blankId;
  return design ? `${fitTitle(design, fit)} on ${blank}` : blank;
}

async function printsOf(fit: Fit, options: JobOptions): Promise<ZipFile[]> {
  const made = await makePrintFiles(fit, '', 'faces', {}, options);
  if (!made) throw new DOMException('Stopped.', 'AbortError');
  return made.files.map(({ name, file }) => ({ path: name, data: file }));
}

async function docketOf(fit: Fit, options: JobOptions): Promise<ZipFile[]> {
  const context = wholeOf(fit);
  const { blank, design, artworks } = context;
  const docket = (await keptDocket(fit)) ?? (await measured(fit, options));
  if (!docket) throw new Error('It could not be measured: open it on the bench.');
  const sheet = docketSheet(fit, context, docket, await swatchesIn(fit, artworks), {
    files: new Map(),
    ordered: [],
    reason: null,
    notes: '',
  });
  const data = await engine.docketPage(await fitJob(fit, blank, artworks), sheet, options);
  const name = `${safeName(fileTitle(design, fit, blank.blank))}-${safeName(blank.blank.name)}`;
  return [{ path: `${name.slice(0, 110)}-docket.pdf`, data }];
}

async function templatesOf(fit: Fit): Promise<ZipFile[]> {
  const { blank } = wholeOf(fit);
  return Promise.all(blank.faces.map((face) => templateFile(blank.blank.name, face, 'pdf')));
}
