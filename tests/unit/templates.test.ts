import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { PDFDocument, PDFName, PDFNumber, degrees } from '@cantoo/pdf-lib';
import { shippedBlanks } from '@/core/blank/library';
import { trimSize } from '@/core/blank/resolve';
import { drawTemplate } from '@/core/template/drawing';
import { bodyFromTemplate, marginsOf, pickLine, type Picked } from '@/core/template/picked';
import { mismatch, readingOfPage, readingOfPicture, resized } from '@/core/template/reading';
import { templateSvg } from '@/core/template/svg';
import { lineAt } from '@/core/raster/lines';
import { openPdf } from '@/files/pdf/boxes';
import { templatePdf } from '@/files/pdf/template';
import { readSvgTemplate } from '@/files/svg/template';
import { outlineWords, readFont } from '@/files/type';
import { blankById, faceOf } from '../support/fits';
import { paint } from '../support/pictures';

const folder = mkdtempSync(join(tmpdir(), 'up-fit-template-'));
afterAll(() => {
  rmSync(folder, { recursive: true });
});

const PT = 72 / 25.4;
const woff = createRequire(__filename).resolve(
  '@fontsource/archivo-narrow/files/archivo-narrow-latin-500-normal.woff',
);
const font = readFont(new Uint8Array(readFileSync(woff)).buffer);
const drawn = (id: string, faceId?: string) => {
  const blank = blankById(id);
  const face = blank.faces.find((one) => one.id === faceId) ?? faceOf(blank);
  return outlineWords(drawTemplate(face, { title: blank.blank.name, size: '1 × 1 mm', paper: 'mm' }), font);
};

/** A PDF's boxes in mm as another program reads them. */
function pdfinfo(bytes: Uint8Array): Record<string, number[]> {
  const file = join(folder, 'read.pdf');
  writeFileSync(file, bytes);
  const text = execFileSync('pdfinfo', ['-box', file], { encoding: 'utf8' });
  return Object.fromEntries(
    [...text.matchAll(/^(\w+Box):\s+([\d.\s-]+)$/gm)].map(([, name, numbers]) => [
      name!,
      numbers!
        .trim()
        .split(/\s+/)
        .map((value) => Number(value) / PT),
    ]),
  );
}

const pagesOf = async (bytes: Uint8Array) => (await openPdf(bytes, 'template.pdf')).pages;

