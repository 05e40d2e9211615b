import {
  decodePDFRawStream,
  PDFArray,
  PDFDict,
  PDFName,
  PDFNumber,
  type PDFRawStream,
  type PDFObject,
} from '@cantoo/pdf-lib';
import type { Raster } from '@/core/raster/raster';

/** A picture as it lies in a page's file: a JPEG, or its own pixels. */
export type StoredImage = { jpeg: Uint8Array } | { raster: Raster };

/** Predictors of PNG; one of TIFF (2) is rare and not read. */
const PNG_PREDICTOR = 10;

/**
 * Reads a picture's own pixels for what they hold, not for their colours: the first channels as they are. Null of kinds
 * that are not read: those of other packers, of palettes, of fewer bits than eight.
 */
export function storedImage(stream: PDFRawStream): StoredImage | null {
  const { dict, contents } = stream;
  const [filter, ...others] = listed(dict.lookup(PDFName.of('Filter')));
  if (String(filter) === '/DCTDecode' && others.length === 0) return { jpeg: contents };
  const [width, height] = [numberOf(dict, 'Width'), numberOf(dict, 'Height')];
  if (numberOf(dict, 'BitsPerComponent') !== 8 || others.length > 0) return null;
  if (/Indexed|\/I\b/.test(String(dict.lookup(PDFName.of('ColorSpace'))))) return null;
  try {
    const [parameters] = listed(dict.lookup(PDFName.of('DecodeParms')));
    const predictor = parameters instanceof PDFDict ? numberOf(parameters, 'Predictor') : 0;
    const decoded = decodePDFRawStream(stream).decode();
    const rows = predictor >= PNG_PREDICTOR ? 1 : 0;
    const channels = (decoded.length / height - rows) / width;
    if (![1, 3, 4].includes(channels) || predictor === 2) return null;
    const plain = rows ? unpredicted(decoded, width * channels, channels) : decoded;
    return { raster: rasterOf(plain, width, height, channels) };
  } catch {
    return null;
  }
}

function rasterOf(samples: Uint8Array, width: number, height: number, channels: number): Raster {
  const data = new Uint8Array(width * height * 4).fill(255);
  for (let pixel = 0; pixel < width * height; pixel++)
    for (let k = 0; k < 3; k++) data[pixel * 4 + k] = samples[pixel * channels + (channels === 1 ? 0 : k)]!;
  return { width, height, data, opaque: true };
}

/** Rows as they were before PNG's filters (ISO/IEC 15948, 9.2), each of which begins with its filter's number. */
function unpredicted(coded: Uint8Array, stride: number, step: number): Uint8Array {
  const height = coded.length / (stride + 1);
  const plain = new Uint8Array(stride * height);
  for (let row = 0; row < height; row++) {
    const filter = coded[row * (stride + 1)]!;
    for (let x = 0; x < stride; x++) {
      const at = row * stride + x;
      const left = x >= step ? plain[at - step]! : 0;
      const up = row > 0 ? plain[at - stride]! : 0;
      const corner = x >= step && row > 0 ? plain[at - stride - step]! : 0;
      const told = [0, left, up, (left + up) >> 1, nearestOf(left, up, corner)][filter] ?? 0;
      plain[at] = coded[row * (stride + 1) + 1 + x]! + told;
    }
  }
  return plain;
}

/** Paeth's guess: whichever of three neighbours is nearest to what their slope promises. */
function nearestOf(left: number, up: number, corner: number): number {
  const promised = left + up - corner;
  const [a, b, c] = [Math.abs(promised - left), Math.abs(promised - up), Math.abs(promised - corner)];
  return a <= b && a <= c ? left : b <= c ? up : corner;
}

function listed(value: PDFObject | undefined): PDFObject[] {
  return value instanceof PDFArray ? value.asArray() : value ? [value] : [];
}

function numberOf(dict: PDFDict, key: string): number {
  const value = dict.lookup(PDFName.of(key));
  return value instanceof PDFNumber ? value.asNumber() : 0;
}
