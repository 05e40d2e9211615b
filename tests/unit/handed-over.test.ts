import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { putBlacks } from '@/core/colour/black-pixels';
import { deltaE00 } from '@/core/colour/difference';
import { labOf } from '@/core/colour/lab';
import { areaOf } from '@/core/fit/area';
import { newFill } from '@/core/fit/place';
import type { Piece } from '@/core/fit/schema';
import { partsOf } from '@/core/pack/cut-out';
import { printFileName, uniqueNames } from '@/core/pack/names';
import { PRINT_FORMATS } from '@/core/formats/registry';
import { mirrorOwner, planPrint, planTroubles, type PrintChoice } from '@/core/print/plan';
import { RENDITIONS, renditionName, renditionNote } from '@/core/pack/renditions';
import { renderFace } from '@/core/render/face';
import { forecastBytes } from '@/files/forecast';
import { writePrint } from '@/files/print';
import { readBack } from '@/files/readback';
import type { Engine } from '@/imaging/engine';
import { loadNodeEngine } from '@/imaging/node';
import { blankById, faceOf, pieceAt, shown } from '../support/fits';
import { paint } from '../support/pictures';
import { longTest } from '../support/long';

const folder = mkdtempSync(join(tmpdir(), 'up-fit-handed-'));
let engine: Engine;
beforeAll(async () => {
  engine = await loadNodeEngine();
});
afterAll(() => {
  engine.close();
  rmSync(folder, { recursive: true });
});

const mug = blankById('mug-325');
const wall = blankById('poster-a2');
const face = faceOf(mug);
const picture = paint(120, 80, (x, y) => [x * 2, y * 3, 90, x < 20 ? 120 : 255]);
const pieces: Piece[] = [newFill('ground', '#dfe8ea'), pieceAt(70, 46, 60, 40, { id: 'art', rotation: 0.2 })];

async function written(choice: PrintChoice, some: readonly Piece[] = pieces, blank = mug): Promise<string> {
  const plan = planPrint(blank, faceOf(blank), { ppi: 45, mirrored: false, ...choice });
  const press = plan.mode === 'cmyk' ? { press: engine.bakePress(null, 'relative'), profile: null } : null;
  const asked = { title: 'Gull', blank, sides: [{ face: faceOf(blank), pieces: some }], plan, press };
  const { bytes } = await writePrint(engine, asked, shown(picture));
  const path = join(folder, `${plan.format}-${plan.mode}.${plan.format}`);
  writeFileSync(path, bytes);
  return path;
}

const run = (program: string, ...args: string[]) =>
  execFileSync(program, args, { encoding: 'utf8', maxBuffer: 1e8 });
const tags = (path: string) =>
  (JSON.parse(run('exiftool', '-json', '-n', path)) as Record<string, unknown>[])[0]!;
const profileIn = (path: string) => execFileSync('exiftool', ['-b', '-icc_profile', path]);

/** Mean dE00 of a file, as another program shows it, and our own drawing. */
function meanDifference(path: string, args: string[] = []): number {
  const { width, height } = planPrint(mug, face, { ppi: 45 }).pixels;
  const raw = execFileSync(
    'convert',
    [path, ...args, '-background', 'white', '-flatten', '-depth', '8', 'rgb:-'],
    {
      maxBuffer: 1e8,
    },
  );
  const ours = renderFace(face, pieces, shown(picture), { pixels: { width, height } }).data;
  expect(raw).toHaveLength(width * height * 3);
  let sum = 0;
  for (let i = 0; i < width * height; i++) {
    const on = (at: number) => (ours[i * 4 + at]! * ours[i * 4 + 3]!) / 255 + 255 - ours[i * 4 + 3]!;
    const theirs = labOf(raw[i * 3]!, raw[i * 3 + 1]!, raw[i * 3 + 2]!);
    sum += deltaE00(theirs, labOf(on(0), on(1), on(2)));
  }
  return sum / (width * height);
}

