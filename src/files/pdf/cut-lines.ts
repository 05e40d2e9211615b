import { PDFDocument } from '@cantoo/pdf-lib';
import type { CutPage } from '../cut-lines';
import type { CutInks } from '@/core/blank/cut-inks';
import { strokeSpot } from './spot';
import { PT } from './units';

/** Cut lines alone as a PDF, a page each, each line in the separation of its name. */
export async function cutPdf(title: string, pages: readonly CutPage[], inks: CutInks): Promise<Uint8Array> {
  const pdf = await PDFDocument.create();
  pdf.setTitle(title);
  pdf.setCreator('Up Fit');
  for (const { width, height, lines } of pages) {
    const page = pdf.addPage([width * PT, height * PT]);
    for (const { kind, d, through } of lines)
      strokeSpot(page, { d, ink: inks[kind], through, dashed: kind === 'backing' }, height);
  }
  return pdf.save();
}
