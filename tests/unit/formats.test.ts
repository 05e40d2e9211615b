import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { readHeader } from '@/core/artwork/sniff';
import type { Facts } from '@/core/artwork/facts';
import type { Engine } from '@/imaging/engine';
import { loadNodeEngine } from '@/imaging/node';
import { measureBytes } from '../support/measure';
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

/** What exiftool says of a file, by tag, as numbers and words. */
function exiftool(name: string): Record<string, unknown> {
  const text = execFileSync('exiftool', ['-json', '-n', file(name)], { encoding: 'utf8' });
  return (JSON.parse(text) as Record<string, unknown>[])[0]!;
}

/** PPI as exiftool gives it: its unit 3 is the centimetre. */
function densityBy(tags: Record<string, unknown>): number | null {
  const x = Number(tags['XResolution'] ?? 0);
  return x > 0 && tags['ResolutionUnit'] !== 1 ? x * (tags['ResolutionUnit'] === 3 ? 2.54 : 1) : null;
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
  test.each(ROWS)('%s', async (name, from, options, mode, bits, alpha) => {
    const type = mode === 'rgb' ? ['-type', alpha ? 'TrueColorMatte' : 'TrueColor'] : [];
    convert(from, ...options, ...type, name);
    const tags = exiftool(name);
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
    expect(exiftool('inks.tif')['ProfileDescription']).toBe(header('inks.tif').colour.profile);
    expect((await read('inks.tif')).facts).toMatchObject({ colour: { mode: 'cmyk' } });
  });

  test.each(ROWS.map(([name]) => [name]))(
    '%s cut anywhere is answered with facts or a reason',
    async (name) => {
      const whole = new Uint8Array(readFileSync(file(name)));
      for (const part of [0.1, 0.4, 0.7, 0.95]) {
        const cut = whole.slice(0, Math.floor(whole.length * part));
        const answer = await measureBytes(engine, name, cut).then(
          ({ facts }) => facts.format,
          (error: { code: string }) => error.code,
        );
        expect(['unreadable', 'unsupported', 'too-large', 'tiff', 'webp', 'gif', 'avif']).toContain(answer);
      }
    },
  );
});