describe('a file in RGB, by what other programs say of it', () => {
  test('PNG: whole, its density and profile in it, our pixels', async () => {
    const path = await written({ format: 'png' });
    expect(run('pngcheck', path)).toMatch(/^OK/);
    const { width, height } = planPrint(mug, face, { ppi: 45 }).pixels;
    expect(tags(path)).toMatchObject({ ImageWidth: width, ImageHeight: height, ColorType: 6 });
    expect(Number(tags(path)['PixelsPerUnitX']) * 0.0254).toBeCloseTo(45, 1);
    expect(profileIn(path).length).toBeGreaterThan(300);
    expect(meanDifference(path)).toBeLessThan(0.01);
  });

  test('JPEG: quality 100, colour at every pixel, no alpha', async () => {
    const path = await written({ format: 'jpeg' });
    expect(tags(path)).toMatchObject({ ColorComponents: 3, XResolution: 45, YCbCrSubSampling: '1 1' });
    expect(meanDifference(path)).toBeLessThan(1);
    expect(run('identify', '-format', '%Q', path)).toBe('100');
  });

  test('TIFF: LZW with predictor, density in inches', async () => {
    const path = await written({ format: 'tiff' });
    const info = run('tiffinfo', path);
    expect(info).toMatch(/Compression Scheme: LZW/);
    expect(info).toMatch(/Predictor: horizontal differencing/);
    expect(info).toMatch(/Resolution: 45, 45 pixels\/inch/);
    expect(profileIn(path).length).toBeGreaterThan(300);
    expect(meanDifference(path)).toBeLessThan(0.01);
  });

  test('PDF: true boxes, sound, no font, and our picture within a dE', async () => {
    const path = await written({ format: 'pdf' });
    run('qpdf', '--check', path);
    expect(run('pdffonts', path).trim().split('\n')).toHaveLength(2);
    const { width, height } = planPrint(mug, face, { ppi: 45 }).pixels;
    run(
      'pdftoppm',
      '-png',
      '-singlefile',
      '-scale-to-x',
      `${width}`,
      '-scale-to-y',
      `${height}`,
      path,
      join(folder, 'page'),
    );
    expect(meanDifference(join(folder, 'page.png'))).toBeLessThan(1);
  });
});

test('a PDF of several faces has a page for each, with its own boxes', async () => {
  const pouch = blankById('pouch');
  const sides = pouch.faces.map((one) => ({ face: one, pieces: [newFill(one.id, '#dfe8ea')] }));
  expect(sides.length).toBeGreaterThan(1);
  const plan = planPrint(pouch, pouch.faces[0]!, { format: 'pdf', mode: 'rgb', ppi: 45 });
  const asked = { title: 'Pouch', blank: pouch, sides, plan, press: null };
  const { bytes } = await writePrint(engine, asked, shown(picture));
  const path = join(folder, 'pouch.pdf');
  writeFileSync(path, bytes);
  run('qpdf', '--check', path);
  expect(run('pdfinfo', path)).toMatch(new RegExp(`Pages:\\s+${sides.length}\\n`));
  expect(await readBack(bytes, plan, [pouch.faces[0]!])).toEqual([`has ${sides.length} pages and not 1`]);
});

test('a PDF for a house that takes no transparency has none: what lies under a picture is one with it', async () => {
  const sticker = blankById('sticker-75');
  const some: Piece[] = [newFill('ground', '#dfe8ea'), pieceAt(37, 37, 40, 27, { id: 'art' })];
  const text = run(
    'qpdf',
    '--qdf',
    '--object-streams=disable',
    await written({ format: 'pdf' }, some, sticker),
    '-',
  );
  expect(text).not.toMatch(/\/SMask/);
  expect(text.match(/\/Subtype \/Image/g)).toHaveLength(1);
  const clear = run('qpdf', '--qdf', '--object-streams=disable', await written({ format: 'pdf' }, some), '-');
  expect(clear).toMatch(/\/SMask/);
});

test('renditions are named apart, and a note says what each is for', () => {
  const [clear, few] = RENDITIONS;
  expect(renditionName('gull_mug.png', clear!)).toBe('gull_mug_clear.png');
  const note = renditionNote([
    { name: 'a_clear.png', rendition: clear! },
    { name: 'a_few-inks.png', rendition: few! },
  ]);
  expect(note.split('\n').filter((line) => line.startsWith('a_'))).toHaveLength(2);
  expect(note).toContain(few!.use);
});

