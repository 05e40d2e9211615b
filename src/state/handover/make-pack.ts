import type { ResolvedBlank } from '@/core/blank/resolve';
import type { Manifest, PackedFit, PackedSheet, PrintRecord } from '@/core/pack/manifest';
import { orderedOf, orderedVerdict, packedLines, sizedFits, type SizedFit } from '@/core/pack/lines';
import { safeName, sizedName, uniqueNames } from '@/core/pack/names';
import { mirrorOwner } from '@/core/print/plan';
import { csvOf, gplOf } from '@/core/colour/swatches';
import { cutInksOf } from '@/core/blank/cut-inks';
import type { ZipFile } from '@/files/zip';
import { keepFile } from '@/store/commit';
import type { StoredPack } from '@/core/pack/record';
import { engine, isStopped, type JobOptions } from '@/workers/client';
import type { PrintFile } from '@/workers/messages';
import { makeZip } from '@/workers/zip-client';
import { cutDrawings, cutPages } from './cut-files';
import { fitJob, keptDocket, measureExactly } from '../bench/dockets';
import { docketSheet, swatchesIn } from './docket-sheet';
import { packPicture } from './pictures';
import { packPlates } from './pack-plates';
import { makePrintFiles } from './print';
import { isTransfer, sheetFiles } from './sheets';
import { isShippedRecord } from '../shop/houses';
import { patiently } from '../shop/commit';
import { keep } from '../shop/records';
import { contextOf, useShop } from '../shop/shop';
import { isShipped } from '@/core/blank/taking';
import { fileTitle, fitTitle, namedColours } from '@/core/fit/version';

export interface PackAsked {
  name: string;
  notes: string;
  fitIds: readonly string[];
  sheetIds: readonly string[];
  /** Why a fit with a Fix is handed over all the same, by fit. */
  reasons: ReadonlyMap<string, string>;
}

/** How far a pack is: what is being made, and how many of all steps are done. */
export interface PackProgress {
  doing: string;
  share: number;
}

/**
 * Makes a pack of fits: print files, docket and palette of each, and a list with the checksum of every file. It is kept
 * with its zip. Null where it was stopped. Throws with a sentence where a file cannot be made, or a Fix has no reason.
 */
export async function makePack(
  asked: PackAsked,
  { signal, onProgress }: { signal: AbortSignal; onProgress: (progress: PackProgress) => void },
): Promise<StoredPack | null> {
  const files: ZipFile[] = [];
  const fits: PackedFit[] = [];
  try {
    for (const [index, fitId] of asked.fitIds.entries()) {
      const step = (doing: string, from: number, to: number): JobOptions => ({
        signal,
        onProgress: (share) => {
          onProgress({ doing, share: ((index + from + share * (to - from)) / asked.fitIds.length) * 0.8 });
        },
      });
      const packed = await packFit(asked, fitId, `${String(index + 1).padStart(2, '0')}-`, step);
      files.push(...packed.files);
      fits.push(packed.fit);
    }
    const sheets: PackedSheet[] = [];
    for (const sheetId of asked.sheetIds) {
      const packed = await packSheet(sheetId, {
        signal,
        onProgress: (share) => {
          onProgress({ doing: 'Sheets', share: 0.8 + share * 0.1 });
        },
      });
      files.push(...packed.files);
      sheets.push(...packed.sheets);
    }
    const id = crypto.randomUUID();
    const head: Omit<Manifest, 'files'> = {
      upfit: 'pack/1',
      id,
      name: asked.name,
      shop: useShop.getState().settings.shopName,
      made: new Date().toISOString(),
      notes: asked.notes,
      fits,
      sheets,
    };
    const made = await makeZip(
      files,
      { path: 'manifest.json', head },
      {
        signal,
        onProgress: (share) => {
          onProgress({ doing: 'Packing', share: 0.9 + share * 0.1 });
        },
      },
    );
    const pack: StoredPack = {
      upfit: 'stored-pack/1',
      id,
      manifest: { ...head, files: made.files },
      bytes: made.zip.size,
      sha256: made.sha256,
      orders: [],
    };
    await patiently(() => keepFile('packZips', id, made.zip), signal);
    await keep('packs', pack);
    return pack;
  } catch (error) {
    if (isStopped(error)) return null;
    throw error;
  }
}

/** A sheet as pictures of its pages. */
async function packSheet(
  sheetId: string,
  options: JobOptions,
): Promise<{ files: ZipFile[]; sheets: PackedSheet[] }> {
  const shop = useShop.getState();
  const sheet = shop.sheets.get(sheetId);
  if (!sheet) throw new Error('A sheet of this pack is no longer here.');
  const pages = await sheetFiles(sheet, 'png', options);
  const transfer = sheet.items.some(({ fitId }) => isTransfer(fitId, shop));
  const files = pages.map((data, i) => ({ path: `sheets/${safeName(sheet.name)}-${i + 1}.png`, data }));
  const { name, mirrored } = sheet;
  return { files, sheets: files.map(({ path }) => ({ path, name, transfer, mirrored })) };
}

type Step = (doing: string, from: number, to: number) => JobOptions;

