import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { PNG } from 'pngjs';
import { newFill } from '@/core/fit/place';
import { firstLettering, newText } from '@/core/fit/text';
import type { Piece } from '@/core/fit/schema';
import { layersOf } from '@/core/render/layers';
import { layText } from '@/core/type/layout';
import type { PrintFormat } from '@/core/formats/registry';
import { planPrint } from '@/core/print/plan';
import { writePrint } from '@/files/print';
import type { Engine } from '@/imaging/engine';
import { loadNodeEngine } from '@/imaging/node';
import { blankById, faceOf, pieceAt, shown } from '../support/fits';
import { paint } from '../support/pictures';
import { face as typeface } from '../support/font';
import { difference, pdfDrawn } from '../support/redrawn';
import { longTest } from '../support/long';

const folder = mkdtempSync(join(tmpdir(), 'up-fit-print-'));
let engine: Engine;
beforeAll(async () => {
  engine = await loadNodeEngine();
});
afterAll(() => {
  engine.close();
  rmSync(folder, { recursive: true });
});

const mug = blankById('mug-325');
const taper = blankById('tumbler-taper-480');
const picture = paint(120, 80, (x, y) => [x * 2, y * 3, 90, x < 20 ? 120 : 255]);

function words(x: number, y: number, change: Partial<Piece> = {}): Piece {
  const lettering = {
    ...firstLettering('archivo-narrow', '#c02010', 8),
    lines: ['GULLWICK', 'keep the light', 'by volunteers', '1874'].map((text) => ({ text, gap: null })),
    equalWidth: 60,
    outline: { width: 0.8, colour: '#ffffff' },
    bend: { kind: 'arc' as const, sweep: 1 },
  };
  return { ...newText('words', lettering, layText(lettering, typeface())!, { x, y }), ...change } as Piece;
}

async function write(
  format: PrintFormat,
  blank: typeof mug,
  pieces: Piece[],
  mirror = false,
): Promise<string> {
  const face = faceOf(blank);
  const plan = planPrint(blank, face, { format, mode: 'rgb', ppi: 45, mirrored: mirror });
  const asked = { title: 'Test', blank, sides: [{ face, pieces }], plan, press: null };
  const { bytes } = await writePrint(engine, asked, shown(picture));
  const path = join(folder, `print.${format}`);
  writeFileSync(path, bytes);
  return path;
}

/** A file as another program draws it, at so many pixels across. */
function drawn(path: string, across: number): PNG {
  if (path.endsWith('.pdf')) return pdfDrawn(path, across);
  const raster = engine.drawSvg(readFileSync(path, 'utf8'), across);
  const png = new PNG({ width: raster.width, height: raster.height });
  png.data.set(raster.data);
  return png;
}

const layouts = [
  ['mug-325', mug, 111, 46],
  ['tumbler-taper-480', taper, 140, 75],
] as const;

describe.each(layouts)('%s', (_, blank, x, y) => {
  const pieces: Piece[] = [
    newFill('ground', '#dfe8ea'),
    pieceAt(x - 40, y, 60, 40, { id: 'art', rotation: 0.2 }),
    words(x + 10, y),
  ];

  test.each(['pdf', 'svg'] as const)(
    '%s: lettering is paths, no text and no fonts, and it looks as the PNG does',
    async (kind) => {
      const png = PNG.sync.read(readFileSync(await write('png', blank, pieces)));
      const path = await write(kind, blank, pieces);
      const again = drawn(path, png.width);
      expect(Math.abs(again.height - png.height)).toBeLessThanOrEqual(1);
      expect(difference(png, again)).toBeLessThan(2.5);
      if (kind === 'svg') {
        const svg = readFileSync(path, 'utf8');
        expect(svg).not.toMatch(/<text|font/);
        expect(svg.match(/<path [^>]*fill="#c02010"/g)).toHaveLength(1);
        expect(svg.match(/<image /g)).toHaveLength(1);
      } else {
        execFileSync('qpdf', ['--check', path]);
        expect(execFileSync('pdffonts', [path], { encoding: 'utf8' }).trim().split('\n')).toHaveLength(2);
        expect(execFileSync('pdftotext', [path, '-'], { encoding: 'utf8' }).trim()).toBe('');
      }
    },
  );

  test('mirrored, all of it is flipped once', async () => {
    const png = PNG.sync.read(readFileSync(await write('png', blank, pieces, true)));
    const again = drawn(await write('pdf', blank, pieces, true), png.width);
    expect(difference(png, again)).toBeLessThan(2.5);
    const plain = PNG.sync.read(readFileSync(await write('png', blank, pieces)));
    expect(difference(png, plain)).toBeGreaterThan(4);
  });

  longTest('a knockout takes away what is under it in every kind of file', async () => {
    const knocked = [
      pieces[0]!,
      words(x, y, { knockout: true, id: 'hole' }),
      { ...words(x, y + 20), id: 'over' },
    ];
    const png = PNG.sync.read(readFileSync(await write('png', blank, knocked)));
    for (const kind of ['pdf', 'svg'] as const)
      expect(difference(png, drawn(await write(kind, blank, knocked), png.width))).toBeLessThan(2.5);
    expect(layersOf(faceOf(blank), knocked).map(({ kind }) => kind)).toEqual(['picture', 'path', 'path']);
  });
});

test('a PDF’s boxes are the trim and the bleed, in true size', async () => {
  const info = execFileSync('pdfinfo', ['-box', await write('pdf', mug, [newFill('f', '#102030')])], {
    encoding: 'utf8',
  });
  const box = (name: string) =>
    new RegExp(`${name}:\\s+([\\d.]+)\\s+([\\d.]+)\\s+([\\d.]+)\\s+([\\d.]+)`)
      .exec(info)!
      .slice(1)
      .map(Number);
  const pt = 72 / 25.4;
  const { width, height, bleed } = faceOf(mug);
  expect(box('MediaBox')).toEqual([
    0,
    0,
    expect.closeTo((width + 2 * bleed) * pt, 1),
    expect.closeTo((height + 2 * bleed) * pt, 1),
  ]);
  expect(box('TrimBox')).toEqual([
    expect.closeTo(bleed * pt, 1),
    expect.closeTo(bleed * pt, 1),
    expect.closeTo((bleed + width) * pt, 1),
    expect.closeTo((bleed + height) * pt, 1),
  ]);
  expect(box('BleedBox')).toEqual(box('MediaBox'));
});
