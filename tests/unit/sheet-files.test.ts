import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { PNG } from 'pngjs';
import { printSize } from '@/core/blank/resolve';
import { renderFace } from '@/core/render/face';
import { layOut } from '@/core/sheet/layout';
import { pressLines } from '@/core/sheet/press-lines';
import { newSheet, type Sheet } from '@/core/sheet/schema';
import { lookAtSheet } from '@/desk/look-sheet';
import { readFont } from '@/files/type';
import { writeSheet, type DrawnPrint, type SheetFormat } from '@/files/sheet';
import type { Engine } from '@/imaging/engine';
import { loadNodeEngine } from '@/imaging/node';
import { blankById, faceOf, pieceAt, shown } from '../support/fits';
import { paint } from '../support/pictures';
import { fontBytes } from '../support/font';

const folder = mkdtempSync(join(tmpdir(), 'up-fit-sheets-'));
let engine: Engine;
beforeAll(async () => {
  engine = await loadNodeEngine();
});
afterAll(() => {
  engine.close();
  rmSync(folder, { recursive: true });
});

const PPI = 50;
const PER_MM = PPI / 25.4;
const mug = blankById('mug-325');
const face = faceOf(mug);
// Red on the left and blue on the right: which way round it lies can be read off.
const picture = paint(200, 80, (x) => (x < 100 ? [200, 30, 30, 255] : [30, 30, 200, 255]));
const print: DrawnPrint = {
  ...{ fitId: 'fit', faceId: face.id, name: 'Gull on Mug 325 ml', bleed: face.bleed },
  ...printSize(face),
  draw: (pixels) =>
    renderFace(face, [pieceAt(face.width / 2, face.height / 2, 230, 100)], shown(picture), { pixels }),
};

function sheetOf(copies: number, change: Partial<Sheet> = {}): Sheet {
  const paper = { name: '330 × 480', width: 330, height: 480 };
  return {
    ...newSheet('s', 'Twelve mugs'),
    ...{ paper, mirrored: true, items: [{ fitId: 'fit', faceId: face.id, copies }] },
    ...change,
  };
}

async function write(sheet: Sheet, format: SheetFormat): Promise<Uint8Array[]> {
  const font = readFont(fontBytes('archivo-narrow'));
  const cards = [pressLines(print.name, mug, face)];
  return writeSheet(engine, { sheet, prints: [print], cards, format, ppi: PPI }, font, () => undefined);
}

/** Pages of a PDF as another program draws them. */
function pages(bytes: Uint8Array): PNG[] {
  const path = join(folder, 'sheet.pdf');
  writeFileSync(path, bytes);
  execFileSync('qpdf', ['--check', path]);
  expect(execFileSync('pdffonts', [path], { encoding: 'utf8' }).trim().split('\n')).toHaveLength(2);
  execFileSync('pdftoppm', ['-png', '-r', String(PPI), path, join(folder, 'page')]);
  const count = Number(/Pages:\s+(\d+)/.exec(execFileSync('pdfinfo', [path], { encoding: 'utf8' }))![1]);
  return Array.from({ length: count }, (_, i) =>
    PNG.sync.read(readFileSync(join(folder, `page-${i + 1}.png`))),
  );
}

const at = (png: PNG, x: number, y: number) =>
  Array.from(
    png.data.subarray(
      (Math.round(y) * png.width + Math.round(x)) * 4,
      (Math.round(y) * png.width + Math.round(x)) * 4 + 4,
    ),
  );
const isRed = ([r, , b]: number[]) => r! > 150 && b! < 90;
const isBlue = ([r, , b]: number[]) => b! > 150 && r! < 90;
const isDark = ([r, g, b, a]: number[]) => a! > 128 && r! < 110 && g! < 110 && b! < 110;

