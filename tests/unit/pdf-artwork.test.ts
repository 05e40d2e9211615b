import { cmyk, PDFDocument, PDFName, degrees, PDFString } from '@cantoo/pdf-lib';
import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { operatorsOf } from '@/files/pdf/tokens';
import { swatchPdf } from '@/files/pdf/swatches';
import { swatchesOf } from '@/core/colour/swatches';
import { readFont } from '@/files/type';
import type { Engine } from '@/imaging/engine';
import { loadNodeEngine } from '@/imaging/node';
import { measureBytes } from '../support/measure';
import { pixelAt, solid } from '../support/pictures';
import { longTest } from '../support/long';

/** PDFs written by other programs, each fact compared with what yet another reads in them. */
const folder = mkdtempSync(join(tmpdir(), 'up-fit-pdf-'));
const file = (name: string) => join(folder, name);
const run = (program: string, ...args: string[]) =>
  execFileSync(program, args, { cwd: folder, encoding: 'utf8' });
let engine: Engine;
beforeAll(async () => {
  engine = await loadNodeEngine();
});
afterAll(() => {
  engine.close();
  rmSync(folder, { recursive: true });
});

/** A PDF from a PostScript program, by ghostscript. */
function fromPostScript(name: string, program: string, ...options: string[]): Uint8Array {
  writeFileSync(file('in.ps'), `%!PS\n${program}\n`);
  run('gs', '-q', '-dNOPAUSE', '-dBATCH', '-sDEVICE=pdfwrite', ...options, `-o${name}`, 'in.ps');
  return new Uint8Array(readFileSync(file(name)));
}
const measure = (name: string, page = 0) =>
  measureBytes(engine, name, new Uint8Array(readFileSync(file(name))), {
    steps: page > 0 ? [{ kind: 'page', page }] : [],
  });
const codes = (facts: { notes: { code: string }[] }) => facts.notes.map(({ code }) => code);

const PAGES = `
<< /PageSize [288 144] >> setpagedevice
0.2 0.8 0.1 0 setcmykcolor 0 0 288 144 rectfill
/Helvetica findfont 36 scalefont setfont 0 0 0 1 setcmykcolor 40 60 moveto (Gullwick) show showpage
<< /PageSize [144 216] >> setpagedevice
1 0 0 setrgbcolor 72 72 50 0 360 arc fill showpage`;

test('pages, boxes and size as pdfinfo reads them; each page is measured by itself', async () => {
  fromPostScript('pages.pdf', PAGES);
  const { facts, raster } = await measure('pages.pdf');
  const boxes = run('pdfinfo', '-box', '-f', '1', '-l', '2', 'pages.pdf');
  facts.pages!.forEach((page, index) => {
    for (const box of ['media', 'crop', 'bleed', 'trim', 'art'] as const) {
      const name = `${box[0]!.toUpperCase()}${box.slice(1)}Box`;
      const told = new RegExp(`Page\\s+${index + 1} ${name}:\\s+([\\d. ]+)`).exec(boxes)![1]!;
      const points = told.trim().split(/\s+/).map(Number);
      page[box].forEach((mm, i) => {
        expect((mm * 72) / 25.4).toBeCloseTo(points[i]!, 1);
      });
    }
  });
  expect(facts.physical!.width).toBeCloseTo(101.6, 3);
  expect(facts.pageCount).toBe(2);
  expect(facts.colour).toMatchObject({ mode: 'cmyk' });
  expect(codes(facts)).toEqual(['pages', 'live-text']);
  const [red, green] = pixelAt(raster, 10, 10);
  expect(red! - green!).toBeGreaterThan(60);

  const second = await measure('pages.pdf', 1);
  expect(second.facts).toMatchObject({ page: 1, colour: { mode: 'rgb' }, alpha: { present: true } });
  expect(second.facts.physical!.height).toBeCloseTo(76.2, 3);
  expect(second.facts.notes).toEqual([{ code: 'pages', message: 'It has 2 pages: page 2 is used.' }]);
  // The clear part of a page stays clear; the circle is where the program drew it.
  const { width, height } = second.raster;
  expect(pixelAt(second.raster, width >> 1, height - 1 - Math.round((72 / 216) * height))).toEqual([
    255, 0, 0, 255,
  ]);
  expect(pixelAt(second.raster, 2, 2)[3]).toBe(0);
});

longTest('a picture inside has the PPI that pdfimages reads, wherever it is drawn from', async () => {
  writeFileSync(file('a.png'), engine.encodePng(solid(300, 150), { ppi: 72, use: 'preview' }));
  const pdf = await PDFDocument.create();
  const picture = await pdf.embedPng(readFileSync(file('a.png')));
  const page = pdf.addPage([400, 400]);
  page.drawImage(picture, { x: 10, y: 10, width: 144, height: 72 });
  page.drawImage(picture, { x: 200, y: 200, width: 72, height: 36, rotate: degrees(30) });
  writeFileSync(file('pictures.pdf'), await pdf.save());
  const { facts } = await measure('pictures.pdf');
  const told = run('pdfimages', '-list', 'pictures.pdf')
    .split('\n')
    .slice(2)
    .filter((line) => line.trim() !== '')
    .map((line) => Number(line.trim().split(/\s+/)[12]));
  expect(facts.images!.map(({ ppi }) => Math.round(ppi.x))).toEqual([150, 300]);
  expect(told).toEqual([150, 300]);
  expect(facts.notes).toContainEqual({
    code: 'images',
    message:
      'Holds 2 pictures, the least with 150 PPI at the file’s own size, which prints softer than the drawing round it.',
  });
  // The same picture inside a form, under the page's own scale.
  const outer = await PDFDocument.create();
  const [form] = await outer.embedPdf(await pdf.save());
  outer.addPage([800, 800]).drawPage(form!, { xScale: 2, yScale: 2 });
  writeFileSync(file('form.pdf'), await outer.save());
  expect((await measure('form.pdf')).facts.images!.map(({ ppi }) => Math.round(ppi.x))).toEqual([75, 150]);
});

