import {
  PDFDict,
  PDFDocument,
  PDFName,
  PDFNumber,
  PDFOperator,
  PDFOperatorNames,
  concatTransformationMatrix,
  drawObject,
  popGraphicsState,
  pushGraphicsState,
  type PDFPage,
  type PDFRef,
} from '@cantoo/pdf-lib';
import { rgbOf } from '@/core/colour/hex';
import { parsePath } from '@/core/geometry/parse-path';
import { MARK_MARGIN, marksRound, type PlateMarks } from '@/core/plates/marks';
import { zlibSync } from 'fflate';
import { outlineWord, type readFont } from '../type';
import { pathOperators } from './path';
import { separation } from './spot';
import { PT } from './units';

type Font = ReturnType<typeof readFont>;

/** One plate of a page: an ink by its name, and where it prints (0 none, 255 all). */
export interface PlatePage {
  name: string;
  hex: string;
  plane: Uint8Array;
  /** Whether it is of dots or solids alone, so that a bit a pixel is enough. */
  isLine: boolean;
}

/**
 * Plates as a PDF: one page of trim plus bleed, and on it each plate as a picture in a separation of its own name that
 * overprints the others (ISO 32000-1, 8.6.6.4 and 8.6.7); with a font, marks for the printer round it, on every plate in its
 * own ink. Lengths mm.
 */
export async function platesPdf(
  title: string,
  size: { width: number; height: number; bleed: number },
  pixels: { width: number; height: number },
  plates: Iterable<PlatePage>,
  names: readonly string[],
  font: Font | null,
): Promise<Uint8Array> {
  const pdf = await PDFDocument.create();
  pdf.setTitle(title);
  pdf.setCreator('Up Fit');
  const margin = font ? MARK_MARGIN : 0;
  const page = pdf.addPage([(size.width + 2 * margin) * PT, (size.height + 2 * margin) * PT]);
  page.setBleedBox(margin * PT, margin * PT, size.width * PT, size.height * PT);
  const trim = (margin + size.bleed) * PT;
  page.setTrimBox(trim, trim, (size.width - 2 * size.bleed) * PT, (size.height - 2 * size.bleed) * PT);
  const state = pdf.context.register(pdf.context.obj({ Type: 'ExtGState', OP: true, op: true, OPM: 1 }));
  resources(page, 'ExtGState').set(PDFName.of('Over'), state);
  const marks = font && { font, ...marksRound(size, names) };
  let i = 0;
  for (const plate of plates) {
    const full = rgbOf(plate.hex).map((level) => Number((level / 255).toFixed(4)));
    const space = separation(pdf.context, plate.name, { space: 'DeviceRGB', none: [1, 1, 1], full });
    resources(page, 'ColorSpace').set(PDFName.of(`Ink${i}`), space);
    const picture = plate.isLine ? lineOf(pdf, plate, pixels) : tonesOf(pdf, plate, pixels, space);
    page.node.setXObject(PDFName.of(`Plate${i}`), picture);
    page.pushOperators(
      pushGraphicsState(),
      PDFOperator.of(PDFOperatorNames.SetGraphicsStateParams, [PDFName.of('Over')]),
      PDFOperator.of(PDFOperatorNames.NonStrokingColorspace, [PDFName.of(`Ink${i}`)]),
      PDFOperator.of(PDFOperatorNames.NonStrokingColorN, [PDFNumber.of(1)]),
      ...(marks ? drawnMarks(marks, i, size.height + 2 * margin) : []),
      concatTransformationMatrix(size.width * PT, 0, 0, size.height * PT, margin * PT, margin * PT),
      drawObject(`Plate${i}`),
      popGraphicsState(),
    );
    i++;
  }
  return pdf.save();
}

/** Thickness of a mark in points. */
const HAIR = 0.25;

/** What stands round one plate, in the ink that is set for both filling and stroking. */
function drawnMarks(marks: PlateMarks & { font: Font }, plate: number, height: number): PDFOperator[] {
  const path = (d: string) =>
    pathOperators(parsePath(d) ?? [], ({ x, y }) => ({ x: x * PT, y: (height - y) * PT }));
  const { words, patch } = marks.own[plate]!;
  const filled = [...marks.words, words].map((one) => outlineWord({ ...one, anchor: 'start' }, marks.font).d);
  return [
    PDFOperator.of(PDFOperatorNames.StrokingColorspace, [PDFName.of(`Ink${plate}`)]),
    PDFOperator.of(PDFOperatorNames.StrokingColorN, [PDFNumber.of(1)]),
    PDFOperator.of(PDFOperatorNames.SetLineWidth, [PDFNumber.of(HAIR)]),
    ...marks.strokes.flatMap(path),
    PDFOperator.of(PDFOperatorNames.StrokePath),
    ...[...filled, patch]
      .filter((d) => d !== '')
      .flatMap((d) => [...path(d), PDFOperator.of(PDFOperatorNames.FillNonZero)]),
  ];
}

function resources(page: PDFPage, kind: string): PDFDict {
  const { Resources } = page.node.normalizedEntries();
  let dict = Resources.lookupMaybe(PDFName.of(kind), PDFDict);
  if (!dict) Resources.set(PDFName.of(kind), (dict = page.doc.context.obj({})));
  return dict;
}

/** A bit a pixel, painted in the ink that is set: a stencil (8.9.6.2). */
function lineOf(pdf: PDFDocument, { plane }: PlatePage, pixels: { width: number; height: number }): PDFRef {
  const stride = Math.ceil(pixels.width / 8);
  const bits = new Uint8Array(stride * pixels.height).fill(255);
  for (let y = 0, i = 0; y < pixels.height; y++)
    for (let x = 0; x < pixels.width; x++, i++)
      // A stencil paints where its bit is 0.
      if (plane[i]) bits[y * stride + (x >> 3)]! &= ~(0x80 >> (x & 7));
  const stream = pdf.context.stream(zlibSync(bits), {
    ...{ Type: 'XObject', Subtype: 'Image', Width: pixels.width, Height: pixels.height },
    ...{ ImageMask: true, BitsPerComponent: 1, Filter: 'FlateDecode' },
  });
  return pdf.context.register(stream);
}

function tonesOf(
  pdf: PDFDocument,
  { plane }: PlatePage,
  pixels: { width: number; height: number },
  space: PDFRef,
): PDFRef {
  const stream = pdf.context.stream(zlibSync(plane), {
    ...{ Type: 'XObject', Subtype: 'Image', Width: pixels.width, Height: pixels.height },
    ...{ ColorSpace: space, BitsPerComponent: 8, Filter: 'FlateDecode' },
  });
  return pdf.context.register(stream);
}