describe('a template that is written', () => {
  test.each(shippedBlanks().map(({ blank }) => [blank.id] as const))(
    '%s: trim and bleed as PDF',
    async (id) => {
      const { faces } = blankById(id);
      for (const face of faces) {
        const bytes = await templatePdf(drawn(id, face.id));
        const { TrimBox, BleedBox, MediaBox } = pdfinfo(bytes);
        const trim = trimSize(face);
        expect(Math.abs(TrimBox![2]! - TrimBox![0]! - trim.width)).toBeLessThan(0.1);
        expect(Math.abs(TrimBox![3]! - TrimBox![1]! - trim.height)).toBeLessThan(0.1);
        expect(TrimBox![0]! - BleedBox![0]!).toBeGreaterThan(face.bleed - 0.1);
        expect(MediaBox![2]!).toBeGreaterThan(BleedBox![2]! + 5);
        const [page] = await pagesOf(bytes);
        expect(page!.trim[2] - page!.trim[0]).toBeCloseTo(trim.width, 2);
      }
    },
  );

  test('a small one is laid on a sheet of A4, a large one on a page of its own', () => {
    expect(drawn('mug-325').page).toMatchObject({ width: 297, height: 210 });
    expect(drawn('sticker-75').page).toMatchObject({ width: 210, height: 297 });
    expect(drawn('banner-1800').page.width).toBeGreaterThan(1800);
    const inches = drawTemplate(faceOf(blankById('mug-325')), { title: 'Mug', size: '', paper: 'in' });
    expect(inches.page).toMatchObject({ width: 279.4, height: 215.9 });
  });

  test('its ruler is 100 mm and 4 in long', () => {
    const ruler = drawTemplate(faceOf(blankById('mug-325')), {
      title: '',
      size: '',
      paper: 'mm',
    }).layers.find(({ id }) => id === 'ruler')!;
    const [metric, imperial] = ruler.marks.map(({ d }) => Number(/h([\d.]+)/.exec(d)![1]));
    expect(metric).toBe(100);
    expect(imperial).toBeCloseTo(101.6, 9);
    expect(ruler.words.map(({ text }) => text)).toContain('100 mm');
  });

  test('SVG has a named layer for each kind of line, its words as paths', () => {
    const svg = templateSvg(drawn('leaflet'), { kind: 'page' });
    for (const id of ['trim', 'bleed', 'safe', 'centres', 'folds', 'ruler'])
      expect(svg).toContain(`<g id="${id}">`);
    expect(svg).not.toContain('<text');
    const reading = readSvgTemplate('leaflet.svg', svg);
    expect(reading.page!.width).toBeCloseTo(drawn('leaflet').page.width, 6);
    expect(reading.traps).toEqual([]);
  });

  test.each([
    ['leaflet', ['folds']],
    ['label-jar', ['seam', 'centres']],
    ['sticker-sheet-a6', ['cuts']],
    ['gallery-40x30', ['edge']],
    ['knob-plate', ['keep-outs']],
    ['tumbler-taper-480', ['grid']],
    ['shirt', ['trim', 'safe']],
  ])('%s has the layers of its kind and no others', (id, layers) => {
    const own = drawn(id).layers.map((layer) => layer.id);
    for (const layer of layers) expect(own).toContain(layer);
    for (const layer of ['folds', 'seam', 'cuts', 'edge', 'keep-outs', 'grid']) {
      if (!layers.includes(layer)) expect(own).not.toContain(layer);
    }
    expect(new Set(own).size).toBe(own.length);
  });

  test('exactly the bleed box in pixels, without the ruler', () => {
    const svg = templateSvg(drawn('tumbler-taper-480'), {
      kind: 'bleed',
      pixels: { width: 400, height: 231 },
    });
    expect(svg).toContain('width="400" height="231"');
    expect(svg).not.toContain('id="ruler"');
    expect(svg).toContain('id="grid"');
  });

  test('a title cannot break out of its place', () => {
    const drawing = { ...drawn('coaster'), title: 'A <b> & "c"' };
    expect(templateSvg(drawing, { kind: 'page' })).toContain(
      '<title>A &#60;b&#62; &#38; &#34;c&#34;</title>',
    );
  });
});

describe('a PDF that a house gives', () => {
  async function pdf(
    change: (page: ReturnType<PDFDocument['addPage']>, doc: PDFDocument) => void,
  ): Promise<Uint8Array> {
    const doc = await PDFDocument.create();
    change(doc.addPage([2420 * PT, 1520 * PT]), doc);
    return doc.save();
  }
  const size = ([x0, y0, x1, y1]: number[]) => [Math.round(x1! - x0!), Math.round(y1! - y0!)];

  test('whose page holds the bleed comes in at its trim', async () => {
    const bytes = await pdf((page) => {
      page.setBleedBox(0, 0, 2420 * PT, 1520 * PT);
      page.setTrimBox(10 * PT, 10 * PT, 2400 * PT, 1500 * PT);
    });
    const [page] = await pagesOf(bytes);
    const reading = readingOfPage('banner.pdf', page!);
    expect([reading.trim!.width, reading.trim!.height]).toEqual([
      expect.closeTo(2400, 3),
      expect.closeTo(1500, 3),
    ]);
    expect(reading.trim!.x).toBeCloseTo(10, 3);
    expect(reading.traps[0]!.message).toMatch(/which is trim plus bleed: the trim is 2400.0 × 1500.0 mm/);
    expect(marginsOf({ trim: reading.trim!, bleed: reading.bleed, safe: null }).bleed).toBeCloseTo(10, 3);
  });

  test('boxes that are absent take their default, and a trim that is not stated is doubted', async () => {
    const [page] = await pagesOf(
      await pdf((one) => {
        one.setCropBox(20 * PT, 20 * PT, 2380 * PT, 1480 * PT);
      }),
    );
    expect(size(page!.media)).toEqual([2420, 1520]);
    expect(page!.trim).toEqual(page!.crop);
    expect(page!.art).toEqual(page!.crop);
    expect(page!.stated).toEqual({ crop: true, bleed: false, trim: false });
    expect(readingOfPage('x.pdf', page!).traps[0]!.message).toMatch(/states no trim/);
  });

  test('/UserUnit makes a larger page, /Rotate turns it', async () => {
    const [page] = await pagesOf(
      await pdf((one) => {
        one.node.set(PDFName.of('UserUnit'), PDFNumber.of(2));
        one.setTrimBox(10 * PT, 30 * PT, 1000 * PT, 500 * PT);
        one.setRotation(degrees(90));
      }),
    );
    expect(size(page!.media)).toEqual([3040, 4840]);
    expect(size(page!.trim)).toEqual([1000, 2000]);
    // Turned clockwise, what was 10 mm from the left is 10 mm from the top, and 30 mm from the foot is from the left.
    expect(page!.trim[0]).toBeCloseTo(60, 2);
    expect(page!.media[3] - page!.trim[3]).toBeCloseTo(20, 2);
  });

  test.each([0, 90, 180, 270])(
    'turned by %d the trim keeps its size and stays on the page',
    async (angle) => {
      const bytes = await pdf((one) => {
        one.setTrimBox(10 * PT, 30 * PT, 1000 * PT, 500 * PT);
        one.setRotation(degrees(angle));
      });
      const [page] = await pagesOf(bytes);
      expect(size(page!.trim).sort()).toEqual([1000, 500].sort());
      expect(page!.trim[0]).toBeGreaterThanOrEqual(0);
      expect(page!.trim[2]).toBeLessThanOrEqual(page!.media[2]);
      expect(page!.trim[3]).toBeLessThanOrEqual(page!.media[3]);
    },
  );

  test('a media box that does not begin at nought', async () => {
    const [page] = await pagesOf(
      await pdf((one) => {
        one.setMediaBox(-50 * PT, 70 * PT, 300 * PT, 200 * PT);
        one.setTrimBox(-40 * PT, 80 * PT, 280 * PT, 180 * PT);
      }),
    );
    expect(page!.media.map(Math.round)).toEqual([0, 0, 300, 200]);
    expect(page!.trim.map(Math.round)).toEqual([10, 10, 290, 190]);
  });

  test('a damaged one is told', async () => {
    const whole = await pdf(() => undefined);
    for (const bytes of [
      whole.subarray(0, 60),
      new TextEncoder().encode('%PDF-1.7\nnothing'),
      new Uint8Array(),
    ]) {
      await expect(pagesOf(bytes)).rejects.toMatchObject({ code: 'unreadable' });
    }
  });
});

