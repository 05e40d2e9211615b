import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { readHeader } from '@/core/formats/sniff';
import type { Facts } from '@/core/artwork/facts';
import type { Engine } from '@/imaging/engine';
import { loadNodeEngine } from '@/imaging/node';
import { measureBytes } from '../support/measure';
import { few } from '../support/long';
import { pixelAt } from '../support/pictures';

/** Files written by other programs, each fact compared with what yet another reads in them. */
const folder = mkdtempSync(join(tmpdir(), 'up-fit-formats-'));
const file = (name: string) => join(folder, name);
const convert = (...args: string[]) => execFileSync('convert', args, { cwd: folder });

let engine: Engine;
beforeAll(async () => {
  engine = await loadNodeEngine();
  // A red field with a blue block in it, and the same with a clear margin.
  convert(
    '-size',
    '90x60',
    'xc:rgb(200,30,20)',
    '-fill',
    'rgb(20,60,200)',
    '-draw',
    'rectangle 30,20 59,39',
    'solid.png',
  );
  convert('solid.png', '-alpha', 'set', '-bordercolor', 'none', '-border', '10x5', 'clear.png');
});
afterAll(() => {
  engine.close();
  rmSync(folder, { recursive: true });
});

const read = (name: string) => measureBytes(engine, name, new Uint8Array(readFileSync(file(name))));

/** What exiftool says of each of some files, by tag, as numbers and words. */
function exiftool(...names: string[]): Record<string, unknown>[] {
  const text = execFileSync('exiftool', ['-json', '-n', ...names.map(file)], { encoding: 'utf8' });
  return JSON.parse(text) as Record<string, unknown>[];
}

/** PPI as exiftool gives it: PNG counts a metre, JFIF's unit 2 and TIFF's unit 3 are the centimetre. */
function densityBy(tags: Record<string, unknown>): number | null {
  if (tags['FileType'] === 'PNG')
    return tags['PixelUnits'] === 1 ? Number(tags['PixelsPerUnitX']) * 0.0254 : null;
  const x = Number(tags['XResolution'] ?? 0);
  const unit = Number(tags['ResolutionUnit'] ?? 0);
  const [inch, centimetre] = tags['FileType'] === 'JPEG' ? [1, 2] : [2, 3];
  if (x <= 0 || (unit !== inch && unit !== centimetre)) return null;
  return unit === centimetre ? x * 2.54 : x;
}

type Row = [
  name: string,
  from: string,
  options: string[],
  mode: Facts['colour']['mode'],
  bits: number,
  alpha: boolean,
];

