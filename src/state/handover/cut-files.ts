import type { PrintFace } from '@/core/blank/resolve';
import { safeName, uniqueNames } from '@/core/pack/names';
import { printCut } from '@/core/sheet/cut-print';
import { cutsOf } from '@/core/sheet/cuts';
import type { SheetLayout } from '@/core/sheet/layout';
import type { CutInks } from '@/core/blank/cut-inks';
import { cutSvg, type CutPage } from '@/files/cut-lines';
import { engine } from '@/workers/client';
import { makeZip } from '@/workers/zip-client';
import { saveAs } from './download';

export type CutFormat = 'svg' | 'pdf';

/** The cut lines of faces, a page each, as large as their print boxes, or their backing where that is larger. */
export function cutPages(faces: readonly PrintFace[]): CutPage[] {
  return faces.flatMap((face) => {
    const cut = printCut(face);
    if (!cut || !face.cut) return [];
    const { width, height, bleed, name } = face;
    const box = { width: width + 2 * bleed, height: height + 2 * bleed };
    const past = Math.max(0, face.cut.backing - bleed);
    const print = { fitId: '', faceId: face.id, name, ...box, bleed, cut };
    const laid = { ...print, print, sheet: 0, x: past, y: past, turned: false, part: null };
    const page = { width: box.width + 2 * past, height: box.height + 2 * past };
    return [{ name, ...page, lines: cutsOf({ ...page, sheets: 1, laid: [laid], troubles: [] }, 0) }];
  });
}

/** The cut lines of a sheet's pages. */
export function sheetCutPages(name: string, layout: SheetLayout): CutPage[] {
  return Array.from({ length: layout.sheets }, (_, index) => ({
    name: layout.sheets > 1 ? `${name} ${index + 1}` : name,
    width: layout.width,
    height: layout.height,
    lines: cutsOf(layout, index),
  }));
}

/** Hands out cut lines alone: a PDF with a page each, or an SVG each. */
export async function saveCutLines(
  title: string,
  pages: readonly CutPage[],
  format: CutFormat,
  inks: CutInks,
): Promise<void> {
  const stem = `${safeName(title)}_cut-lines`;
  if (format === 'pdf') {
    saveAs(await engine.cutPdf(title, pages, inks), `${stem}.pdf`);
    return;
  }
  const listed = cutDrawings(pages);
  const [only] = listed;
  if (only && listed.length === 1) {
    saveAs(only.data, `${stem}.svg`);
    return;
  }
  const { zip } = await makeZip(listed, { path: 'list.json', head: { upfit: 'cut-lines/1' } });
  saveAs(zip, `${stem}.zip`);
}

/** Cut lines as drawings, a file each by a name of its own. */
export function cutDrawings(pages: readonly CutPage[]): { path: string; data: Blob }[] {
  const names = uniqueNames(pages.map(({ name }) => `${safeName(name)}_cut-line.svg`));
  return pages.map((page, i) => ({
    path: names[i]!,
    data: new Blob([cutSvg(page)], { type: 'image/svg+xml' }),
  }));
}
