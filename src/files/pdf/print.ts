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
  PDFHexString,
  PDFName,
  PDFString,
  popGraphicsState,
  pushGraphicsState,
  rgb,
  type PDFRef,
} from '@cantoo/pdf-lib';
import type { PrintFace } from '@/core/blank/resolve';
import { rgbOf } from '@/core/colour/hex';
import type { Cmyk } from '@/core/colour/palette';
import { MM_PER_INCH } from '@/core/length/units';
import { flattenPath, writePath, type Path } from '@/core/path/path';
import { parsePath } from '@/core/path/parse';
import { printBoxes, printOutline } from '@/core/render/layers';

const PT = 72 / MM_PER_INCH;

/** A layer that is made: a path in its colour or inks, or a picture's colours (or inks) and alpha, each as a PNG over the whole print box. */
export type PdfLayer =
  | { kind: 'path'; path: Path; colour: string; inks: Cmyk | null }
  | { kind: 'picture'; colour: Uint8Array; alpha: Uint8Array | null; inks: boolean };

/**
 * A face's print as a PDF of one page at true size, with TrimBox and BleedBox; paths stay paths. One in inks names the
 * profile they are meant for, as its output intent.
 */
export async function printPdf(
  title: string,
  face: PrintFace,
  layers: readonly PdfLayer[],
  profile: { name: string; bytes: Uint8Array } | null,
): Promise<Uint8Array> {
  const { page: size, trim } = printBoxes(face);
  const pdf = await PDFDocument.create();
  pdf.setTitle(title);
  pdf.setCreator('Up Fit');
  const page = pdf.addPage([size.width * PT, size.height * PT]);
  page.setBleedBox(0, 0, size.width * PT, size.height * PT);
  page.setTrimBox(trim.x * PT, (size.height - trim.y - trim.height) * PT, trim.width * PT, trim.height * PT);
  if (profile) setOutputIntent(pdf, profile);
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
  return pdf.save();
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

/** A picture as the PDF's own object. PNG rows, compressed as they are, are what a PDF reads with predictor 15. */
function pictureOf(
  pdf: PDFDocument,
  { colour, alpha, inks }: Extract<PdfLayer, { kind: 'picture' }>,
): PDFRef {
  const mask = alpha && imageObject(pdf, alpha, 'DeviceGray', {});
  return imageObject(pdf, colour, inks ? 'DeviceCMYK' : 'DeviceRGB', mask ? { SMask: mask } : {});
}

/** The printing condition that the inks are meant for (ISO 32000-1, 14.11.5). */
function setOutputIntent(pdf: PDFDocument, { name, bytes }: { name: string; bytes: Uint8Array }): void {
  const profile = pdf.context.register(pdf.context.flateStream(bytes, { N: 4 }));
  const intent = pdf.context.obj({
    Type: 'OutputIntent',
    S: 'GTS_PDFX',
    OutputConditionIdentifier: PDFString.of('Custom'),
    Info: PDFHexString.fromText(name),
    DestOutputProfile: profile,
  });
  pdf.catalog.set(PDFName.of('OutputIntents'), pdf.context.obj([pdf.context.register(intent)]));
}

function screenColour(hex: string) {
  const [red, green, blue] = rgbOf(hex);
  return rgb(red / 255, green / 255, blue / 255);
}

const CHANNELS = { DeviceGray: 1, DeviceRGB: 3, DeviceCMYK: 4 } as const;

function imageObject(
  pdf: PDFDocument,
  png: Uint8Array,
  space: keyof typeof CHANNELS,
  more: Record<string, PDFRef>,
): PDFRef {
  const { width, height, rows } = rowsOf(png);
  const stream = pdf.context.stream(rows, {
    Type: 'XObject',
    Subtype: 'Image',
    Width: width,
    Height: height,
    ColorSpace: space,
    BitsPerComponent: 8,
    Filter: 'FlateDecode',
    DecodeParms: { Predictor: 15, Colors: CHANNELS[space], BitsPerComponent: 8, Columns: width },
    ...more,
  });
  return pdf.context.register(stream);
}

/** The size and the compressed rows of a PNG (W3C PNG, chunks IHDR and IDAT). */
function rowsOf(png: Uint8Array): { width: number; height: number; rows: Uint8Array } {
  const view = new DataView(png.buffer, png.byteOffset, png.byteLength);
  const parts: Uint8Array[] = [];
  for (let at = 8; at < png.length;) {
    const length = view.getUint32(at);
    if (view.getUint32(at + 4) === 0x49444154) parts.push(png.subarray(at + 8, at + 8 + length));
    at += 12 + length;
  }
  const rows = new Uint8Array(parts.reduce((sum, part) => sum + part.length, 0));
  let to = 0;
  for (const part of parts) {
    rows.set(part, to);
    to += part.length;
  }
  return { width: view.getUint32(16), height: view.getUint32(20), rows };
}