describe('a file in CMYK', () => {
  test('TIFF: four inks, the very profile in it, and the inks of a colour as the engine has them', async () => {
    const path = await written({ format: 'tiff', mode: 'cmyk' }, [newFill('ground', '#2f7f8f')]);
    expect(run('tiffinfo', path)).toMatch(/Photometric Interpretation: separated/);
    expect(profileIn(path).equals(Buffer.from(engine.pressProfile()))).toBe(true);
    const inks = execFileSync('convert', [path, '-depth', '8', 'cmyk:-']);
    const [wanted] = engine.inksOf([[0x2f, 0x7f, 0x8f]]);
    for (const [i, ink] of wanted!.entries()) expect(Math.abs(inks[i]! / 255 - ink)).toBeLessThan(0.01);
  });

  longTest('JPEG: four inks that another program reads the same', async () => {
    const tiff = await written({ format: 'tiff', mode: 'cmyk' });
    const jpeg = await written({ format: 'jpeg', mode: 'cmyk' });
    expect(tags(jpeg)['ColorComponents']).toBe(4);
    expect(profileIn(jpeg).equals(Buffer.from(engine.pressProfile()))).toBe(true);
    const [a, b] = [tiff, jpeg].map((path) =>
      execFileSync('convert', [path, '-depth', '8', 'cmyk:-'], { maxBuffer: 1e8 }),
    );
    let sum = 0;
    for (let i = 0; i < a!.length; i++) sum += Math.abs(a![i]! - b![i]!);
    expect(sum / a!.length).toBeLessThan(3);
  });

  longTest('PDF: inks for paths and pictures alike, and the profile as its output intent', async () => {
    const path = await written({ format: 'pdf', mode: 'cmyk' });
    run('qpdf', '--check', path);
    const text = run('qpdf', '--qdf', '--object-streams=disable', path, '-');
    expect(text).toMatch(/\/DeviceCMYK/);
    expect(text).not.toMatch(/\/DeviceRGB/);
    expect(text).toMatch(/\/OutputIntent\b/);
    expect(text).toMatch(/[\d.]+ [\d.]+ [\d.]+ [\d.]+ k\n/);
    expect(text).not.toMatch(/[\d.]+ [\d.]+ [\d.]+ rg\n/);
  });

  test('a large black is put on the recipe where the fit asks for it, a thin one on black ink alone', () => {
    const width = 40;
    const pixels = new Uint32Array(width * 40).fill(0xffffffff);
    for (let y = 0; y < 30; y++) for (let x = 0; x < 20; x++) pixels[y * width + x] = 0xff000000;
    for (let y = 0; y < 40; y++) for (let x = 30; x < 33; x++) pixels[y * width + x] = 0xff000000;
    const inks = new Uint8Array(pixels.length * 4).map((_, i) => (i % 4 === 3 ? 240 : 10));
    const at = (x: number, y: number) =>
      Array.from(inks.subarray((y * width + x) * 4, (y * width + x) * 4 + 4));
    putBlacks(inks, pixels, width, { recipe: null, thin: 4 });
    expect(at(10, 10)).toEqual([10, 10, 10, 240]);
    expect(at(31, 10)).toEqual([0, 0, 0, 255]);
    putBlacks(inks, pixels, width, { recipe: [0.6, 0.4, 0.4, 1], thin: 4 });
    expect(at(10, 10)).toEqual([153, 102, 102, 255]);
    expect(at(31, 20)).toEqual([0, 0, 0, 255]);
    expect(at(25, 5)).toEqual([10, 10, 10, 240]);
  });
});

