import type { UpFitError } from '@/core/errors';
import { combined, IDENTITY, moved, scales } from '@/core/geometry/matrix';
import { bytesSource } from '@/core/formats/source';
import { words } from '@/core/raster/raster';
import { cleanDrawing, type CleanOptions } from '@/files/svg/clean';
import { partAt } from '@/files/svg/part';
import { readSvgSize } from '@/files/svg/size';
import { readTransform } from '@/files/svg/transform';
import type { Engine } from '@/imaging/engine';
import { loadNodeEngine } from '@/imaging/node';
import fc from 'fast-check';
import { measureBytes } from '../support/measure';
import { pixelAt, solid } from '../support/pictures';
import { runs } from '../support/long';

let engine: Engine;
beforeAll(async () => {
  engine = await loadNodeEngine();
});
afterAll(() => {
  engine.close();
});

const bytes = (text: string) => new TextEncoder().encode(text);
const drawing = (inner: string, root = 'width="100" height="50"') =>
  `<svg xmlns="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink" ${root}>${inner}</svg>`;
const clean = (inner: string, options?: CleanOptions) => {
  const found = cleanDrawing('a.svg', drawing(inner), options);
  return { ...found, out: found.svg({ width: 100, height: 50 }) };
};
const refusal = (text: string): UpFitError => {
  try {
    cleanDrawing('a.svg', text);
  } catch (error) {
    return error as UpFitError;
  }
  throw new Error('it was taken');
};

describe('the true size of a drawing', () => {
  test.each([
    ['width="100mm" height="50mm"', 100, 50, true],
    ['width="4in" height="2in"', 101.6, 50.8, true],
    ['width="10cm" height="36pt"', 100, 12.7, true],
    ['width="6pc" height="200q"', 25.4, 50, true],
    ['width="96" height="48px"', 25.4, 12.7, false],
    ['viewBox="0 0 192 96"', 50.8, 25.4, false],
    ['width="100%" height="100%" viewBox="5 5 96 96"', 25.4, 25.4, false],
    ['width="60mm" viewBox="0 0 30 10"', 60, 20, true],
    ['height="20mm" viewBox="0 0 30 10"', 60, 20, true],
    ['width="2em" height="1em"', 32 * (25.4 / 96), 16 * (25.4 / 96), false],
  ])('%s', (root, width, height, stated) => {
    const attributes = Object.fromEntries(
      [...root.matchAll(/(\w+)="([^"]*)"/g)].map(([, key, value]) => [key, value]),
    ) as Record<string, string>;
    const size = readSvgSize(attributes)!;
    expect(size.width).toBeCloseTo(width, 6);
    expect(size.height).toBeCloseTo(height, 6);
    expect(size.stated).toBe(stated);
  });

  test('without any size it is refused in a sentence', () => {
    expect(readSvgSize({ width: '100%' })).toBeNull();
    expect(refusal('<svg xmlns="http://www.w3.org/2000/svg"><rect/></svg>').message).toMatch(
      /^“a\.svg”.*\.$/,
    );
  });
});

describe('transforms', () => {
  test.each([
    ['translate(10 20)', 1, 1, 11, 21],
    ['translate(10)', 1, 1, 11, 1],
    ['scale(2)', 3, 4, 6, 8],
    ['scale(2,-1)', 3, 4, 6, -4],
    ['rotate(90)', 1, 0, 0, 1],
    ['rotate(90, 5, 5)', 10, 5, 5, 10],
    ['skewX(45)', 0, 2, 2, 2],
    ['skewY(45)', 2, 0, 2, 2],
    ['matrix(1 2 3 4 5 6)', 1, 1, 9, 12],
    ['translate(10,0) scale(3)', 1, 1, 13, 3],
    ['wobble(3)', 7, 8, 7, 8],
    ['scale(two)', 7, 8, 7, 8],
  ])('%s', (text, x, y, toX, toY) => {
    const to = moved(readTransform(text), x, y);
    expect(to.x).toBeCloseTo(toX, 9);
    expect(to.y).toBeCloseTo(toY, 9);
  });

  test('one after the other is what both do', () => {
    const number = fc.double({ min: -9, max: 9, noNaN: true });
    const matrix = fc.tuple(number, number, number, number, number, number);
    fc.assert(
      fc.property(matrix, matrix, number, number, (outer, inner, x, y) => {
        const once = moved(inner, x, y);
        const twice = moved(outer, once.x, once.y);
        const both = moved(combined(outer, inner), x, y);
        expect(both.x).toBeCloseTo(twice.x, 6);
        expect(both.y).toBeCloseTo(twice.y, 6);
      }),
    );
    expect(combined(IDENTITY, IDENTITY)).toEqual(IDENTITY);
    expect(scales(readTransform('rotate(30) scale(2 5)')).y).toBeCloseTo(5, 9);
  });
});