async function packFit(
  asked: PackAsked,
  fitId: string,
  prefix: string,
  step: Step,
): Promise<{ files: ZipFile[]; fit: PackedFit }> {
  const shop = useShop.getState();
  const fit = shop.fits.get(fitId);
  const context = fit && contextOf(fit, shop);
  if (!fit || !context) throw new Error('A fit of this pack is no longer whole: look at it in the range.');
  const { blank, design, artworks } = context;
  const called = fitTitle(design, fit);
  const on = `${called} on ${blank.blank.name}`;
  const docket = (await keptDocket(fit)) ?? (await measureExactly(fit, step(`Measuring ${on}`, 0, 0.3)));
  if (!docket) throw new Error(`${on} could not be measured: look at it on the bench.`);
  const reason = asked.reasons.get(fitId)?.trim() ?? '';
  const ordered = orderedOf(blank, fit);
  const verdict = orderedVerdict(docket, ordered);
  if (verdict === 'fix' && reason === '')
    throw new Error(`${on} has something to fix: mend it, or say why it goes out as it is.`);

  const sized = sizedFits(blank, fit, ordered);
  const made = await printInSizes(blank, sized, (from, to) =>
    step(`Print files, ${on}`, 0.3 + from * 0.3, 0.3 + to * 0.3),
  );
  const folder =
    `${prefix}${safeName(fileTitle(design, fit, blank.blank))}-${safeName(blank.blank.name)}`.slice(0, 100);
  const { files: plateFiles, plates } = await packPlates(context, sized, ordered, folder, (from, to) =>
    step(`Plates, ${on}`, 0.6 + from * 0.2, 0.6 + to * 0.2),
  );
  const lines = packedLines(blank, ordered, docket);
  const swatches = await swatchesIn(fit, artworks);
  const sheet = docketSheet(fit, { blank, design }, { ...docket, verdict }, swatches, {
    files: new Map(blank.faces.map(({ id }) => [id, made.filter((f) => f.faceId === id).map((f) => f.name)])),
    // What nobody typed is one of what is shown: that is said at the head.
    ordered: (fit.copies ?? []).length > 0 ? lines : [],
    reason: verdict === 'fix' ? reason : null,
    notes: asked.notes,
  });
  const job = await fitJob(fit, blank, artworks);
  const page = await engine.docketPage(job, sheet, step(`Docket, ${on}`, 0.8, 0.9));
  const picture = await packPicture(fit, blank, step(`Picture, ${on}`, 0.9, 1));
  const text = (words: string) => new Blob([words]);
  const files: ZipFile[] = [
    ...made.map(({ name, file }) => ({ path: `${folder}/${name}`, data: file })),
    ...plateFiles,
    ...(await cutFiles(folder, on, blank)),
    { path: `${folder}/docket.pdf`, data: page },
    { path: `${folder}/picture.jpg`, data: picture },
    { path: `${folder}/docket.json`, data: text(JSON.stringify(sheet, null, 2)) },
    ...(swatches.length > 0
      ? [
          { path: `${folder}/palette.gpl`, data: text(gplOf(called, swatches)) },
          { path: `${folder}/palette.csv`, data: text(csvOf(swatches)) },
        ]
      : []),
  ];
  return {
    files,
    fit: {
      fitId,
      design: called,
      ...(fit.version && { version: { name: fit.version.name, colours: namedColours(blank.blank, fit) } }),
      blankId: blank.blank.id,
      blank: blank.blank.name,
      house: blank.spec.house,
      specId: blank.spec.id,
      colour: sheet.colour,
      size: sheet.size,
      verdict,
      lines,
      reason: sheet.reason,
      mirroring: mirrorOwner(blank),
      ...(!isShipped(blank.blank) && { measured: blank.blank }),
      ...(!isShippedRecord('specs', blank.spec.id) && { spec: blank.spec, method: blank.method }),
      prints: made.map(({ name, faceId, plan, sizes }) => ({
        path: `${folder}/${name}`,
        faceId,
        ...(sizes.length > 0 && { sizes }),
        ...plan,
        ...cutSizeOf(blank, faceId),
      })),
      ...(plates.length > 0 && { plates }),
    },
  };
}

/** The print files of a fit in every size that is ordered; sizes whose print is the same share theirs. */
async function printInSizes(
  { blank }: ResolvedBlank,
  sized: readonly SizedFit[],
  step: (from: number, to: number) => JobOptions,
): Promise<(PrintFile & { sizes: string[] })[]> {
  const files: (PrintFile & { sizes: string[] })[] = [];
  for (const [i, { fit, sizeIds }] of sized.entries()) {
    const made = await makePrintFiles(fit, '', 'faces', {}, step(i / sized.length, (i + 1) / sized.length));
    if (!made) throw new DOMException('Stopped.', 'AbortError');
    const sizes = blank.sizes.filter(({ id }) => sizeIds.includes(id)).map(({ name }) => name);
    const several = sized.length > 1;
    for (const file of made.files)
      files.push({ ...file, sizes, name: several ? sizedName(file.name, sizes) : file.name });
  }
  const names = uniqueNames(files.map(({ name }) => name));
  return files.map((file, i) => ({ ...file, name: names[i]! }));
}

/** How large a face is cut where it is cut to shape. */
function cutSizeOf({ faces }: ResolvedBlank, faceId: string): Pick<PrintRecord, 'cut'> {
  const face = faces.find(({ id }) => id === faceId);
  return face?.cut ? { cut: { width: face.width, height: face.height } } : {};
}

/** The cut lines of what is cut to shape, a page or a drawing each. */
async function cutFiles(folder: string, title: string, { faces, spec }: ResolvedBlank): Promise<ZipFile[]> {
  const pages = cutPages(faces);
  if (pages.length === 0) return [];
  return [
    { path: `${folder}/cut-lines.pdf`, data: await engine.cutPdf(title, pages, cutInksOf(spec)) },
    ...cutDrawings(pages).map(({ path, data }) => ({ path: `${folder}/${path}`, data })),
  ];
}
