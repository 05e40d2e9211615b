import {
  clip,
  cmyk,
  closePath,
  concatTransformationMatrix,
  drawObject,
  endPath,
  lineTo,
  moveTo,
  PDFDocument,
  PDFName,
  popGraphicsState,
  pushGraphicsState,
  type PDFRef,
} from '@cantoo/pdf-lib';
import type { Drawing } from '@/core/render/drawing';
import type { PrintFace } from '@/core/blank/resolve';
import type { Cmyk } from '@/core/colour/palette';
import { combined, type Matrix } from '@/core/geometry/matrix';
import { flattenPath, mapPath, writePath, type Path } from '@/core/geometry/path';
import { parsePath } from '@/core/geometry/parse-path';
import { printCut } from '@/core/sheet/cut-print';
import { printBoxes, printOutline } from '@/core/render/layers';
import { drawingForm, type DrawnPicture } from './drawing';
import { screenColour } from './page';
import { strokeSpot } from './spot';
import { makeX4, type PrintingCondition } from './x4';
import { PT } from './units';
import { pictureOf, type MadePicture } from './picture';

/** A layer that is made: a path in its colour or inks, a drawing's parts, or a picture's colours (or inks) and alpha, each as a PNG over the whole print box. */
export type PdfLayer =
  | { kind: 'path'; path: Path; colour: string; inks: Cmyk | null }
  | {
      kind: 'drawing';
      drawing: Drawing<DrawnPicture>;
      /** From shares of its box to mm from the print box's top left, where it is cut off at a path too. */
      matrix: Matrix;
      clip: Path | null;
      /** What its colours come to on a press. */
      inks: ((colour: string) => Cmyk) | null;
    }
  | ({ kind: 'picture' } & MadePicture);

/** A page of a print: a face, and what lies on it. */
export interface PrintPage {
  face: PrintFace;
  layers: readonly PdfLayer[];
}

/** What a print's colours are: inks for a press, or RGB by a profile. */
export type PrintColours = { inks: PrintingCondition } | { rgb: Uint8Array };

/**
 * A print as a PDF at true size, a page for each face with its TrimBox and BleedBox; paths stay paths. What is cut to
 * shape carries its cut line in a separation of its own. One in inks is PDF/X-4 for the press that they are meant for;
 * in one that is not, every colour is sRGB by the profile that it carries.
 */
export async function printPdf(
  title: string,
  pages: readonly PrintPage[],
  colours: PrintColours,
  { mirrored, cutInk }: { mirrored: boolean; cutInk: string },
): Promise<Uint8Array> {
  const pdf = await PDFDocument.create();
  pdf.setTitle(title);
  pdf.setCreator('Up Fit');
  pdf.setProducer('Up Fit');
  if ('inks' in colours) makeX4(pdf, title, colours.inks);
  const rgb = 'rgb' in colours ? colourSpace(pdf, colours.rgb) : null;
  const forms = new Map<Drawing<DrawnPicture>, PDFRef>();
  for (const page of pages) drawPage(pdf, page, forms, { mirrored, cutInk, rgb });
  return pdf.save();
}

function drawPage(
  pdf: PDFDocument,
  { face, layers }: PrintPage,
  forms: Map<Drawing<DrawnPicture>, PDFRef>,
  { mirrored, cutInk, rgb }: { mirrored: boolean; cutInk: string; rgb: PDFRef | null },
): void {
  const { page: size, trim } = printBoxes(face);
  const page = pdf.addPage([size.width * PT, size.height * PT]);
  page.setBleedBox(0, 0, size.width * PT, size.height * PT);
  page.setTrimBox(trim.x * PT, (size.height - trim.y - trim.height) * PT, trim.width * PT, trim.height * PT);
  if (rgb)
    page.node
      .normalizedEntries()
      .Resources.set(PDFName.of('ColorSpace'), pdf.context.obj({ DefaultRGB: rgb }));
  page.node.set(
    PDFName.of('Group'),
    pdf.context.obj({ Type: 'Group', S: 'Transparency', CS: rgb ?? 'DeviceCMYK' }),
  );
  page.pushOperators(pushGraphicsState());
  const outline = printOutline(face);
  if (outline) page.pushOperators(...clipTo(outline, size.height));
  for (const [index, layer] of layers.entries()) {
    if (layer.kind === 'path') {
      page.drawSvgPath(writePath(layer.path), {
        x: 0,
        y: size.height * PT,
        scale: PT,
        color: layer.inks ? cmyk(...layer.inks) : screenColour(layer.colour),
      });
      continue;
    }
    if (layer.kind === 'drawing') {
      const { drawing, matrix, clip, inks } = layer;
      const colourOf = (colour: string) => (inks ? cmyk(...inks(colour)) : screenColour(colour));
      const form = forms.get(drawing) ?? drawingForm(pdf, drawing, { colourOf, rgb });
      forms.set(drawing, form);
      const name = `Drawing${index}`;
      page.node.setXObject(PDFName.of(name), form);
      // From mm down the page to points up it.
      const [a, b, c, d, e, f] = combined([PT, 0, 0, -PT, 0, size.height * PT], matrix);
      page.pushOperators(
        pushGraphicsState(),
        ...(clip ? clipTo(writePath(clip), size.height) : []),
        concatTransformationMatrix(a, b, c, d, e, f),
        drawObject(name),
        popGraphicsState(),
      );
      continue;
    }
    const name = `Picture${index}`;
    page.node.setXObject(PDFName.of(name), pictureOf(pdf, layer));
    page.pushOperators(
      pushGraphicsState(),
      concatTransformationMatrix(size.width * PT, 0, 0, size.height * PT, 0, 0),
      drawObject(name),
      popGraphicsState(),
    );
  }
  page.pushOperators(popGraphicsState());
  const cut = printCut(face);
  if (cut) {
    const d = mirrored ? flipped(cut.d, size.width) : cut.d;
    strokeSpot(page, { d, ink: cutInk, through: cut.backing === null, dashed: false }, size.height);
  }
}

function flipped(d: string, width: number): string {
  return writePath(mapPath(parsePath(d) ?? [], ({ x, y }) => ({ x: width - x, y })));
}

/** Operators that cut all that follows off at a path in mm from the page's top left. */
function clipTo(d: string, height: number) {
  const polygons = flattenPath(parsePath(d) ?? [], 0.004);
  return [
    ...polygons.flatMap((points) => [
      ...Array.from({ length: points.length / 2 }, (_, i) => {
        const [x, y] = [points[2 * i]! * PT, (height - points[2 * i + 1]!) * PT];
        return i === 0 ? moveTo(x, y) : lineTo(x, y);
      }),
      closePath(),
    ]),
    clip(),
    endPath(),
  ];
}

/** Colours by a profile of three channels (ISO 32000-1, 8.6.5.5). */
function colourSpace(pdf: PDFDocument, profile: Uint8Array): PDFRef {
  const stream = pdf.context.register(pdf.context.flateStream(profile, { N: 3 }));
  return pdf.context.register(pdf.context.obj(['ICCBased', stream]));
}
