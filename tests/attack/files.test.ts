import { bytesSource } from '@/core/formats/source';
import { UpFitError } from '@/core/errors';
import { layOut } from '@/core/sheet/layout';
import { newSheet, SheetSchema, type Sheet } from '@/core/sheet/schema';
import { few } from '../support/long';
import { measureArtwork, type Readers } from '@/files/artwork';
import { addressesIn, rulesIn } from '@/files/svg/css';
import { cleanDrawing } from '@/files/svg/clean';
import { nodePages } from '@/files/pdf/node';
import type { Engine } from '@/imaging/engine';
import { loadNodeEngine } from '@/imaging/node';
import * as v from 'valibot';

let engine: Engine;
let readers: Readers;
beforeAll(async () => {
  engine = await loadNodeEngine();
  readers = { engine, drawPage: nodePages() };
});
afterAll(() => {
  engine.close();
});

const svg = (inner: string, root = 'width="40mm" height="30mm" viewBox="0 0 400 300"') =>
  `<svg xmlns="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink" ${root}>${inner}</svg>`;
const measure = (name: string, text: string) =>
  measureArtwork(readers, { name, source: bytesSource(new TextEncoder().encode(text)) });

/** What is said of a file that is not taken: in our own words, whatever the program under it said. */
async function refused(name: string, text: string): Promise<string> {
  try {
    await measure(name, text);
  } catch (error) {
    if (!(error instanceof UpFitError)) throw error;
    expect(error.message).not.toMatch(/vips|resvg|Error:|at .*:\d+|undefined|NaN/);
    return error.message;
  }
  throw new Error(`${name} was taken.`);
}

describe('values and style sheets that are made to be slow', () => {
  // Each of these took a pattern that looks back seconds to hours; here they are read in one pass.
  test.each<[what: string, value: string]>([
    ['an address of spaces that is never closed', `url(${' '.repeat(300_000)}`],
    ['a hundred thousand addresses that are never closed', 'url( '.repeat(100_000)],
    ['quotes within quotes', `url(${'"\''.repeat(100_000)})`],
  ])('%s', (_, value) => {
    expect(() =>
      cleanDrawing('x.svg', svg(`<rect width="9" height="9" fill="${value.replace(/"/g, "'")}"/>`)),
    ).not.toThrow();
  });

  test.each<[what: string, sheet: string]>([
    ['at-rules that never end', '@'.repeat(300_000)],
    ['comments that never end', '/*'.repeat(300_000)],
    ['braces that never close', 'a{'.repeat(200_000)],
    ['blocks within at-rules', `@media x{${'b{c:d}'.repeat(50_000)}`],
  ])('%s', (_, sheet) => {
    expect(() =>
      cleanDrawing('x.svg', svg(`<style>${sheet}</style><rect width="9" height="9"/>`)),
    ).not.toThrow();
  });

  test('what is plain is read as before', () => {
    expect(addressesIn("url(#a) red URL( '#b' )")).toEqual(['#a', '#b']);
    expect(addressesIn('url(#a')).toBeNull();
    expect(addressesIn('red')).toEqual([]);
    expect(
      rulesIn('/* x */ .a, b > c { fill: red } @import "x"; @media print { d { e: f } g { h: i } } #j{k:l}'),
    ).toEqual([
      { selector: '.a, b > c', body: 'fill: red' },
      { selector: '#j', body: 'k:l' },
    ]);
  });
});

