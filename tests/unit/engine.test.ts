import { UpFitError } from '@/core/errors';
import { readHeader } from '@/core/formats/sniff';
import type { Raster } from '@/core/raster/raster';
import { bytesSource } from '@/core/formats/source';
import { part } from '@/imaging/measure';
import { loadNodeEngine } from '@/imaging/node';
import type { Engine } from '@/imaging/engine';
import jpegJs from 'jpeg-js';
import { PNG, type ColorType } from 'pngjs';
import { measureBytes } from '../support/measure';
import { CLEAR, paint, pixelAt, RED, solid } from '../support/pictures';

let engine: Engine;
beforeAll(async () => {
  engine = await loadNodeEngine();
});
afterAll(() => {
  engine.close();
});

const measure = (name: string, bytes: Uint8Array) => measureBytes(engine, name, bytes);

/** A PNG from another writer. */
function otherPng(raster: Raster, colorType: ColorType, bitDepth: 8 | 16 = 8): Uint8Array {
  const png = new PNG({ width: raster.width, height: raster.height });
  // With 16 bits the other writer takes its samples two bytes each.
  png.data =
    bitDepth === 8
      ? Buffer.from(raster.data)
      : Buffer.from(Uint16Array.from(raster.data, (level) => level * 257).buffer);
  return PNG.sync.write(png, { colorType, bitDepth });
}

/** A JPEG from another writer, red left half and blue right half, told by EXIF how the camera held it. */
function turnedJpeg(orientation: number): Uint8Array {
  const { data } = paint(64, 32, (x) => (x < 32 ? [230, 20, 20, 255] : [20, 20, 230, 255]));
  const bare = jpegJs.encode({ width: 64, height: 32, data: Buffer.from(data) }, 95).data;
  const tiff = [
    0x4d,
    0x4d,
    0,
    42,
    0,
    0,
    0,
    8,
    0,
    1,
    0x01,
    0x12,
    0,
    3,
    0,
    0,
    0,
    1,
    0,
    orientation,
    0,
    0,
    0,
    0,
    0,
    0,
  ];
  const body = [...[...'Exif\0\0'].map((c) => c.charCodeAt(0)), ...tiff];
  const segment = [0xff, 0xe1, (body.length + 2) >> 8, (body.length + 2) & 255, ...body];
  return Buffer.concat([bare.subarray(0, 2), Buffer.from(segment), bare.subarray(2)]);
}

describe('decoding', () => {
  test('a PNG of another writer comes through to the pixel', async () => {
    const source = paint(40, 30, (x, y) => [x * 6, y * 8, (x * y) % 256, x > 20 ? 255 : 90]);
    const { raster, facts } = await measure('a.png', otherPng(source, 6));
    expect(Buffer.compare(Buffer.from(raster.data), Buffer.from(source.data))).toBe(0);
    expect(raster.opaque).toBe(false);
    expect(facts).toMatchObject({ pixels: { width: 40, height: 30 }, alpha: { present: true } });
  });

  test('grey, 16 bits and opaque RGBA', async () => {
    const grey = await measure('a.png', otherPng(solid(20, 10, [120, 120, 120, 255]), 0));
    expect(grey.facts.colour).toMatchObject({ mode: 'grey', bits: 8 });
    expect(pixelAt(grey.raster, 5, 5)).toEqual([120, 120, 120, 255]);
    const deep = await measure('a.png', otherPng(solid(20, 10), 2, 16));
    expect(deep.facts.colour).toMatchObject({ mode: 'rgb', bits: 16 });
    expect(Math.abs(pixelAt(deep.raster, 3, 3)[0]! - RED[0])).toBeLessThanOrEqual(1);
    const solidAlpha = await measure('a.png', otherPng(solid(20, 10), 6));
    expect(solidAlpha.facts.alpha).toMatchObject({ present: false, share: 1, softShare: 0 });
    expect(solidAlpha.raster.opaque).toBe(true);
  });

  /** Where the red half lies once the picture is upright: left, right, top or bottom. */
  test.each([
    [1, 64, 32, 'left'],
    [2, 64, 32, 'right'],
    [3, 64, 32, 'right'],
    [4, 64, 32, 'left'],
    [5, 32, 64, 'top'],
    [6, 32, 64, 'top'],
    [7, 32, 64, 'bottom'],
    [8, 32, 64, 'bottom'],
  ] as const)('EXIF orientation %d is applied', async (orientation, width, height, side) => {
    const { raster, facts } = await measure('a.jpg', turnedJpeg(orientation));
    expect(facts).toMatchObject({ orientation, pixels: { width, height } });
    const at = {
      left: [4, height / 2],
      right: [width - 5, height / 2],
      top: [width / 2, 4],
      bottom: [width / 2, height - 5],
    };
    const [x, y] = at[side];
    const [red, , blue] = pixelAt(raster, x!, y!);
    expect(red).toBeGreaterThan(180);
    expect(blue).toBeLessThan(80);
  });

  test('CMYK comes back near to what it was made from, with its profile and without', async () => {
    const source = solid(60, 40, [180, 90, 60, 255]);
    for (const profile of [true, false]) {
      const { raster, facts } = await measure('a.jpg', engine.encodeCmykJpeg(source, { ppi: 300, profile }));
      expect(facts.colour.mode).toBe('cmyk');
      expect(facts.colour.profile === null).toBe(!profile);
      const [red, green, blue] = pixelAt(raster, 20, 20);
      expect(Math.abs(red! - 180) + Math.abs(green! - 90) + Math.abs(blue! - 60)).toBeLessThan(24);
    }
  });

  test.each([
    ['TIFF', 'tiff', 1],
    ['JPEG', 'jpeg', 6],
  ] as const)(
    'a %s knows the most ink it holds of its own, a few specks left out',
    async (_, format, within) => {
      const inks = new Uint8Array(200 * 100 * 4).fill(128);
      // 90 + 80 + 70 + 100 over a quarter, and solid in eight pixels of twenty thousand.
      for (let at = 0; at < inks.length / 4; at += 4) inks.set([230, 204, 179, 255], at);
      inks.fill(255, inks.length - 32);
      const bytes = engine.encodeInks({ width: 200, height: 100, inks }, { format, ppi: 300, profile: null });
      const { facts } = await measure(`a.${format}`, bytes);
      expect(Math.abs(facts.totalInk! - 340)).toBeLessThan(within);
      const plain = await measure('a.png', engine.encodePng(solid(9, 9), { ppi: 300, use: 'print' }));
      expect(plain.facts.totalInk).toBeUndefined();
    },
  );

  test('a cut file is one sentence, and leaves nothing behind', async () => {
    const whole = engine.encodePng(
      paint(500, 400, (x, y) => [(x * y) % 256, x % 256, y % 256, 255]),
      { ppi: 300, use: 'print' },
    );
    for (const share of [0.2, 0.5, 0.9]) {
      const cut = measure('cut.png', whole.subarray(0, Math.floor(whole.length * share)));
      await expect(cut).rejects.toMatchObject({
        code: 'unreadable',
        message: expect.stringContaining('“cut.png”') as string,
      });
    }
    await measure('whole.png', whole);
    expect(engine.memory().bytes).toBe(0);
  });

  test('bytes gone wrong give facts or a reason, never anything else', async () => {
    const whole = engine.encodeJpeg(
      paint(200, 150, (x, y) => [x, y, (x + y) % 256, 255]),
      { ppi: 72, quality: 80 },
    );
    for (let i = 0; i < 25; i++) {
      const damaged = Uint8Array.from(whole);
      for (let k = 0; k < 6; k++) damaged[(i * 7919 + k * 104729) % damaged.length] = (i * 31 + k * 17) & 255;
      try {
        const { facts } = await measure('damaged.jpg', damaged);
        expect(facts.format).toBe('jpeg');
      } catch (error) {
        expect(error).toBeInstanceOf(UpFitError);
      }
    }
  });

  test('progress rises and can stop the work', async () => {
    const bytes = engine.encodePng(solid(1500, 1000), { ppi: 300, use: 'print' });
    const told: number[] = [];
    await measureBytes(engine, 'a.png', bytes, { progress: (share) => told.push(share) });
    expect(told.length).toBeGreaterThan(2);
    expect(told.every((share, i) => i === 0 || share >= told[i - 1]! - 1e-9)).toBe(true);
    const stopped = measureBytes(engine, 'a.png', bytes, {
      progress: () => {
        throw new Error('stopped');
      },
    });
    await expect(stopped).rejects.toThrow('stopped');
    expect((await measure('again.png', bytes)).facts.pixels).toEqual({ width: 1500, height: 1000 });
  });

  test('steps of progress are parts of the whole', () => {
    const told: number[] = [];
    const half = part((share) => told.push(share), 0.5, 1);
    half(0);
    half(0.5);
    half(1);
    expect(told).toEqual([0.5, 0.75, 1]);
  });
});

