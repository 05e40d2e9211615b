import type { PDFDocument, PDFRef } from '@cantoo/pdf-lib';

const CHANNELS = { DeviceGray: 1, DeviceRGB: 3, DeviceCMYK: 4 } as const;

/** A picture that is made: its colours (or its inks) and its alpha, each as a PNG without profile. */
export interface MadePicture {
  colour: Uint8Array;
  alpha: Uint8Array | null;
  inks: boolean;
}

/** A picture as the PDF's own object. PNG rows, compressed as they are, are what a PDF reads with predictor 15. */
export function pictureOf(pdf: PDFDocument, { colour, alpha, inks }: MadePicture): PDFRef {
  const mask = alpha && imageObject(pdf, alpha, 'DeviceGray', {});
  return imageObject(pdf, colour, inks ? 'DeviceCMYK' : 'DeviceRGB', mask ? { SMask: mask } : {});
}

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