const ROWS: Row[] = [
  [
    'bit.png',
    'solid.png',
    ['-threshold', '30%', '-define', 'png:color-type=0', '-define', 'png:bit-depth=1'],
    'grey',
    1,
    false,
  ],
  [
    'two.png',
    'solid.png',
    ['-colors', '4', '-define', 'png:color-type=3', '-define', 'png:bit-depth=2'],
    'indexed',
    2,
    false,
  ],
  [
    'four.png',
    'solid.png',
    ['-colors', '16', '-define', 'png:color-type=3', '-define', 'png:bit-depth=4'],
    'indexed',
    4,
    false,
  ],
  [
    'grey.png',
    'solid.png',
    ['-colorspace', 'gray', '-define', 'png:color-type=0', '-define', 'png:bit-depth=8'],
    'grey',
    8,
    false,
  ],
  [
    'deep-grey.png',
    'solid.png',
    ['-colorspace', 'gray', '-define', 'png:color-type=0', '-define', 'png:bit-depth=16'],
    'grey',
    16,
    false,
  ],
  [
    'deep.png',
    'solid.png',
    [
      '-define',
      'png:color-type=2',
      '-define',
      'png:bit-depth=16',
      '-density',
      '300',
      '-units',
      'PixelsPerInch',
    ],
    'rgb',
    16,
    false,
  ],
  ['interlaced.png', 'clear.png', ['-interlace', 'PNG', '-define', 'png:color-type=6'], 'rgb', 8, true],
  ['keyed.png', 'clear.png', ['-define', 'png:format=png8'], 'indexed', 8, true],
  [
    'plain.jpg',
    'solid.png',
    ['-quality', '95', '-density', '240', '-units', 'PixelsPerInch'],
    'rgb',
    8,
    false,
  ],
  [
    'progressive.jpg',
    'solid.png',
    ['-quality', '95', '-interlace', 'JPEG', '-density', '100', '-units', 'PixelsPerCentimeter'],
    'rgb',
    8,
    false,
  ],
  ['grey.jpg', 'solid.png', ['-colorspace', 'gray', '-quality', '95'], 'grey', 8, false],
  ['inks.jpg', 'solid.png', ['-colorspace', 'cmyk', '-quality', '95'], 'cmyk', 8, false],
  [
    'none.tif',
    'solid.png',
    ['-compress', 'none', '-density', '300', '-units', 'PixelsPerInch'],
    'rgb',
    8,
    false,
  ],
  [
    'lzw.tif',
    'solid.png',
    ['-compress', 'lzw', '-density', '118.11', '-units', 'PixelsPerCentimeter'],
    'rgb',
    8,
    false,
  ],
  ['zip.tif', 'clear.png', ['-compress', 'zip'], 'rgb', 8, true],
  ['packbits.tif', 'solid.png', ['-compress', 'rle'], 'rgb', 8, false],
  ['deep.tif', 'solid.png', ['-depth', '16', '-compress', 'zip'], 'rgb', 16, false],
  ['grey.tif', 'solid.png', ['-colorspace', 'gray', '-compress', 'lzw'], 'grey', 8, false],
  ['cmyk.tif', 'solid.png', ['-colorspace', 'cmyk', '-compress', 'lzw'], 'cmyk', 8, false],
  ['turned.tif', 'solid.png', ['-orient', 'RightTop'], 'rgb', 8, false],
  ['big-endian.tif', 'solid.png', ['-define', 'tiff:endian=msb'], 'rgb', 8, false],
  ['bilevel.tif', 'solid.png', ['-threshold', '30%', '-compress', 'group4'], 'grey', 1, false],
  ['lossy.webp', 'solid.png', ['-quality', '92'], 'rgb', 8, false],
  ['lossless.webp', 'clear.png', ['-define', 'webp:lossless=true'], 'rgb', 8, true],
  ['palette.gif', 'solid.png', [], 'indexed', 2, false],
  ['clear.gif', 'clear.png', [], 'indexed', 2, true],
  ['plain.avif', 'solid.png', ['-quality', '90'], 'rgb', 8, false],
];