describe('drawings that ask for more than they are', () => {
  const doubled = (levels: number, refer: (id: string) => string) =>
    Array.from({ length: levels }, (_, i) => `<g id="l${i + 1}">${refer(`l${i}`)}${refer(`l${i}`)}</g>`).join(
      '',
    );

  test('references that double, by use, by a style sheet, and by markers at every corner', async () => {
    const leaf = '<g id="l0"><rect width="1" height="1"/></g>';
    const use = (id: string) => `<use xlink:href="#${id}"/>`;
    expect(await refused('use.svg', svg(`<defs>${leaf}${doubled(30, use)}</defs>${use('l30')}`))).toMatch(
      /over and over/,
    );
    const pattern = (id: string, inner: string) =>
      `<pattern id="${id}" width="4" height="4" patternUnits="userSpaceOnUse">${inner}</pattern>`;
    const cells = Array.from({ length: 600 }, () => '<rect class="p" width="1" height="1"/>').join('');
    const sheet = '<style>.p{fill:url(#deep)}</style>';
    expect(await refused('sheet.svg', svg(`${sheet}<defs>${pattern('deep', cells)}</defs>${cells}`))).toMatch(
      /over and over/,
    );
    const marker = `<marker id="m" markerWidth="2" markerHeight="2">${'<circle r="1"/>'.repeat(300)}</marker>`;
    const line = `<polyline points="${'1 2 '.repeat(2_000)}" marker-mid="url(#m)"/>`;
    expect(await refused('marker.svg', svg(`<defs>${marker}</defs>${line}`))).toMatch(/over and over/);
  });

  test('selectors against elements, and layers upon layers', async () => {
    const rules = Array.from({ length: 6_000 }, (_, i) => `.a${i} .b${i}{fill:red}`).join('');
    const cells = '<rect width="1" height="1"/>'.repeat(6_000);
    expect(await refused('rules.svg', svg(`<style>${rules}</style>${cells}`))).toMatch(/over and over/);
    const blur = '<filter id="f"><feGaussianBlur stdDeviation="9"/></filter>';
    const blurred = '<rect width="9" height="9" filter="url(#f)"/>'.repeat(2_500);
    expect(await refused('blur.svg', svg(`<defs>${blur}</defs>${blurred}`))).toMatch(/filters/);
  });

  test('a drawing as people make them, with all of that in small, is taken', async () => {
    const marker = '<marker id="m" markerWidth="2" markerHeight="2"><circle r="1"/></marker>';
    const blur = '<filter id="f"><feGaussianBlur stdDeviation="2"/></filter>';
    const { facts } = await measure(
      'plain.svg',
      svg(
        `<style>.p{fill:#204060} g > .q{stroke:red}</style><defs>${marker}${blur}</defs>` +
          '<g><rect class="p" width="200" height="200"/><polyline class="q" points="0 0 90 90 200 10" marker-mid="url(#m)"/>' +
          '<circle cx="300" cy="100" r="60" filter="url(#f)"/></g>',
      ),
    );
    expect(facts.physical).toEqual({ width: 40, height: 30 });
  });
});

describe('sizes that nothing has', () => {
  test.each([
    ['of a thousandth of a millimetre', 'width="0.001mm" height="0.001mm" viewBox="0 0 9 9"'],
    ['of a mile', 'width="2000000mm" height="30mm" viewBox="0 0 9 9"'],
    ['past all numbers', 'width="1e307" height="1e307" viewBox="0 0 9 9"'],
  ])('a drawing %s says so', async (_, root) => {
    expect(await refused('odd.svg', svg('<rect width="9" height="9"/>', root))).toMatch(
      /says that it is .* mm/,
    );
  });

  test.each([
    ['a user unit of 1e9', '/MediaBox [0 0 100 100] /UserUnit 1000000000'],
    ['a box of nothing', '/MediaBox [0 0 0.001 0.001]'],
  ])('a page with %s says so', async (_, entries) => {
    expect(await refused('odd.pdf', pdf([`<< /Type /Page /Parent 2 0 R ${entries} >>`]))).toMatch(
      /mm: export it/,
    );
  });
});

describe('page trees', () => {
  test('whose branches are used twice at every level, and ones that lead round, are told in words', async () => {
    const levels = 40;
    const nodes = Array.from(
      { length: levels },
      (_, i) => `<< /Type /Pages /Kids [${i + 4} 0 R ${i + 4} 0 R] /Count 2 >>`,
    );
    const leaf = '<< /Type /Page /Parent 2 0 R /MediaBox [0 0 100 100] >>';
    expect(await refused('tree.pdf', pdf([...nodes, leaf]))).toMatch(/more than 2,000 pages/);
    expect(await refused('round.pdf', pdf(['<< /Type /Pages /Kids [2 0 R] /Count 1 >>']))).toMatch(
      /cannot be read/,
    );
  });

  test('a plain one is read', async () => {
    const { facts } = await measure(
      'plain.pdf',
      pdf(['<< /Type /Page /Parent 2 0 R /MediaBox [0 0 144 72] >>']),
    );
    expect(facts.physical!.width).toBeCloseTo(50.8, 6);
  });
});

