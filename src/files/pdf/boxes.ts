import { PDFArray, PDFDocument, PDFName, PDFNumber, type PDFPage } from '@cantoo/pdf-lib';
import { UpFitError } from '@/core/errors';
import { MM_PER_INCH } from '@/core/length/units';
import type { TemplatePage } from '@/core/template/reading';
import { requirePages } from './page-count';

/** A box as its two corners, in PDF units. */
type Corners = [number, number, number, number];
const BOXES = ['MediaBox', 'CropBox', 'BleedBox', 'TrimBox', 'ArtBox'] as const;
type BoxName = (typeof BOXES)[number];

/** A page, and the points that its user unit has. */
export interface PdfPage extends TemplatePage {
  unit: number;
}

/** Points in a user unit, unless a page says otherwise. */
const USER_UNIT = 1;

/**
 * Every page's boxes in mm from its media box's lower left corner, as the page is seen: `/UserUnit` and `/Rotate` are
 * honoured. A box that is absent takes its default by the PDF standard. Throws `unreadable` for a damaged file.
 */
export async function openPdf(
  bytes: Uint8Array,
  name: string,
): Promise<{ document: PDFDocument; pages: PdfPage[] }> {
  try {
    const document = await PDFDocument.load(bytes, { updateMetadata: false, throwOnInvalidObject: false });
    if (document.isEncrypted) throw new Error('encrypted');
    requirePages(document, name);
    const pages = document.getPages().map(readPage);
    if (pages.length === 0) throw new Error('no page');
    return { document, pages };
  } catch (error) {
    if (error instanceof UpFitError) throw error;
    throw new UpFitError(
      'unreadable',
      `“${name}” cannot be read: it is damaged or locked. Ask for it again, or save it anew without a password.`,
    );
  }
}

function readPage(page: PDFPage): PdfPage {
  const stated = new Map(BOXES.map((name) => [name, cornersOf(page, name)]));
  const media = stated.get('MediaBox');
  if (!media) throw new Error('no media box');
  const crop = stated.get('CropBox') ?? media;
  const unit = numberOf(page, 'UserUnit') ?? USER_UNIT;
  const mm = (unit * MM_PER_INCH) / 72;
  const quarter = (((Math.round((page.getRotation().angle % 360) / 90) % 4) + 4) % 4) as 0 | 1 | 2 | 3;
  const box = (name: BoxName, otherwise: Corners) =>
    turned(stated.get(name) ?? otherwise, media, quarter).map((value) => value * mm) as Corners;
  return {
    media: box('MediaBox', media),
    crop: box('CropBox', media),
    bleed: box('BleedBox', crop),
    trim: box('TrimBox', crop),
    art: box('ArtBox', crop),
    unit,
    stated: {
      crop: stated.get('CropBox') !== undefined,
      bleed: stated.get('BleedBox') !== undefined,
      trim: stated.get('TrimBox') !== undefined,
    },
  };
}

/** A box of the page or of what it inherits from, its corners in order; undefined where none is written. */
function cornersOf(page: PDFPage, name: BoxName): Corners | undefined {
  const key = PDFName.of(name);
  const inherited = name === 'MediaBox' || name === 'CropBox';
  const found = inherited ? page.node.getInheritableAttribute(key) : page.node.get(key);
  const array = found && page.doc.context.lookup(found);
  if (!(array instanceof PDFArray) || array.size() !== 4) return undefined;
  const [a, b, c, d] = Array.from({ length: 4 }, (_, i) => array.lookup(i, PDFNumber).asNumber());
  return [Math.min(a!, c!), Math.min(b!, d!), Math.max(a!, c!), Math.max(b!, d!)];
}

function numberOf(page: PDFPage, name: string): number | undefined {
  const found = page.node.lookup(PDFName.of(name));
  return found instanceof PDFNumber ? found.asNumber() : undefined;
}

/** Corners from the media box's lower left, as they lie when the page is shown turned clockwise by quarters. */
function turned([x1, y1, x2, y2]: Corners, media: Corners, quarter: 0 | 1 | 2 | 3): Corners {
  const width = media[2] - media[0];
  const height = media[3] - media[1];
  const [l, b, r, t] = [x1 - media[0], y1 - media[1], x2 - media[0], y2 - media[1]];
  switch (quarter) {
    case 0:
      return [l, b, r, t];
    case 1:
      return [b, width - r, t, width - l];
    case 2:
      return [width - r, height - t, width - l, height - b];
    case 3:
      return [height - t, l, height - b, r];
  }
}
