import { PDFDocument } from '@cantoo/pdf-lib';
import type { CutPage } from '../cut-lines';
import { BACKING_SPOT, strokeSpot } from './spot';
import { PT } from './units';

/** Cut lines alone as a PDF, a page each, in the separation of a name. */
export async function cutPdf(title: string, pages: readonly CutPage[], spot: string): Promise<Uint8Array> {
  const pdf = await PDFDocument.create();
  pdf.setTitle(title);
  pdf.setCreator('Up Fit');
  for (const { width, height, lines } of pages) {
    const page = pdf.addPage([width * PT, height * PT]);
    for (const { kind, d } of lines) strokeSpot(page, d, kind === 'cut' ? spot : BACKING_SPOT, height);
  }
  return pdf.save();
}
