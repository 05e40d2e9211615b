import { PDFDocument, type PDFRef } from '@cantoo/pdf-lib';
import type { Laid, SheetLayout } from '@/core/sheet/layout';
import { cutsOf } from '@/core/sheet/cuts';
import { marksOf, type SheetMark } from '@/core/sheet/marks';
import type { PressLines } from '@/core/sheet/press-lines';
import type { Sheet } from '@/core/sheet/schema';
import type { readFont } from '../type';
import { A4, DrawnPage, INK, SECOND } from './page';
import { pictureOf, type MadePicture } from './picture';
import { BACKING_INK } from '@/core/blank/schema';

type Font = ReturnType<typeof readFont>;

/** Sheets as a PDF at 100 %: a page for each, every print once however often it lies on them, the press card after. */
export async function sheetPdf(
  sheet: Sheet,
  layout: SheetLayout,
  pictures: ReadonlyMap<string, MadePicture>,
  cards: readonly PressLines[],
  font: Font,
): Promise<Uint8Array> {
  const pdf = await PDFDocument.create();
  pdf.setTitle(sheet.name);
  pdf.setCreator('Up Fit');
  const refs = new Map<string, PDFRef>();
  for (const [key, picture] of pictures) refs.set(key, pictureOf(pdf, picture));
  for (let index = 0; index < layout.sheets; index++) {
    const page = new DrawnPage(pdf, font, layout, sheet.mirrored);
    for (const laid of layout.laid.filter((one) => one.sheet === index))
      drawPrint(page, laid, refs.get(keyOf(laid))!);
    for (const mark of marksOf(sheet, layout, index)) drawMark(page, mark);
    if (sheet.cutLines)
      for (const { kind, d, through } of cutsOf(layout, index))
        page.spot({ d, ink: kind === 'cut' ? sheet.spot : BACKING_INK, through, dashed: kind === 'backing' });
  }
  if (cards.length > 0) drawCards(new DrawnPage(pdf, font), sheet, cards);
  return pdf.save();
}

export function keyOf({ fitId, faceId }: Pick<Laid, 'fitId' | 'faceId'>): string {
  return `${fitId}/${faceId}`;
}

/** A print in its box; turned, its upper edge lies on the right; a part shows only what is its own. */
function drawPrint(
  page: DrawnPage,
  { x, y, width, height, turned, part, print }: Laid,
  picture: PDFRef,
): void {
  const foot = page.size.height - y - height;
  if (part) {
    const whole = [print.width, 0, 0, print.height] as const;
    const down = page.size.height - y + part.y - print.height;
    page.clipped(x, y, width, height, () => {
      page.placed(picture, [...whole, x - part.x, down]);
    });
  } else if (turned) page.placed(picture, [0, -height, width, 0, x, foot + height]);
  else page.placed(picture, [width, 0, 0, height, x, foot]);
}

function drawMark(page: DrawnPage, mark: SheetMark): void {
  switch (mark.kind) {
    case 'line':
      page.line(mark.x1, mark.y1, mark.x2, mark.y2, mark.thickness);
      break;
    case 'shape':
      page.fill(`M${mark.points.map(([x, y]) => `${x} ${y}`).join('L')}Z`, INK);
      break;
    case 'words':
      page.write(mark.text, mark.x, mark.y, mark);
  }
}

const MARGIN = 18;

/** The press card, to be kept beside the press. */
function drawCards(page: DrawnPage, { name, mirrored }: Sheet, cards: readonly PressLines[]): void {
  page.write(`Press card: ${name}`, MARGIN, 24, { size: 7, within: A4.width - 2 * MARGIN });
  page.write(
    mirrored
      ? 'The sheet is mirrored already: turn mirroring off in the driver, and scaling too.'
      : 'Print at 100 %, scaling off.',
    MARGIN,
    32,
    { size: 3.6, colour: SECOND },
  );
  let y = 40;
  for (const { name: print, lines } of cards) {
    page.line(MARGIN, y, A4.width - MARGIN, y, 0.3);
    page.write(print, MARGIN, y + 7, { size: 4.6, within: A4.width - 2 * MARGIN });
    y += 9;
    for (const line of lines) {
      y += 5.6;
      page.write(line, MARGIN + 4, y, { size: 3.8, within: A4.width - 2 * MARGIN - 4 });
    }
    y += 9;
    if (y > A4.height - 40) break;
  }
}
