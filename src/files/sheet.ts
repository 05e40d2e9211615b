import { UpFitError } from '@/core/errors';
import { wordOf } from '@/core/colour/hex';
import { pixelsFor } from '@/core/length/units';
import { flattenPath, mapPath, type Polygons } from '@/core/geometry/path';
import { parsePath } from '@/core/geometry/parse-path';
import { coverOf } from '@/core/raster/cover';
import { layRaster } from '@/core/raster/turn';
import { isOpaque, words, type Progress, type Raster } from '@/core/raster/raster';
import { layOut, type Laid } from '@/core/sheet/layout';
import type { Print } from '@/core/sheet/print';
import { marksOf, type SheetMark } from '@/core/sheet/marks';
import type { PressLines } from '@/core/sheet/press-lines';
import type { Sheet } from '@/core/sheet/schema';
import type { Engine } from '@/imaging/engine';
import { part } from '@/imaging/measure';
import type { MadePicture } from './pdf/picture';
import { keyOf, sheetPdf } from './pdf/sheet';
import { outlineWord, type readFont } from './type';

export const SHEET_FORMATS = ['pdf', 'png', 'tiff'] as const;
export type SheetFormat = (typeof SHEET_FORMATS)[number];

type Font = ReturnType<typeof readFont>;

/** A print of a sheet, which can be drawn at so many pixels. */
export interface DrawnPrint extends Print {
  draw: (pixels: { width: number; height: number }, progress: Progress) => Raster;
}

export interface SheetAsked {
  sheet: Sheet;
  prints: readonly DrawnPrint[];
  cards: readonly PressLines[];
  format: SheetFormat;
  ppi: number;
}

/** Pixels of one sheet as a picture at most: four bytes each, twice while it is packed. */
const MOST_PIXELS = 120e6;
const INK = '#20252b';

/** Sheets as files: one PDF of all, or a picture of each. Throws where a sheet is too large for a picture. */
export async function writeSheet(
  engine: Engine,
  { sheet, prints, cards, format, ppi }: SheetAsked,
  font: Font,
  progress: Progress,
): Promise<Uint8Array[]> {
  const layout = layOut(sheet, prints);
  if (format === 'pdf') {
    const used = prints.filter((print) => layout.laid.some((laid) => keyOf(laid) === keyOf(print)));
    const pictures = new Map<string, MadePicture>();
    for (const [i, print] of used.entries()) {
      const step = part(progress, (i / used.length) * 0.9, ((i + 1) / used.length) * 0.9);
      const raster = print.draw(sizeIn(print, ppi), step);
      const planes = engine.encodePlanes({ ...raster, opaque: isOpaque(raster.data) });
      pictures.set(keyOf(print), { ...planes, inks: false });
    }
    return [await sheetPdf(sheet, layout, pictures, cards, font)];
  }
  const size = sizeIn(layout, ppi);
  if (size.width * size.height > MOST_PIXELS) {
    throw new UpFitError(
      'too-large',
      `A picture of this sheet at ${ppi} PPI has ${Math.round((size.width * size.height) / 1e6)} million pixels: make it a PDF, or a shorter sheet.`,
    );
  }
  return Array.from({ length: layout.sheets }, (_, index) => {
    const step = part(progress, index / layout.sheets, (index + 1) / layout.sheets);
    const target = new Uint32Array(size.width * size.height);
    const raster: Raster = { ...size, data: new Uint8Array(target.buffer), opaque: false };
    const laid = layout.laid.filter((one) => one.sheet === index);
    drawPrints(raster, laid, prints, ppi, part(step, 0, 0.6));
    for (const mark of marksOf(sheet, layout, index)) drawMark(raster, mark, ppi, font);
    const out = sheet.mirrored ? layRaster(raster, { quarters: 0, flipped: true }) : raster;
    return format === 'png'
      ? engine.encodePng(out, { ppi, use: 'print' }, part(step, 0.6, 1))
      : engine.encodeTiff(out, { ppi }, part(step, 0.6, 1));
  });
}

function sizeIn({ width, height }: { width: number; height: number }, ppi: number) {
  return { width: pixelsFor(width, ppi), height: pixelsFor(height, ppi) };
}

/** Each print is drawn once, and laid wherever it lies, to the pixel. */
function drawPrints(
  onto: Raster,
  laid: readonly Laid[],
  prints: readonly DrawnPrint[],
  ppi: number,
  progress: Progress,
): void {
  const target = words(onto);
  const used = prints.filter((print) => laid.some((one) => keyOf(one) === keyOf(print)));
  for (const [i, print] of used.entries()) {
    const upright = print.draw(sizeIn(print, ppi), part(progress, i / used.length, (i + 1) / used.length));
    const turned = layRaster(upright, { quarters: 1, flipped: false });
    for (const one of laid.filter((other) => keyOf(other) === keyOf(print))) {
      const raster = one.turned ? turned : upright;
      const from = words(raster);
      const [dx, dy] = [pixelsFor(one.x, ppi), pixelsFor(one.y, ppi)];
      const [sx, sy] = one.part ? [pixelsFor(one.part.x, ppi), pixelsFor(one.part.y, ppi)] : [0, 0];
      const size = one.part ? sizeIn(one.part, ppi) : raster;
      const across = Math.min(size.width, raster.width - sx, onto.width - dx);
      const down = Math.min(size.height, raster.height - sy, onto.height - dy);
      for (let y = 0; y < down; y++) {
        const start = (sy + y) * raster.width + sx;
        const row = from.subarray(start, start + across);
        const at = (dy + y) * onto.width + dx;
        if (!print.cut) target.set(row, at);
        // Boxes of what is cut to shape overlap where they are clear.
        else for (let x = 0; x < across; x++) if (row[x]! >>> 24 > 0) target[at + x] = row[x]!;
      }
    }
  }
}

function drawMark(onto: Raster, mark: SheetMark, ppi: number, font: Font): void {
  const perMm = ppi / 25.4;
  const polygons = polygonsOf(mark, font).map((points) => points.map((value) => value * perMm));
  const mask = coverOf(polygons, { left: 0, top: 0, right: onto.width, bottom: onto.height });
  const target = words(onto);
  const ink = wordOf(INK) & 0xffffff;
  for (let y = 0; y < mask.height; y++) {
    for (let x = 0; x < mask.width; x++) {
      const cover = mask.data[y * mask.width + x]!;
      const at = (mask.top + y) * onto.width + mask.left + x;
      // Marks lie where nothing else does.
      if (cover > 0 && target[at]! >>> 24 < cover) target[at] = ((cover << 24) | ink) >>> 0;
    }
  }
}

function polygonsOf(mark: SheetMark, font: Font): Polygons {
  switch (mark.kind) {
    case 'line': {
      const { x1, y1, x2, y2, thickness } = mark;
      const half = Math.max(thickness, 0.1) / 2;
      return x1 === x2
        ? [Float64Array.of(x1 - half, y1, x1 + half, y1, x1 + half, y2, x1 - half, y2)]
        : [Float64Array.of(x1, y1 - half, x2, y1 - half, x2, y1 + half, x1, y1 + half)];
    }
    case 'shape':
      return [Float64Array.from(mark.points.flat())];
    case 'words': {
      const { text, x, y, size, anchor, within } = mark;
      const { d } = outlineWord({ text, x, y, size, anchor }, font);
      const squeezed = Math.min(1, within / font.getAdvanceWidth(text, size));
      const path = mapPath(parsePath(d) ?? [], (point) => ({ x: x + (point.x - x) * squeezed, y: point.y }));
      return flattenPath(path, 0.01);
    }
  }
}