test('twelve mugs for transfer: mirrored once, every copy where it was laid, the ruler 100 mm, the press card after', async () => {
  const sheet = sheetOf(12);
  const layout = layOut(sheet, [print]);
  expect(layout.sheets).toBe(2);
  const [bytes] = await write(sheet, 'pdf');
  const drawn = pages(bytes!);
  expect(drawn).toHaveLength(3);
  expect(drawn[0]!.width / PER_MM).toBeCloseTo(330, 0);
  for (const one of layout.laid) {
    const png = drawn[one.sheet]!;
    const there = (u: number, v: number) =>
      at(png, png.width - (one.x + u * one.width) * PER_MM, (one.y + v * one.height) * PER_MM);
    // Turned a quarter clockwise, its left is above; the page's mirror image leaves above as it is.
    expect(one.turned).toBe(true);
    expect(isRed(there(0.5, 0.2))).toBe(true);
    expect(isBlue(there(0.5, 0.8))).toBe(true);
  }
  const png = drawn[0]!;
  const row = Array.from({ length: png.width }, (_, x) => isDark(at(png, x, (480 - 3) * PER_MM)));
  // Mirrored, it runs from the right edge: 3 mm in, to 103 mm.
  const from = png.width - 1 - row.lastIndexOf(true);
  expect(from / PER_MM).toBeCloseTo(3, 0);
  const ruler = row.slice(png.width - Math.round(103.5 * PER_MM));
  expect(ruler.filter(Boolean).length / PER_MM).toBeGreaterThan(99);
});

test('as a picture it is the same to the pixel, and the desk reads from its mark that it is mirrored', async () => {
  for (const mirrored of [true, false]) {
    const sheet = sheetOf(3, { mirrored, turning: false });
    const [bytes] = await write(sheet, 'png');
    writeFileSync(join(folder, 'sheet.png'), bytes!);
    execFileSync('pngcheck', ['-q', join(folder, 'sheet.png')]);
    const png = PNG.sync.read(Buffer.from(bytes!));
    for (const one of layOut(sheet, [print]).laid) {
      const u = (share: number) => {
        const x = (one.x + share * one.width) * PER_MM;
        return mirrored ? png.width - x : x;
      };
      expect(isRed(at(png, u(0.2), (one.y + one.height / 2) * PER_MM))).toBe(true);
      expect(isBlue(at(png, u(0.8), (one.y + one.height / 2) * PER_MM))).toBe(true);
    }
    const said = lookAtSheet({ path: 's.png', transfer: true }, bytes!);
    expect(said.verdict).toBe(mirrored ? 'ready' : 'fix');
    if (!mirrored) expect(said.reasons.join()).toMatch(/not mirrored: pressed on, it would read backwards/);
    expect(lookAtSheet({ path: 's.png', transfer: false }, bytes!).verdict).toBe(mirrored ? 'fix' : 'ready');
  }
  const bare = PNG.sync.write(new PNG({ width: 200, height: 200 }));
  expect(lookAtSheet({ path: 's.png', transfer: true }, bare).reasons.join()).toMatch(/do not find the mark/);
});

test('parts of a large print meet where they overlap; TIFF is as large as the sheet', async () => {
  const paper = { name: 'A4', width: 210, height: 297 };
  const sheet = sheetOf(1, { paper, mirrored: false, turning: false });
  const parts = layOut(sheet, [print]).laid;
  expect(parts).toHaveLength(2);
  const files = await write(sheet, 'tiff');
  expect(files).toHaveLength(2);
  const path = join(folder, 'part.tif');
  writeFileSync(path, files[0]!);
  expect(execFileSync('tiffinfo', [path], { encoding: 'utf8' })).toMatch(
    /Image Width: 413 Image Length: 585/,
  );
  const [pdf] = await write(sheet, 'pdf');
  const [first, second] = pages(pdf!);
  // What lies 185 mm into the print is on both: 185 into the first part, 5 into the second.
  const y = (10 + 40) * PER_MM;
  expect(parts[1]!.part!.x).toBe(180);
  expect(isBlue(at(first!, (10 + 185) * PER_MM, y))).toBe(true);
  expect(isBlue(at(second!, (10 + 5) * PER_MM, y))).toBe(true);
});

test('a sheet that is too large for a picture says so', async () => {
  const paper = { name: 'Roll', width: 1370, height: 5000 };
  const font = readFont(fontBytes('archivo-narrow'));
  const asked = {
    sheet: sheetOf(1, { paper }),
    prints: [print],
    cards: [],
    format: 'png' as const,
    ppi: 300,
  };
  await expect(writeSheet(engine, asked, font, () => undefined)).rejects.toThrow(/make it a PDF/);
});
