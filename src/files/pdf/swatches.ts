import { cmyk, PDFDocument, rgb, type PDFPage } from '@cantoo/pdf-lib';
import { rgbOf } from '@/core/colour/hex';
import { showInks, type Swatch } from '@/core/colour/swatches';
import { MM_PER_INCH } from '@/core/length/units';
import { outlineWord, type readFont } from '../type';

const PT = 72 / MM_PER_INCH;
/** An A4 page in mm, its margin, and what a row of it takes. */
const PAGE = { width: 210, height: 297, margin: 18 };
const ROW = 24;
const TOP = 34;
const PATCH = { width: 46, height: 18 };
const INK = rgb(0.125, 0.145, 0.17);

/** A page of swatches, in the inks they are printed with where those are known, each with its numbers; outlined. */
export async function swatchPdf(
  title: string,
  swatches: readonly Swatch[],
  font: ReturnType<typeof readFont>,
): Promise<Uint8Array> {
  const pdf = await PDFDocument.create();
  pdf.setTitle(title);
  pdf.setCreator('Up Fit');
  const rows = Math.floor((PAGE.height - TOP - PAGE.margin) / ROW);
  for (let first = 0; first < Math.max(1, swatches.length); first += rows) {
    const page = pdf.addPage([PAGE.width * PT, PAGE.height * PT]);
    write(page, font, title, PAGE.margin, 24, 6);
    swatches.slice(first, first + rows).forEach((swatch, row) => {
      drawSwatch(page, font, swatch, TOP + row * ROW);
    });
  }
  return pdf.save();
}

function drawSwatch(page: PDFPage, font: ReturnType<typeof readFont>, swatch: Swatch, y: number): void {
  const { hex, name, share, inks } = swatch;
  const [red, green, blue] = rgbOf(hex);
  page.drawRectangle({
    x: PAGE.margin * PT,
    y: (PAGE.height - y - PATCH.height) * PT,
    width: PATCH.width * PT,
    height: PATCH.height * PT,
    color: inks ? cmyk(...inks) : rgb(red / 255, green / 255, blue / 255),
  });
  const x = PAGE.margin + PATCH.width + 6;
  write(page, font, name, x, y + 6, 4.4);
  write(page, font, `${hex}   RGB ${red} ${green} ${blue}`, x, y + 11.5, 3.4);
  const inked = inks ? `CMYK ${showInks(inks)} %` : '';
  const shared = share > 0 ? `${(share * 100).toFixed(1)} % of the artwork` : '';
  write(page, font, [inked, shared].filter((words) => words !== '').join('   '), x, y + 16.5, 3.4);
}

/** Words at a place in mm from the page's top left, their size in mm. */
function write(
  page: PDFPage,
  font: ReturnType<typeof readFont>,
  text: string,
  x: number,
  y: number,
  size: number,
): void {
  if (text === '') return;
  const { d } = outlineWord({ text, x, y, size, anchor: 'start' }, font);
  page.drawSvgPath(d, { x: 0, y: PAGE.height * PT, scale: PT, color: INK });
}