describe('an SVG that a house gives', () => {
  const svg = (attributes: string, inside = '') =>
    `<?xml version="1.0"?><svg xmlns="http://www.w3.org/2000/svg" ${attributes}>${inside}</svg>`;

  test.each([
    ['width="220mm" height="92mm"', 220, 92],
    ['width="8.5in" height="4in" viewBox="0 0 850 400"', 215.9, 101.6],
    ['width="20cm" viewBox="0 0 200 100"', 200, 100],
    ['width="100%" height="100%" viewBox="0 0 960 480"', 254, 127],
    ['viewBox="0 0 96 96"', 25.4, 25.4],
    ['width="6pc" height="12pt"', 25.4, 4.2333],
  ])('%s', (attributes, width, height) => {
    const { page } = readSvgTemplate('t.svg', svg(attributes));
    expect(page!.width).toBeCloseTo(width, 3);
    expect(page!.height).toBeCloseTo(height, 3);
  });

  test('a size without a unit is doubted', () => {
    expect(readSvgTemplate('t.svg', svg('width="960" height="480"')).traps[0]).toMatchObject({
      code: 'no-unit',
    });
    expect(readSvgTemplate('t.svg', svg('width="10mm" height="5mm"')).traps).toEqual([]);
  });

  test('circles of a drill template, through the groups that move and scale them', () => {
    const { holes } = readSvgTemplate(
      'drill.svg',
      svg(
        'width="100mm" height="60mm" viewBox="0 0 1000 600"',
        '<circle cx="100" cy="200" r="35"/><g transform="translate(500 300) scale(2)"><circle cx="10" cy="20" r="5"/></g>',
      ),
    );
    expect(holes).toEqual([
      { x: 10, y: 20, diameter: 7 },
      { x: 52, y: 34, diameter: 2 },
    ]);
    const picked: Picked = { trim: { x: 5, y: 5, width: 60, height: 50 }, bleed: null, safe: null };
    const body = bodyFromTemplate('plate', picked, holes, 0);
    expect(body).toMatchObject({
      kind: 'plate',
      keepOuts: [
        { effect: 'hole', shape: { x: 5, y: 15, diameter: 7 } },
        { effect: 'hole', shape: { x: 47, y: 29, diameter: 2 } },
      ],
    });
    expect(bodyFromTemplate('wrap', picked, [], 79)).toMatchObject({ diameter: 79, partial: 60, height: 50 });
  });

  test.each([
    ['not a drawing', /not a drawing/],
    ['<svg xmlns="http://www.w3.org/2000/svg"><g>', /not a drawing/],
    ['<html></html>', /not a drawing/],
    ['<svg xmlns="http://www.w3.org/2000/svg"/>', /no size at all/],
    [svg('width="1mm" height="1mm"', '<g>'.repeat(200) + '</g>'.repeat(200)), /not a drawing/],
  ])('what is none is told: %.20s', (text, words) => {
    expect(() => readSvgTemplate('bad.svg', text)).toThrow(words);
  });
});