describe('a drawing made safe', () => {
  test.each([
    ['<script>alert(1)</script>', 'script'],
    ['<rect onclick="x()" width="9" height="9"/>', 'event handler'],
    ['<image href="http://far.example/x.png" width="9" height="9"/>', 'outside address'],
    ['<image xlink:href="file:///etc/passwd" width="9" height="9"/>', 'outside address'],
    ['<image href="data:image/svg+xml;base64,PHN2Zy8+" width="9" height="9"/>', 'outside address'],
    ['<use href="other.svg#a"/>', 'outside address'],
    ['<rect fill="url(http://far.example/#g)" width="9" height="9"/>', 'outside address'],
    ['<rect style="fill:url(//far.example/g)" width="9" height="9"/>', 'outside address'],
    ['<style>@import url("http://far.example/a.css");</style>', 'outside address'],
    [
      '<foreignObject><body xmlns="http://www.w3.org/1999/xhtml"><p>hi</p></body></foreignObject>',
      'foreignObject',
    ],
    ['<animate attributeName="x" to="1"/>', 'animate'],
    ['<iframe src="x"/>', 'iframe'],
  ])('%s is left out, and said', (inner, what) => {
    const { out, refused } = clean(`${inner}<rect id="kept" width="5" height="5"/>`);
    expect(refused).toContain(what);
    expect(out).toContain('id="kept"');
    expect(out.replace(/xmlns(:xlink)?="[^"]*"/g, '')).not.toMatch(
      /script|onclick|far\.example|passwd|http|import|foreign|animate|iframe|svg\+xml/i,
    );
  });

  test('what only draws stays: gradients, classes, clips, pictures written into it', () => {
    const picture = Buffer.from(engine.encodePng(solid(4, 4), { ppi: 72, use: 'preview' })).toString(
      'base64',
    );
    const { out, refused } = clean(
      '<defs><linearGradient id="g"><stop offset="0" stop-color="red"/></linearGradient></defs>' +
        '<style>/* a */ .a{fill:url(#g)} @media print{.a{fill:red}} .b{fill:url(http://x/y)}</style>' +
        `<g clip-path="url(#c)"><rect class="a" width="9" height="9"/></g><image href="data:image/png;base64,${picture}"/>`,
    );
    expect(refused).toEqual([]);
    expect(out).toContain('.a{fill:url(#g)}');
    expect(out).not.toMatch(/media|http:\/\/x/);
    expect(out).toContain('clip-path="url(#c)"');
    expect(out).toContain(`data:image/png;base64,${picture}`);
  });

  test('whatever it holds, what comes out refers to nothing outside and reads as a drawing again', () => {
    const nasty = fc.constantFrom(
      'javascript:alert(1)',
      'url(http://x)',
      'url( "//x" )',
      'u\\72l(http://x)',
      '"><script>',
      '&lt;script&gt;',
      '#a',
      'red',
    );
    const tag = fc.constantFrom('rect', 'g', 'a', 'image', 'use', 'style', 'script', 'text', 'path', 'set');
    const key = fc.constantFrom(
      'href',
      'xlink:href',
      'fill',
      'style',
      'onload',
      'class',
      'd',
      'filter',
      'id',
    );
    const escaped = (text: string) =>
      text.replace(/&/g, '&amp;').replace(/"/g, '&quot;').replace(/</g, '&lt;');
    fc.assert(
      fc.property(tag, key, nasty, nasty, (name, attribute, value, text) => {
        const { out } = clean(`<${name} ${attribute}="${escaped(value)}">${escaped(text)}</${name}>`);
        const bare = out.replace(/xmlns(:xlink)?="[^"]*"/g, '');
        expect(bare).not.toMatch(/<script|javascript|http:|\/\/x|\son\w+=|\\/i);
        expect(cleanDrawing('again.svg', out).refused).toEqual([]);
      }),
      runs(300),
    );
  });

  test('an entity bomb expands to nothing; a plain entity of a drawing program does', () => {
    const bomb =
      '<!DOCTYPE svg [<!ENTITY a "aaaaaaaaaa"><!ENTITY b "&a;&a;&a;&a;&a;&a;&a;&a;"><!ENTITY c "&b;&b;&b;&b;&b;&b;&b;">]>' +
      drawing('<text>&c;</text>');
    expect(refusal(bomb).code).toBe('unreadable');
    const file = `<!DOCTYPE svg [<!ENTITY ns_svg "http://www.w3.org/2000/svg">]><svg xmlns="&ns_svg;" width="9" height="9"><rect width="9" height="9"/></svg>`;
    expect(cleanDrawing('a.svg', file).parts).toBe(1);
    const outside = `<!DOCTYPE svg [<!ENTITY x SYSTEM "file:///etc/passwd">]>${drawing('<text>&x;</text>')}`;
    expect(refusal(outside).code).toBe('unreadable');
  });

  test('shapes that refer to one another by the billion are refused before they are drawn', () => {
    const level = (n: number) => `<g id="l${n}">${`<use href="#l${n + 1}"/>`.repeat(10)}</g>`;
    const inner = `<defs>${[1, 2, 3, 4, 5, 6, 7, 8].map(level).join('')}<rect id="l9" width="1" height="1"/></defs><use href="#l1"/>`;
    expect(refusal(drawing(inner)).code).toBe('too-large');
    expect(() => clean('<g id="self"><use href="#self"/></g>')).not.toThrow();
  });

  test('nesting beyond reason, and what is no drawing, are refused', () => {
    expect(refusal(drawing('<g>'.repeat(200) + '</g>'.repeat(200))).code).toBe('unreadable');
    for (const text of ['<html/>', '<svg', 'plain words', '<svg xmlns="x"><g></svg>'])
      expect(refusal(text).code).toBe('unreadable');
  });
});

describe('what is told of a drawing', () => {
  test('live text is left out, and its words are said', async () => {
    const file = bytes(
      drawing('<rect width="9" height="9"/><text x="1">Keep <tspan>the\n light</tspan></text>'),
    );
    const { facts } = await measureBytes(engine, 'a.svg', file);
    expect(facts.notes).toContainEqual({
      code: 'live-text',
      message: expect.stringContaining('“Keep the light”') as string,
    });
    expect(facts).toMatchObject({ format: 'svg', pixels: null, density: null, detail: null });
    expect(facts.physical!.width).toBeCloseTo((100 * 25.4) / 96, 6);
  });

  test('a picture inside has the PPI of its place, through every transform round it', () => {
    const picture = Buffer.from(engine.encodePng(solid(300, 150), { ppi: 72, use: 'preview' })).toString(
      'base64',
    );
    const image = (attributes: string) => `<image href="data:image/png;base64,${picture}" ${attributes}/>`;
    const ppi = (inner: string) =>
      cleanDrawing('a.svg', drawing(inner, 'width="100mm" height="50mm" viewBox="0 0 200 100"')).images[0]!
        .ppi;
    // 1 user unit is half a millimetre: 100 units are 50 mm, so 300 px there are 152.4 PPI.
    expect(ppi(image('width="100" height="50"')).x).toBeCloseTo(152.4, 6);
    expect(ppi(`<g transform="scale(2) rotate(30)">${image('width="100" height="50"')}</g>`).x).toBeCloseTo(
      76.2,
      6,
    );
    // In a box of another proportion it keeps its own, or is cut, or is stretched.
    expect(ppi(image('width="100" height="100"')).x).toBeCloseTo(152.4, 6);
    expect(ppi(image('width="100" height="100" preserveAspectRatio="xMidYMid slice"')).x).toBeCloseTo(
      76.2,
      6,
    );
    expect(ppi(image('width="100" height="100" preserveAspectRatio="none"'))).toEqual({
      x: expect.closeTo(152.4, 6) as number,
      y: expect.closeTo(76.2, 6) as number,
    });
  });

  test('it is drawn to the last pixel of the size asked for', async () => {
    const file = drawing(
      '<rect width="80" height="60" fill="#c81e14"/>',
      'width="80mm" height="60mm" viewBox="0 0 80 60"',
    );
    const { facts, raster } = await measureBytes(engine, 'a.svg', bytes(file));
    expect(facts.grid).toEqual({ width: 2048, height: 1536 });
    expect(facts.alpha.present).toBe(false);
    expect(pixelAt(raster, 2047, 1535)).toEqual([200, 30, 20, 255]);
    expect(facts.inks).toBe(1);
  });
});

describe('parts of a drawing', () => {
  const inner =
    '<rect width="100" height="50" fill="#f4e6bd"/><g><circle cx="25" cy="25" r="15" fill="#17358b" opacity="0.5"/></g>' +
    '<defs><rect id="d" width="9" height="9"/></defs><path d="M60 10H90" style="fill:none;stroke:#d8231f;stroke-width:4"/>';
  const at = (x: number, y: number) =>
    partAt(engine, 'a.svg', bytesSource(bytes(drawing(inner))), { x: x / 100, y: y / 50 });

  test('a click tells which it met, the uppermost first; definitions are none', () => {
    expect(cleanDrawing('a.svg', drawing(inner)).parts).toBe(3);
    expect(at(25, 25)).toBe(1);
    expect(at(75, 10.5)).toBe(2);
    expect(at(75, 30)).toBe(0);
    expect(
      partAt(engine, 'b.svg', bytesSource(bytes(drawing('<circle r="9" fill="none"/>'))), { x: 0, y: 0 }),
    ).toBeNull();
  });

  test('left out, they are not drawn; the others keep their numbers', async () => {
    const file = bytes(drawing(inner));
    const whole = await measureBytes(engine, 'a.svg', file);
    const without = await measureBytes(engine, 'a.svg', file, { steps: [{ kind: 'omit', parts: [0] }] });
    expect(whole.facts.alpha.share).toBe(1);
    expect(without.facts.alpha.share).toBeLessThan(0.3);
    expect(words(without.raster)[0]).toBe(0);
    expect(clean(inner, { omit: [0, 2] }).parts).toBe(3);
    expect(clean(inner, { omit: [0, 2] }).out).not.toMatch(/f4e6bd|d8231f/);
  });
});