longTest('a trim inside the page, a page turned and scaled, a spot colour, colours mixed', async () => {
  const pdf = await PDFDocument.create();
  const page = pdf.addPage([300, 200]);
  page.setTrimBox(10, 10, 280, 180);
  page.setRotation(degrees(90));
  page.node.set(PDFName.of('UserUnit'), pdf.context.obj(2));
  page.drawRectangle({ x: 0, y: 0, width: 150, height: 200, color: cmyk(0, 1, 1, 0) });
  const spot = pdf.context.obj([
    'Separation',
    'CutContour',
    'DeviceCMYK',
    { FunctionType: 2, Domain: [0, 1], N: 1, C0: [0, 0, 0, 0], C1: [0, 1, 0, 0] },
  ]);
  const resources = page.node.Resources()!;
  resources.set(PDFName.of('ColorSpace'), pdf.context.obj({ Cut: spot }));
  const more = pdf.context.register(
    pdf.context.stream('/Cut CS 1 SCN 0 0 m 9 9 l S 1 0 0 rg 200 20 30 30 re f'),
  );
  page.node.addContentStream(more);
  const { facts } = await measureBytes(engine, 'turned.pdf', await pdf.save());
  expect(facts.physical!.width).toBeCloseTo((200 * 2 * 25.4) / 72, 4);
  expect(facts.physical!.height).toBeCloseTo((300 * 2 * 25.4) / 72, 4);
  expect(codes(facts)).toEqual(['trim', 'mixed', 'spots']);
  expect(facts.notes[0]!.message).toContain('7.1 mm past it all round');
  expect(facts.notes[2]!.message).toContain('CutContour');
});

test('text that is invisible is no live text; scripts of a document do nothing', async () => {
  const pdf = await PDFDocument.create();
  const page = pdf.addPage([100, 100]);
  page.drawRectangle({ x: 0, y: 0, width: 50, height: 50 });
  page.node.addContentStream(pdf.context.register(pdf.context.stream('BT 3 Tr /F 9 Tf (words) Tj ET')));
  pdf.catalog.set(
    PDFName.of('OpenAction'),
    pdf.context.obj({ S: 'JavaScript', JS: PDFString.of('app.alert(1); while(true){}') }),
  );
  const { facts } = await measureBytes(engine, 'a.pdf', await pdf.save());
  expect(codes(facts)).toEqual([]);
});

test('a locked or broken PDF is refused in a sentence', async () => {
  fromPostScript('plain.pdf', PAGES);
  run('qpdf', '--encrypt', 'u', 'o', '256', '--', 'plain.pdf', 'locked.pdf');
  await expect(measure('locked.pdf')).rejects.toMatchObject({ code: 'unreadable' });
  const broken = new TextEncoder().encode('%PDF-1.7\nnothing here');
  await expect(measureBytes(engine, 'b.pdf', broken)).rejects.toMatchObject({
    code: 'unreadable',
    message: expect.stringMatching(/^“b\.pdf” .*\.$/) as string,
  });
});

describe('a page’s content taken apart', () => {
  const taken = (text: string) => [...operatorsOf(new TextEncoder().encode(text))];
  test('operands of every kind, comments and inline pictures', () => {
    expect(taken('% note\n1 -2.5 .5 m [(a(b)\\)) 3 [4]] TJ /Name gs <</A(x)>> BDC <ab> Tj')).toEqual([
      { operator: 'm', operands: [1, -2.5, 0.5] },
      { operator: 'TJ', operands: [[{ kind: 'string' }, 3, [4]]] },
      { operator: 'gs', operands: ['/Name'] },
      { operator: 'BDC', operands: [{ kind: 'dictionary' }] },
      { operator: 'Tj', operands: [{ kind: 'string' }] },
    ]);
    expect(taken('q BI /W 4 /H 2 /CS /RGB ID xEI\x01 EI Q').map(({ operator }) => operator)).toEqual([
      'q',
      'BI',
      'Q',
    ]);
  });
  test.each(['[[[['.repeat(5000), '(((', '<<<<', '] ] }', '/', 'BI ID', '1 2 3'])(
    'damaged: %.12s',
    (text) => {
      expect(() => taken(text)).not.toThrow();
    },
  );
});

longTest('a page of swatches in their inks, its words as outlines, page by page', async () => {
  const font = readFileSync(
    'node_modules/@fontsource/archivo-narrow/files/archivo-narrow-latin-500-normal.woff',
  );
  const bare = font.buffer.slice(font.byteOffset, font.byteOffset + font.byteLength);
  const colours = Array.from({ length: 12 }, (_, i) => ({ hex: `#0${i.toString(16)}5563`, share: 1 / 12 }));
  const swatches = swatchesOf(colours, engine.inksOf(colours.map(() => [11, 85, 99])));
  writeFileSync(file('swatches.pdf'), await swatchPdf('Harbour', swatches, readFont(bare)));
  expect(run('pdfinfo', 'swatches.pdf')).toMatch(/Pages:\s+2[\s\S]*595\.\d+ x 841\.\d+/);
  expect(run('pdftotext', 'swatches.pdf', '-').trim()).toBe('');
  const { facts } = await measure('swatches.pdf');
  expect(facts.colour.mode).toBe('cmyk');
});