describe('a picture that a house gives', () => {
  const pixels = { width: 2598, height: 1087 };

  test('without density has no size until one is typed', () => {
    const reading = readingOfPicture('t.png', 'png', pixels, null);
    expect([reading.page, reading.trim]).toEqual([null, null]);
    expect(reading.traps[0]!.code).toBe('no-density');
    const sized = resized(reading, 'width', 220);
    expect(sized.page!.width).toBe(220);
    expect(sized.page!.height).toBeCloseTo((220 * 1087) / 2598, 9);
    expect(sized.traps).toEqual([]);
  });

  test('tagged for a screen is doubted', () => {
    const reading = readingOfPicture('t.png', 'png', pixels, { x: 72, y: 72 });
    expect(reading.page!.width).toBeCloseTo(916.5, 1);
    expect(reading.traps[0]!.message).toMatch(/at 300 PPI it would be 220.0 × 92.0 mm/);
    expect(readingOfPicture('t.png', 'png', pixels, { x: 300, y: 300 }).traps).toEqual([]);
  });

  test('is held against the inches the house states', () => {
    const reading = readingOfPicture('t.png', 'png', pixels, { x: 300, y: 300 });
    expect(mismatch(reading, { width: 220, height: 92 })).toBeNull();
    expect(mismatch(reading, { width: 215.9, height: 92 })?.message).toMatch(/4.1 mm apart/);
  });
});

describe('picking lines off a template', () => {
  /** White paper with a black frame 3 px wide at 40 and a pale yellow one at 80. */
  const sheet = paint(400, 300, (x, y) => {
    const on = (inset: number) => {
      const far = Math.max(Math.abs(x - 199.5) - (199.5 - inset), Math.abs(y - 149.5) - (149.5 - inset));
      return Math.abs(far) <= 1;
    };
    return on(40) ? [0, 0, 0, 255] : on(80) ? [250, 230, 60, 255] : [255, 255, 255, 255];
  });

  test('the line near a click is found to a part of a pixel, of any colour', () => {
    expect(lineAt(sheet, 43, 150)).toEqual({ direction: 'upright', at: expect.closeTo(40.5, 1) as number });
    expect(lineAt(sheet, 200, 262)).toEqual({ direction: 'level', at: expect.closeTo(259.5, 1) as number });
    expect(lineAt(sheet, 84, 150)).toEqual({ direction: 'upright', at: expect.closeTo(80.5, 1) as number });
    expect(lineAt(sheet, 200, 150)).toBeNull();
    expect(lineAt(sheet, 2, 2)).toBeNull();
  });

  test('a click moves the nearer side; the margins follow', () => {
    let picked: Picked = { trim: { x: 0, y: 0, width: 400, height: 300 }, bleed: null, safe: null };
    for (const [x, y] of [
      [41, 150],
      [359, 150],
      [200, 41],
      [200, 259],
    ] as const) {
      picked = pickLine(picked, 'trim', lineAt(sheet, x, y)!);
    }
    expect(picked.trim.x).toBeCloseTo(40.5, 1);
    expect(picked.trim.width).toBeCloseTo(319, 0);
    expect(picked.trim.height).toBeCloseTo(219, 0);
    for (const [x, y] of [
      [81, 150],
      [319, 150],
      [200, 81],
      [200, 219],
    ] as const) {
      picked = pickLine(picked, 'safe', lineAt(sheet, x, y)!);
    }
    expect(marginsOf(picked).safe).toBeCloseTo(40, 0);
    expect(marginsOf(picked).bleed).toBeNull();
    expect(
      pickLine(picked, 'trim', { direction: 'upright', at: picked.trim.x + picked.trim.width - 0.2 }),
    ).toEqual({
      ...picked,
      trim: expect.objectContaining({ x: picked.trim.x }) as Picked['trim'],
    });
  });
});
