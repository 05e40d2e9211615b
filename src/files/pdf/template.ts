import { PDFDocument, PrintScaling, rgb } from '@cantoo/pdf-lib';
import type { Rect, TemplateDrawing } from '@/core/template/drawing';
import { MM_PER_INCH } from '@/core/length/units';

const PT = 72 / MM_PER_INCH;
const INK = rgb(0.125, 0.145, 0.17);

/** A template as a PDF of one page: vector lines, TrimBox and BleedBox, and a wish not to be scaled when printed. */
export async function templatePdf(drawing: TemplateDrawing): Promise<Uint8Array> {
  const { page: sheet, trim, bleed, title, layers } = drawing;
  const pdf = await PDFDocument.create();
  pdf.setTitle(title);
  pdf.setCreator('Up Fit');
  pdf.catalog.getOrCreateViewerPreferences().setPrintScaling(PrintScaling.None);
  const page = pdf.addPage([sheet.width * PT, sheet.height * PT]);
  const box = (rect: Rect) =>
    [
      (rect.x - sheet.x) * PT,
      (sheet.y + sheet.height - rect.y - rect.height) * PT,
      rect.width * PT,
      rect.height * PT,
    ] as const;
  page.setBleedBox(...box(bleed));
  page.setTrimBox(...box(trim));
  const origin = { x: -sheet.x * PT, y: (sheet.y + sheet.height) * PT, scale: PT };
  for (const { d, stroke, dash } of layers.flatMap(({ marks }) => marks)) {
    if (stroke === 0) page.drawSvgPath(d, { ...origin, color: INK });
    else {
      page.drawSvgPath(d, {
        ...origin,
        borderColor: INK,
        borderWidth: stroke,
        ...(dash && { borderDashArray: [...dash] }),
      });
    }
  }
  return pdf.save();
}
