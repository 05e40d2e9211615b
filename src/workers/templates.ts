import { formatOf } from '@/core/formats/sniff';
import { bytesSource } from '@/core/formats/source';
import { UpFitError } from '@/core/errors';
import { requireMakeablePixels } from '@/core/artwork/limits';
import { pixelsOf, type PrintFace } from '@/core/blank/resolve';
import { drawTemplate } from '@/core/template/drawing';
import { readingOfPage, readingOfPicture, type TemplatePage } from '@/core/template/reading';
import type { Raster } from '@/core/raster/raster';
import { templateSvg } from '@/core/template/svg';
import { openPdf } from '@/files/pdf/boxes';
import type { DrawPage } from '@/files/pdf/draw';
import { templatePdf } from '@/files/pdf/template';
import { cleanDrawing } from '@/files/svg/clean';
import { readSvgTemplate } from '@/files/svg/template';
import { outlineWords } from '@/files/type';
import type { Readers } from '@/files/artwork';
import type { Engine } from '@/imaging/engine';
import { openPicture } from '@/imaging/picture';
import { loadFont } from './font';
import type { TemplateAsked, TemplateRead } from './messages';

/** Longest side of the picture of a template, in pixels: what its lines are picked off and what lies under a flat. */
const PICTURE_SIDE = 2000;

/** Reads a house's template file, one page of it: what it says of its size, and a picture of it. */
export async function readTemplate(
  { engine, drawPage }: Readers,
  name: string,
  bytes: Uint8Array,
  pageIndex: number,
): Promise<TemplateRead> {
  const format = formatOf(name, bytes);
  if (format === 'pdf') return readPdf(drawPage, name, bytes, pageIndex);
  if (format === 'svg') return readSvg(engine, name, bytes);
  const opened = openPicture(engine, name, bytesSource(bytes));
  const reading = readingOfPicture(name, format, opened.pixels!, opened.density);
  const raster = await opened.raster(opened.pixels!);
  return { reading, pages: 1, picture: await pictureOf(raster) };
}

async function readPdf(
  draw: DrawPage,
  name: string,
  bytes: Uint8Array,
  pageIndex: number,
): Promise<TemplateRead> {
  const { pages } = await openPdf(bytes, name);
  const page = pages[pageIndex];
  if (!page) throw new UpFitError('unreadable', `“${name}” has no page ${pageIndex + 1}.`);
  const raster = await draw(bytes, pageIndex, { width: PICTURE_SIDE, height: PICTURE_SIDE });
  // The library draws the crop box: where that is less than the media box, the page is what is seen of it.
  const [x0, y0, x1, y1] = page.crop;
  const reading = readingOfPage(name, {
    ...page,
    media: [0, 0, x1 - x0, y1 - y0],
    crop: shifted(page.crop, x0, y0),
    bleed: shifted(page.bleed, x0, y0),
    trim: shifted(page.trim, x0, y0),
    art: shifted(page.art, x0, y0),
  });
  return {
    reading,
    pages: pages.length,
    picture: await pictureOf(raster),
  };
}

function shifted([a, b, c, d]: TemplatePage['trim'], x: number, y: number): TemplatePage['trim'] {
  return [a - x, b - y, c - x, d - y];
}

async function readSvg(engine: Engine, name: string, bytes: Uint8Array): Promise<TemplateRead> {
  const text = new TextDecoder().decode(bytes);
  const reading = readSvgTemplate(name, text);
  const { width, height } = reading.page!;
  const scale = PICTURE_SIDE / Math.max(width, height);
  const pixels = {
    width: Math.max(1, Math.round(width * scale)),
    height: Math.max(1, Math.round(height * scale)),
  };
  const raster = engine.drawSvg(cleanDrawing(name, text).svg(pixels), pixels.width);
  return { reading, pages: 1, picture: await pictureOf(raster) };
}

/** A picture on white, no larger than lines can be picked off it. */
async function pictureOf({ data, width, height }: Raster): Promise<Blob> {
  const bitmap = await createImageBitmap(new ImageData(new Uint8ClampedArray(data), width, height));
  const scale = Math.min(1, PICTURE_SIDE / Math.max(width, height));
  const canvas = new OffscreenCanvas(
    Math.max(1, Math.round(width * scale)),
    Math.max(1, Math.round(height * scale)),
  );
  const context = canvas.getContext('2d')!;
  context.fillStyle = '#ffffff';
  context.fillRect(0, 0, canvas.width, canvas.height);
  context.imageSmoothingQuality = 'high';
  context.drawImage(bitmap, 0, 0, canvas.width, canvas.height);
  bitmap.close();
  return canvas.convertToBlob({ type: 'image/png' });
}

/** Writes a face's own template as a file. */
export async function writeTemplate(
  engine: () => Promise<Engine>,
  face: PrintFace,
  { title, size, paper, format, ppi }: TemplateAsked,
): Promise<Blob> {
  const drawing = outlineWords(drawTemplate(face, { title, size, paper }), await loadFont());
  if (format === 'pdf') {
    return new Blob([(await templatePdf(drawing)) as Uint8Array<ArrayBuffer>], { type: 'application/pdf' });
  }
  if (format === 'svg') return new Blob([templateSvg(drawing, { kind: 'page' })], { type: 'image/svg+xml' });
  const pixels = pixelsOf(drawing.bleed, ppi);
  requireMakeablePixels(pixels);
  const ready = await engine();
  const raster = ready.drawSvg(templateSvg(drawing, { kind: 'bleed', pixels }), pixels.width);
  const bytes = ready.encodePng(raster, { ppi, use: 'print' });
  return new Blob([bytes as Uint8Array<ArrayBuffer>], { type: 'image/png' });
}