describe('what is made by a house’s rules', () => {
  test('its format and mode, clear or on white; what it does not take is said', () => {
    expect(planPrint(mug, face)).toMatchObject({ format: 'png', mode: 'rgb', alpha: true, mirrored: false });
    const sticker = blankById('sticker-75');
    expect(planPrint(sticker, faceOf(sticker))).toMatchObject({ format: 'png', alpha: false });
    expect(planTroubles(planPrint(mug, face, { format: 'svg' }), mug.spec).join()).toMatch(/takes no SVG/);
    expect(planTroubles(planPrint(wall, faceOf(wall), { format: 'pdf', mode: 'cmyk' }), wall.spec)).toEqual(
      [],
    );
    expect(() => planPrint(mug, face, { format: 'png', mode: 'cmyk' })).toThrow(/holds no inks/);
  });

  test('mirroring has one owner, and the name says who', () => {
    const own = (mirroring: 'file' | 'driver' | 'house') => ({ ...mug, spec: { ...mug.spec, mirroring } });
    expect(mirrorOwner(blankById('shirt'))).toBeNull();
    for (const owner of ['file', 'driver', 'house'] as const)
      expect(planPrint(own(owner), face).mirrored).toBe(owner === 'file');
    const name = (blank: typeof mug) => printFileName('Gull', blank, face, planPrint(blank, face));
    expect(name(own('file'))).toBe('gull_mug-325-ml_wrap_222x92mm_mirrored.png');
    expect(name(own('house'))).toBe('gull_mug-325-ml_wrap_222x92mm.png');
    const naming = { value: '{design}_{mirror}_{mode}', source: { kind: 'house' as const } };
    const said = own('driver');
    expect(name({ ...said, spec: { ...said.spec, files: { ...said.spec.files, naming } } })).toBe(
      'gull_mirror-in-driver_rgb.png',
    );
    expect(uniqueNames(['a.png', 'A.png', 'a.png', 'b'])).toEqual(['a.png', 'A-2.png', 'a-3.png', 'b']);
  });

  test('zones and pieces are cut out as faces of their own, and show what the whole shows there', () => {
    const shownBy = shown(picture);
    const perMm = 4;
    const size = (width: number, height: number) => ({
      pixels: { width: Math.round(width * perMm), height: Math.round(height * perMm) },
    });
    const { bleed } = face;
    const whole = renderFace(face, pieces, shownBy, size(face.width + 2 * bleed, face.height + 2 * bleed));
    const zones = partsOf({ face, pieces }, 'zones', shownBy.facts);
    expect(zones.map((part) => part.face.name)).toEqual(face.zones.map(({ name }) => name));
    const [left] = zones;
    const cut = renderFace(left!.face, left!.pieces, shownBy, size(left!.face.width, left!.face.height));
    const area = areaOf({ zoneId: face.zones[0]!.id }, face);
    const dx = Math.round((area.left + bleed) * perMm);
    const dy = Math.round((area.top + bleed) * perMm);
    for (const [x, y] of [
      [20, 20],
      [Math.round((70 - area.left) * perMm), Math.round((46 - area.top) * perMm)],
    ] as const) {
      for (let i = 0; i < 4; i++) {
        const there = whole.data[((y + dy) * whole.width + x + dx) * 4 + i]!;
        expect(Math.abs(cut.data[(y * cut.width + x) * 4 + i]! - there)).toBeLessThanOrEqual(3);
      }
    }
    const [, art] = partsOf({ face, pieces }, 'pieces', shownBy.facts);
    const turned = 60 * Math.cos(0.2) + 40 * Math.sin(0.2);
    expect(art!.face.width).toBeCloseTo(turned, 6);
    expect(partsOf({ face, pieces: [] }, 'face', shownBy.facts)).toEqual([]);
  });

  test.each(PRINT_FORMATS)('%s: read back from its bytes, another plan is told from it', async (format) => {
    const bytes = readFileSync(await written({ format }));
    const plan = planPrint(mug, face, { format, ppi: 45, mirrored: false });
    expect(await readBack(bytes, plan, [face])).toEqual([]);
    const other = faceOf(blankById('mug-450'));
    const elsewhere = planPrint(blankById('mug-450'), other, { format, ppi: 50 });
    expect((await readBack(bytes, elsewhere, [other])).length).toBeGreaterThan(0);
  });

  test('how large it will be is told within a tenth from bands of it', () => {
    const noise = (x: number, y: number) => ((Math.sin(x * 12.9898 + y * 78.233) * 43758.5453) % 1) * 12;
    const noisy = paint(700, 900, (x, y) => [
      x / 3 + noise(x, y),
      y / 4 + noise(y, x),
      90 + noise(x, x + y),
      255,
    ]);
    const pack = (raster: typeof noisy) => engine.encodePng(raster, { ppi: 300, use: 'print' });
    const whole = pack(noisy).length;
    expect(Math.abs(forecastBytes(noisy, pack) / whole - 1)).toBeLessThan(0.1);
  });
});
