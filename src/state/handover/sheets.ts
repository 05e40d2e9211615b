import { printSize } from '@/core/blank/resolve';
import { safeName } from '@/core/pack/names';
import { pressLines } from '@/core/sheet/press-lines';
import { printCut } from '@/core/sheet/cut-print';
import type { Print } from '@/core/sheet/print';
import { newSheet, type Sheet } from '@/core/sheet/schema';
import type { SheetFormat } from '@/files/sheet';
import { engine, isStopped, type JobOptions } from '@/workers/client';
import { makeZip } from '@/workers/zip-client';
import { fitJob } from '../bench/dockets';
import { blankOf } from '../shop/library';
import { saveAs } from './download';
import { commit } from '../shop/commit';
import { keep, takeOut } from '../shop/records';
import { contextOf, useShop, type Shop } from '../shop/shop';
import { fitTitle } from '@/core/fit/version';

export async function saveSheet(sheet: Sheet): Promise<void> {
  await keep('sheets', sheet);
}

/** Changes a sheet, from what it is on the disk: two changes on the heels of one another are both kept. */
export async function changeSheet(id: string, change: (sheet: Sheet) => Partial<Sheet>): Promise<void> {
  await commit(['sheets'], async (store) => {
    const sheet = await store.get('sheets', id);
    if (sheet) store.put('sheets', { ...sheet, ...change(sheet) });
  });
}

/** A sheet with one of each print of some fits on it, or with nothing yet. */
export async function addSheet(fitIds: readonly string[] = []): Promise<Sheet> {
  const taken = new Set([...useShop.getState().sheets.values()].map(({ name }) => name));
  let number = taken.size + 1;
  while (taken.has(`Sheet ${number}`)) number++;
  const wanted = new Set(fitIds);
  const items = printsIn(useShop.getState())
    .filter(({ fitId }) => wanted.has(fitId))
    .map(({ fitId, faceId }) => ({ fitId, faceId, copies: 1 }));
  const sheet = { ...newSheet(crypto.randomUUID(), `Sheet ${number}`), items };
  await saveSheet(sheet);
  return sheet;
}

/** Takes a sheet out; gives back what undoes it. */
export function removeSheet({ id }: Sheet): Promise<() => Promise<void>> {
  return takeOut('sheets', id);
}

/** Every face of every fit that carries something, as it would go on a sheet. */
export function printsIn(shop: Shop): Print[] {
  return [...shop.fits.values()].flatMap((fit) => {
    const blank = blankOf(fit, shop);
    const design = shop.designs.get(fit.designId);
    if (!blank || !design) return [];
    return blank.faces.flatMap((face) => {
      const pieces = fit.faces.find(({ faceId }) => faceId === face.id)?.pieces ?? [];
      if (!pieces.some(({ visible }) => visible)) return [];
      const which = blank.faces.length > 1 ? `, ${face.name.toLowerCase()}` : '';
      const name = `${fitTitle(design, fit)} on ${blank.blank.name}${which}`;
      const cut = printCut(face);
      return [{ fitId: fit.id, faceId: face.id, name, ...printSize(face), bleed: face.bleed, cut }];
    });
  });
}

/** Whether a fit is printed by a method that is mirrored. */
export function isTransfer(fitId: string, shop: Shop): boolean {
  const fit = shop.fits.get(fitId);
  return (fit && blankOf(fit, shop)?.method.mirrored) ?? false;
}

/** Makes a sheet's files and hands them out; false where it was stopped. */
export async function makeSheetFiles(
  sheet: Sheet,
  format: SheetFormat,
  options: JobOptions,
): Promise<boolean> {
  try {
    const files = await sheetFiles(sheet, format, options);
    await handOut(sheet, files, format === 'tiff' ? 'tif' : format);
    return true;
  } catch (error) {
    if (isStopped(error)) return false;
    throw error;
  }
}

/** A sheet's files: one PDF, or a picture of each of its pages. */
export async function sheetFiles(sheet: Sheet, format: SheetFormat, options: JobOptions): Promise<Blob[]> {
  const shop = useShop.getState();
  const wanted = new Set(sheet.items.filter(({ copies }) => copies > 0).map(({ fitId }) => fitId));
  const contexts = [...wanted].map((id) => {
    const fit = shop.fits.get(id);
    const context = fit && contextOf(fit, shop);
    if (!fit || !context) throw new Error('A fit on this sheet is no longer whole: look at it in the range.');
    return { fit, ...context };
  });
  const prints = printsIn(shop).filter(({ fitId }) => wanted.has(fitId));
  const faces = contexts.flatMap(({ fit, blank }) =>
    blank.faces.flatMap((face) => {
      const print = prints.find((one) => one.fitId === fit.id && one.faceId === face.id);
      return print ? [{ blank, face, print }] : [];
    }),
  );
  const cards = faces.map(({ blank, face, print }) => pressLines(print.name, blank, face));
  const ppi = Math.max(...faces.map(({ face }) => face.target));
  const jobs = await Promise.all(contexts.map(({ fit, blank, artworks }) => fitJob(fit, blank, artworks)));
  return engine.sheetFiles(jobs, { sheet, prints, cards, format, ppi }, options);
}

async function handOut({ name, mirrored }: Sheet, files: readonly Blob[], ending: string): Promise<void> {
  const base = `${safeName(name)}${mirrored ? '_mirrored' : ''}`;
  if (files.length === 1) {
    saveAs(files[0]!, `${base}.${ending}`);
    return;
  }
  const listed = files.map((data, i) => ({ path: `${base}-${i + 1}.${ending}`, data }));
  const { zip } = await makeZip(listed, { path: 'list.json', head: { upfit: 'sheet-files/1' } });
  saveAs(zip, `${base}.zip`);
}
export { layOutSheet } from '@/workers/sheet-client';