describe('pages that draw without end', () => {
  const stream = (content: string, entries = '') =>
    `<< /Length ${content.length} ${entries} >>\nstream\n${content}\nendstream`;
  const page = (resources: string, ...objects: string[]) =>
    pdf([
      `<< /Type /Page /Parent 2 0 R /MediaBox [0 0 300 300] /Contents 4 0 R /Resources << ${resources} >> >>`,
      ...objects,
    ]);
  /** Forms in forms, each drawn so often in the one around it. */
  const nested = (deep: number, times: number, group = '', side = 300) =>
    page(
      '/XObject << /F 5 0 R >>',
      stream('/F Do'),
      ...Array.from({ length: deep }, (_, i) =>
        stream(
          i < deep - 1 ? '/F Do '.repeat(times) : '10 10 200 200 re f',
          `/Type /XObject /Subtype /Form /BBox [0 0 ${side} ${side}] ${group} /Resources << /XObject << /F ${i + 6} 0 R >> >>`,
        ),
      ),
    );
  const layer = '/Group << /S /Transparency >>';
  const picture = (side: number) =>
    page(
      '/XObject << /F 5 0 R >>',
      stream('q 300 0 0 300 0 0 cm /F Do Q'),
      stream(
        '\0',
        `/Type /XObject /Subtype /Image /Width ${side} /Height ${side} /ColorSpace /DeviceGray /BitsPerComponent 8`,
      ),
    );
  const dashed = (period: number, strokes: number, scale = 1) =>
    page(
      '',
      stream(
        `${scale} 0 0 ${scale} 0 0 cm [${period} ${period}] 0 d ${'0 0 m 300 300 l S '.repeat(strokes)}`,
      ),
    );

  test.each([
    ['forms that are drawn ten times in each other', nested(9, 10)],
    ['forms deeper than pages may be nested', nested(40, 1)],
    ['layers that are drawn ten times in each other', nested(6, 10, layer)],
    ['more steps than any page has', page('', stream('q '.repeat(3_100_000)))],
    ['dashes that nobody sees', dashed(0.001, 2000)],
    ['dashes that nobody sees once they are scaled', dashed(1, 2000, 0.001)],
    ['a picture of 400 megapixels', picture(20_000)],
  ])('%s are told before they are drawn', async (_, text) => {
    expect(await refused('page.pdf', text)).toMatch(
      /draws more than can be looked at here: save it flattened/,
    );
  });

  const MADE: [string, string][] = [
    ['forms in forms', nested(4, 10)],
    ['layers in layers', nested(3, 6, layer)],
    ['thousands of small layers', nested(3, 40, layer, 6)],
    ['many dashed lines', dashed(3, 500)],
    [
      'lines after fine dashes that were put away',
      page('', stream(`q [0.001 0.001] 0 d Q ${'0 0 m 300 300 l S '.repeat(2_000)}`)),
    ],
    ['a large picture', picture(2_000)],
  ];
  test.each(few(MADE, 3))('%s, as people make them, are read', async (_, text) => {
    expect((await measure('page.pdf', text)).facts.physical!.width).toBeCloseTo(105.833, 3);
  });
});

/** A PDF of a catalog, a root of pages with one kid, and objects from number 3 on. */
function pdf(objects: readonly string[]): string {
  const all = ['<< /Type /Catalog /Pages 2 0 R >>', '<< /Type /Pages /Kids [3 0 R] /Count 1 >>', ...objects];
  let text = '%PDF-1.7\n';
  const offsets = all.map((object, i) => {
    const at = text.length;
    text += `${i + 1} 0 obj\n${object}\nendobj\n`;
    return at;
  });
  const start = text.length;
  const rows = offsets.map((at) => `${String(at).padStart(10, '0')} 00000 n \n`).join('');
  return `${text}xref\n0 ${all.length + 1}\n0000000000 65535 f \n${rows}trailer << /Size ${all.length + 1} /Root 1 0 R >>\nstartxref\n${start}\n%%EOF`;
}

describe('sheets that are well formed and absurd', () => {
  const print = { fitId: 'f', faceId: 'a', name: 'Print', width: 200, height: 90, bleed: 2 };
  const sheet = (change: Partial<Sheet>): Sheet => ({
    ...newSheet('s', 'S'),
    items: [{ fitId: 'f', faceId: 'a', copies: 12 }],
    ...change,
  });
  const paper = (width: number, height: number | null) => ({ name: 'own', width, height });

  test.each<[what: string, change: Partial<Sheet>, said: RegExp]>([
    ['margins that leave nothing', { paper: paper(60, 60), margin: 29 }, /less than 20 mm/],
    [
      'a print over thousands of sheets',
      { paper: paper(40, 40), margin: 9, overlap: 500 },
      /more than 400 sheets|less than/,
    ],
    [
      'more copies than anybody presses',
      { items: Array.from({ length: 9 }, () => ({ fitId: 'f', faceId: 'a', copies: 2000 })) },
      /5000 at most/,
    ],
    [
      'a roll of a mile',
      {
        paper: paper(220, null),
        items: Array.from({ length: 2 }, () => ({ fitId: 'f', faceId: 'a', copies: 2000 })),
      },
      /more than 60 m/,
    ],
  ])('%s are said at once', (_, change, said) => {
    const { troubles, laid } = layOut(sheet(change), [print]);
    expect(troubles.join(' ')).toMatch(said);
    expect(laid).toEqual([]);
  });

  test.each([
    ['a spot at 1e9 mm', { placed: [{ fitId: 'f', faceId: 'a', sheet: 0, x: 1e9, y: 0, turned: false }] }],
    ['an overlap as large as the sheet', { overlap: 4000 }],
    ['a paper of 12 mm', { paper: paper(12, 12) }],
    ['an endless paper', { paper: paper(1e12, 100) }],
    [
      'a million items',
      { items: Array.from({ length: 2001 }, () => ({ fitId: 'f', faceId: 'a', copies: 1 })) },
    ],
  ])('%s is no sheet', (_, change) => {
    expect(v.safeParse(SheetSchema, sheet(change as Partial<Sheet>)).success).toBe(false);
  });
});
