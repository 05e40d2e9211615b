import { UpFitError } from '@/core/errors';
import { readExif } from '@/core/formats/exif';
import { profileName } from '@/core/formats/icc';
import { requireReadablePixels, requireReadableSize } from '@/core/artwork/limits';
import { readHeader } from '@/core/formats/sniff';

const bytes = (...parts: (string | readonly number[])[]) =>
  Uint8Array.from(
    parts.flatMap((part) => (typeof part === 'string' ? [...part].map((c) => c.charCodeAt(0)) : [...part])),
  );
const u32 = (n: number) => [(n >>> 24) & 255, (n >>> 16) & 255, (n >>> 8) & 255, n & 255];
const u16 = (n: number) => [(n >> 8) & 255, n & 255];
const chunk = (name: string, body: readonly number[]) => [
  ...u32(body.length),
  ...[...name].map((c) => c.charCodeAt(0)),
  ...body,
  0,
  0,
  0,
  0,
];
const png = (width: number, height: number, bits: number, type: number, ...chunks: number[][]) =>
  bytes(
    '\x89PNG\r\n\x1a\n',
    chunk('IHDR', [...u32(width), ...u32(height), bits, type, 0, 0, 0]),
    ...chunks,
    chunk('IDAT', []),
  );
const segment = (marker: number, body: readonly number[]) => [0xff, marker, ...u16(body.length + 2), ...body];
const text = (words: string) => [...words].map((c) => c.charCodeAt(0));
const frame = (width: number, height: number, components: number) =>
  segment(0xc0, [
    8,
    ...u16(height),
    ...u16(width),
    components,
    ...Array.from({ length: components * 3 }, () => 0),
  ]);
const jpeg = (...segments: number[][]) => bytes([0xff, 0xd8], ...segments, [0xff, 0xd9]);
const jfif = (units: number, x: number, y: number) =>
  segment(0xe0, [...text('JFIF\0'), 1, 2, units, ...u16(x), ...u16(y), 0, 0]);

const refusal = (work: () => unknown): UpFitError => {
  try {
    work();
  } catch (error) {
    if (error instanceof UpFitError) return error;
    throw error;
  }
  throw new Error('it was taken');
};

describe('PNG', () => {
  test('size, bits, mode and alpha', () => {
    expect(readHeader('a', png(4200, 5700, 8, 6))).toMatchObject({
      format: 'png',
      width: 4200,
      height: 5700,
      alpha: true,
      colour: { mode: 'rgb', bits: 8, profile: null },
      density: null,
    });
    expect(readHeader('a', png(1, 1, 16, 0)).colour).toMatchObject({ mode: 'grey', bits: 16 });
    expect(readHeader('a', png(1, 1, 4, 3, chunk('tRNS', [0])))).toMatchObject({
      alpha: true,
      colour: { mode: 'indexed' },
    });
  });

  test('11,811 pixels a metre are 300 PPI', () => {
    const density = (x: number, y: number, unit = 1) =>
      readHeader('a', png(1, 1, 8, 2, chunk('pHYs', [...u32(x), ...u32(y), unit]))).density;
    expect(density(11811, 11811)).toEqual({ x: 300, y: 300, source: 'file' });
    expect(density(2835, 5906)).toEqual({ x: 72, y: 150, source: 'file' });
    expect(density(3, 4, 0)).toBeNull();
  });

  test('its profile and its movement', () => {
    expect(readHeader('a', png(1, 1, 8, 2, chunk('sRGB', [0]))).colour.profile).toBe('sRGB');
    expect(readHeader('a', png(1, 1, 8, 2, chunk('iCCP', [...text('Press'), 0, 0]))).colour.profile).toBe(
      'Press',
    );
    expect(readHeader('a', png(1, 1, 8, 2, chunk('acTL', [0]))).animated).toBe(true);
  });
});