describe('encoding', () => {
  const source = paint(50, 40, (x, y) => (x < 25 ? [x * 10, y * 6, 200, 255] : CLEAR));

  test('a print PNG: the same pixels to another reader, density and sRGB', () => {
    const bytes = Buffer.from(engine.encodePng(source, { ppi: 254, use: 'print' }));
    expect(Buffer.compare(PNG.sync.read(bytes).data, Buffer.from(source.data))).toBe(0);
    const header = readHeader('a.png', bytes);
    expect(header.density).toEqual({ x: 254, y: 254, source: 'file' });
    expect(engine.profile({ name: 'a.png', source: bytesSource(bytes), header })).not.toBeNull();
  });

  test('its profile is known by name once measured', async () => {
    const { facts } = await measure('a.png', engine.encodePng(source, { ppi: 300, use: 'print' }));
    expect(facts.colour.profile).toMatch(/sRGB/i);
    expect(facts.physical!.width).toBeCloseTo((50 * 25.4) / 300, 6);
  });

  test('a preview is a PNG without ceremony; a JPEG lies on white', () => {
    expect(PNG.sync.read(Buffer.from(engine.encodePng(source, { ppi: 72, use: 'preview' }))).width).toBe(50);
    const jpeg = jpegJs.decode(engine.encodeJpeg(source, { ppi: 300, quality: 100 }));
    expect(jpeg.data[(20 * 50 + 40) * 4]).toBeGreaterThan(250);
  });

  test('a drawing is drawn at an exact width, its clear parts clear', () => {
    const svg =
      '<svg xmlns="http://www.w3.org/2000/svg" width="100" height="50"><rect width="50" height="50" fill="#c81e14"/></svg>';
    const raster = engine.drawSvg(svg, 340);
    expect([raster.width, raster.height]).toEqual([340, 170]);
    expect(pixelAt(raster, 80, 80)).toEqual([200, 30, 20, 255]);
    expect(pixelAt(raster, 300, 80)[3]).toBe(0);
  });
});

test('one that died is replaced in the same process by another, which decodes as it did', async () => {
  const bytes = otherPng(
    paint(30, 20, (x) => [8 * x, 90, 40, 255]),
    6,
  );
  const first = await measure('a.png', bytes);
  const another = await loadNodeEngine();
  try {
    const { raster } = await measureBytes(another, 'a.png', bytes);
    expect(raster).toEqual(first.raster);
  } finally {
    another.close();
  }
});
