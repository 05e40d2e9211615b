import { cmyk, PDFDocument } from '@cantoo/pdf-lib';
import { rgbOf } from '@/core/colour/hex';
import { showInks, type Swatch } from '@/core/colour/swatches';
import type { readFont } from '../type';
import { A4, DrawnPage, screenColour } from './page';

/** mm: a page's margin, and what a row of it takes. */
const MARGIN = 18;
const ROW = 24;
const TOP = 34;
const PATCH = { width: 46, height: 18 };

/** A page of swatches, in the inks they are printed with where those are known, each with its numbers; outlined. */
export async function swatchPdf(
  title: string,
  swatches: readonly Swatch[],
  font: ReturnType<typeof readFont>,
): Promise<Uint8Array> {
  const pdf = await PDFDocument.create();
  pdf.setTitle(title);
  pdf.setCreator('Up Fit');
  const rows = Math.floor((A4.height - TOP - MARGIN) / ROW);
  for (let first = 0; first < Math.max(1, swatches.length); first += rows) {
    const page = new DrawnPage(pdf, font);
    page.write(title, MARGIN, 24, { size: 6 });
    swatches.slice(first, first + rows).forEach((swatch, row) => {
      drawSwatch(page, swatch, TOP + row * ROW);
    });
  }
  return pdf.save();
}

function drawSwatch(page: DrawnPage, { hex, name, share, inks }: Swatch, y: number): void {
  const [red, green, blue] = rgbOf(hex);
  page.rectangle(MARGIN, y, PATCH.width, PATCH.height, inks ? cmyk(...inks) : screenColour(hex));
  const x = MARGIN + PATCH.width + 6;
  page.write(name, x, y + 6, { size: 4.4 });
  page.write(`${hex}   RGB ${red} ${green} ${blue}`, x, y + 11.5, { size: 3.4 });
  const inked = inks ? `CMYK ${showInks(inks)} %` : '';
  const shared = share > 0 ? `${(share * 100).toFixed(1)} % of the artwork` : '';
  page.write([inked, shared].filter((words) => words !== '').join('   '), x, y + 16.5, { size: 3.4 });
}