describe('JPEG', () => {
  test('size, mode and JFIF density in either unit', () => {
    expect(readHeader('a', jpeg(jfif(1, 300, 150), frame(640, 480, 3)))).toMatchObject({
      format: 'jpeg',
      width: 640,
      height: 480,
      density: { x: 300, y: 150 },
      colour: { mode: 'rgb', bits: 8 },
    });
    expect(readHeader('a', jpeg(jfif(2, 100, 100), frame(1, 1, 1)))).toMatchObject({
      density: { x: 254 },
      colour: { mode: 'grey' },
    });
    expect(readHeader('a', jpeg(jfif(0, 1, 1), frame(1, 1, 4)))).toMatchObject({
      density: null,
      colour: { mode: 'cmyk' },
    });
  });

  test('EXIF orientation and density', () => {
    const tiff = [...text('MM'), ...u16(42), ...u32(8), ...u16(4)];
    const entry = (tag: number, type: number, value: number[]) => [
      ...u16(tag),
      ...u16(type),
      ...u32(1),
      ...value,
    ];
    const at = 8 + 2 + 4 * 12 + 4;
    const block = [
      ...tiff,
      ...entry(0x0112, 3, [...u16(6), 0, 0]),
      ...entry(0x011a, 5, u32(at)),
      ...entry(0x011b, 5, u32(at)),
      ...entry(0x0128, 3, [...u16(2), 0, 0]),
      ...u32(0),
      ...u32(2400),
      ...u32(10),
    ];
    const header = readHeader('a', jpeg(segment(0xe1, [...text('Exif\0\0'), ...block]), frame(600, 400, 3)));
    expect(header).toMatchObject({ orientation: 6, density: { x: 240, y: 240, source: 'file' } });
    expect(readExif(Uint8Array.from(block.slice(0, 20)))).toEqual({ orientation: 1, density: null });
  });
});

describe('what is not taken', () => {
  test.each([
    ['a.png', bytes('just some words'), 'unreadable', 'not a picture'],
    ['a.png', png(10, 10, 8, 2).subarray(0, 40), 'unreadable', 'cut short'],
    ['a.jpg', jpeg(jfif(1, 1, 1)), 'unreadable', 'cut short'],
    ['a.webp', bytes('RIFF', [1, 2, 3, 4], 'WEBPVP8 '), 'unreadable', 'cut short'],
    ['a.tif', bytes('II*\0', [8, 0, 0, 0]), 'unreadable', 'cut short'],
    ['a.gif', bytes('GIF89a', [1, 0]), 'unreadable', 'cut short'],
    ['a.avif', bytes([0, 0, 0, 16], 'ftypavif', [0, 0, 0, 0]), 'unreadable', 'cut short'],
    ['a.svg', bytes('<?xml version="1.0"?><svg/>'), 'unsupported', 'no pixels'],
    ['a.pdf', bytes('%PDF-1.7'), 'unsupported', 'no pixels'],
  ])('%s: one sentence', (name, file, code, words) => {
    const error = refusal(() => readHeader(name, file));
    expect(error.code).toBe(code);
    expect(error.message).toContain(words);
    expect(error.message).toMatch(/^“.*[.]$/);
  });

  test('an empty file, one too large, and more pixels than there is room for', () => {
    expect(
      refusal(() => {
        requireReadableSize('a.png', 0);
      }).message,
    ).toContain('is empty');
    expect(
      refusal(() => {
        requireReadableSize('a.png', 2 ** 30);
      }).code,
    ).toBe('too-large');
    expect(
      refusal(() => {
        requireReadablePixels('a.jpg', { width: 60_000, height: 60_000 });
      }).message,
    ).toContain('60,000 × 60,000');
    expect(
      refusal(() => {
        requireReadablePixels('a.jpg', { width: 0, height: 10 });
      }).code,
    ).toBe('unreadable');
  });
});

test('a profile is named by its description, old form and new', () => {
  const profile = (tag: number[]) => {
    const head = new Array<number>(128).fill(0);
    head.splice(36, 4, ...text('acsp'));
    return Uint8Array.from([...head, ...u32(1), ...text('desc'), ...u32(144), ...u32(tag.length), ...tag]);
  };
  expect(profileName(profile([...text('desc'), ...u32(0), ...u32(6), ...text('Press\0')]))).toBe('Press');
  const unicode = [...text('Wide')].flatMap((c) => [0, c]);
  expect(
    profileName(
      profile([
        ...text('mluc'),
        ...u32(0),
        ...u32(1),
        ...u32(12),
        ...text('enUS'),
        ...u32(8),
        ...u32(28),
        ...unicode,
      ]),
    ),
  ).toBe('Wide');
  expect(profileName(Uint8Array.of(1, 2, 3))).toBeNull();
});