describe('files of other programs', () => {
  const said = new Map<string, Record<string, unknown>>();
  beforeAll(() => {
    for (const [name, from, options, mode, , alpha] of ROWS) {
      const type = mode === 'rgb' ? ['-type', alpha ? 'TrueColorMatte' : 'TrueColor'] : [];
      convert(from, ...options, ...type, name);
    }
    exiftool(...ROWS.map(([name]) => name)).forEach((tags, i) => said.set(ROWS[i]![0], tags));
  });

  test.each(ROWS)('%s', async (name, _from, _options, mode, bits, alpha) => {
    const tags = said.get(name)!;
    const { facts, raster } = await read(name);
    const turned = Number(tags['Orientation'] ?? 1) >= 5;
    const [width, height] = [Number(tags['ImageWidth']), Number(tags['ImageHeight'])];
    expect(facts.pixels).toEqual(turned ? { width: height, height: width } : { width, height });
    expect(facts.colour).toMatchObject({ mode, bits });
    expect(facts.alpha.present).toBe(alpha);
    const density = densityBy(tags);
    if (density === null) expect(facts.density).toBeNull();
    else expect(facts.density?.x).toBeCloseTo(density, 1);
    if (facts.density)
      expect(facts.physical!.width).toBeCloseTo((facts.pixels!.width / facts.density.x) * 25.4, 6);
    expect(facts.alpha.opaqueBounds).toEqual(
      alpha ? { x: 10, y: 5, width: 90, height: 60 } : { x: 0, y: 0, ...facts.pixels },
    );
    if (mode === 'grey') return;
    const inset = alpha ? 10 : 0;
    const [r, g, b] = pixelAt(raster, 12 + inset, 12 + inset / 2);
    expect(r!).toBeGreaterThan(150);
    expect(Math.max(g!, b!)).toBeLessThan(80);
    const middle = pixelAt(raster, raster.width >> 1, raster.height >> 1);
    expect(middle[2]! - middle[0]!).toBeGreaterThan(80);
  });

  test('a TIFF as tiffinfo reads it: pixels, samples, bits, density', async () => {
    for (const [name, , , mode, bits] of ROWS.filter(([row]) => row.endsWith('.tif'))) {
      const told = execFileSync('tiffinfo', [file(name)], {
        encoding: 'utf8',
        stdio: ['pipe', 'pipe', 'ignore'],
      });
      const { facts } = await read(name);
      const [, width, height] = /Image Width: (\d+) Image Length: (\d+)/.exec(told)!.map(Number);
      const turned = facts.orientation >= 5;
      expect(facts.pixels).toEqual(turned ? { width: height, height: width } : { width, height });
      expect(facts.colour.bits).toBe(Number(/Bits\/Sample: (\d+)/.exec(told)?.[1] ?? bits));
      const photometric = { grey: /min-is-(black|white)/, rgb: /RGB/, cmyk: /separated/ }[mode as 'rgb'];
      expect(told).toMatch(photometric);
    }
  });

  test('another page of a TIFF is measured when it is chosen', async () => {
    convert('solid.png', 'clear.png', 'two-pages.tif');
    const bytes = new Uint8Array(readFileSync(file('two-pages.tif')));
    const { facts } = await measureBytes(engine, 'two-pages.tif', bytes, {
      steps: [{ kind: 'page', page: 1 }],
    });
    expect(facts).toMatchObject({
      page: 1,
      pageCount: 2,
      pixels: { width: 110, height: 70 },
      alpha: { present: true },
    });
  });

  test('several pages and pictures that move: the first is used, and said', async () => {
    convert('solid.png', 'clear.png', 'solid.png', 'pages.tif');
    const pages = (await read('pages.tif')).facts;
    expect(pages.notes).toContainEqual({ code: 'pages', message: 'It has 3 pages: the first is used.' });
    for (const name of ['moves.gif', 'moves.webp']) {
      convert('-delay', '20', 'solid.png', '(', 'solid.png', '-negate', ')', name);
      const { facts, raster } = await read(name);
      expect(facts.notes.map(({ code }) => code)).toEqual(['animated']);
      expect([raster.width, raster.height]).toEqual([90, 60]);
    }
  });

  test('a profile in a TIFF or a WebP is read by its own name', async () => {
    const header = (name: string) => readHeader(name, new Uint8Array(readFileSync(file(name))));
    const inks = engine.encodeCmykJpeg((await read('solid.png')).raster, { ppi: 300, profile: true });
    execFileSync('convert', ['jpg:-', 'inks.tif'], { cwd: folder, input: inks });
    expect(exiftool('inks.tif')[0]!['ProfileDescription']).toBe(header('inks.tif').colour.profile);
    expect((await read('inks.tif')).facts).toMatchObject({ colour: { mode: 'cmyk' } });
  });

  test.each(few(ROWS, 8).map(([name]) => [name]))(
    '%s cut anywhere is answered with facts or a reason',
    async (name) => {
      const whole = new Uint8Array(readFileSync(file(name)));
      for (const part of [0.1, 0.4, 0.7, 0.95]) {
        const cut = whole.slice(0, Math.floor(whole.length * part));
        const answer = await measureBytes(engine, name, cut).then(
          ({ facts }) => facts.format,
          (error: { code: string }) => error.code,
        );
        expect([
          'unreadable',
          'unsupported',
          'too-large',
          'png',
          'jpeg',
          'tiff',
          'webp',
          'gif',
          'avif',
        ]).toContain(answer);
      }
    },
  );
});
