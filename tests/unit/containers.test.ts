import fc from 'fast-check';
import { UpFitError } from '@/core/errors';
import { readHeader } from '@/core/formats/sniff';
import { runs } from '../support/long';

/** Headers built here byte by byte, for what no other program writes on purpose. */
const ascii = (words: string) => [...words].map((c) => c.charCodeAt(0));
const le16 = (n: number) => [n & 255, (n >> 8) & 255];
const le24 = (n: number) => [...le16(n), (n >> 16) & 255];
const le32 = (n: number) => [...le16(n & 0xffff), ...le16(n >>> 16)];
const be32 = (n: number) => [...le32(n)].reverse();
const be16 = (n: number) => [...le16(n)].reverse();
const file = (...parts: number[][]) => Uint8Array.from(parts.flat());
const read = (bytes: Uint8Array) => readHeader('a', bytes);
const refused = (bytes: Uint8Array): string => {
  try {
    read(bytes);
  } catch (error) {
    if (error instanceof UpFitError) return error.code;
    throw error;
  }
  return 'taken';
};

describe('TIFF', () => {
  type Entry = [tag: number, type: 3 | 4, value: number];
  const entry = ([tag, type, value]: Entry) => [
    ...le16(tag),
    ...le16(type),
    ...le32(1),
    ...(type === 3 ? [...le16(value), 0, 0] : le32(value)),
  ];
  const directory = (entries: Entry[], next: number) => [
    ...le16(entries.length),
    ...entries.flatMap(entry),
    ...le32(next),
  ];
  const head = (at = 8) => [...ascii('II*\0'), ...le32(at)];
  const size: Entry[] = [
    [0x0100, 4, 640],
    [0x0101, 3, 480],
    [0x0102, 3, 8],
  ];

  test('what a directory leaves out has its default', () => {
    expect(read(file(head(), directory(size, 0)))).toMatchObject({
      format: 'tiff',
      width: 640,
      height: 480,
      colour: { mode: 'grey', bits: 8, profile: null },
      density: null,
      alpha: false,
      orientation: 1,
      pages: 1,
    });
  });

  test('alpha is an extra sample of the kinds that are alpha', () => {
    const rgb = (samples: number, kind: number): Entry[] => [
      ...size,
      [0x0106, 3, 2],
      [0x0115, 3, samples],
      [0x0152, 3, kind],
    ];
    expect(read(file(head(), directory(rgb(4, 2), 0))).alpha).toBe(true);
    expect(read(file(head(), directory(rgb(4, 1), 0))).alpha).toBe(true);
    expect(read(file(head(), directory(rgb(4, 7), 0))).alpha).toBe(false);
    expect(read(file(head(), directory(rgb(3, 2), 0))).alpha).toBe(false);
  });

  test('pages are counted, small copies left out, and a chain that runs in a circle ends', () => {
    const one = directory(size, 0).length;
    const two = 8 + one;
    const chain = file(head(), directory(size, two), directory(size, two + one), directory(size, 0));
    expect(read(chain).pages).toBe(3);
    const copies = file(head(), directory(size, two), directory([[0x00fe, 4, 1], ...size], 0));
    expect(read(copies).pages).toBe(1);
    expect(read(file(head(), directory(size, two), directory(size, 8))).pages).toBeLessThanOrEqual(3);
    expect(read(file(head(), directory(size, 1_000_000))).pages).toBe(1);
  });

  test('a kind of colour nobody knows, and a directory that is not there, are refused', () => {
    expect(refused(file(head(), directory([...size, [0x0106, 3, 77]], 0)))).toBe('unreadable');
    expect(refused(file(head(900), directory(size, 0)))).toBe('unreadable');
    expect(refused(file(ascii('II*\0'), le32(8), le16(60_000)))).toBe('unreadable');
  });
});

describe('WebP', () => {
  const chunk = (name: string, body: number[]) => [
    ...ascii(name),
    ...le32(body.length),
    ...body,
    ...(body.length & 1 ? [0] : []),
  ];
  const webp = (...chunks: number[][]) => {
    const body = [...ascii('WEBP'), ...chunks.flat()];
    return file(ascii('RIFF'), le32(body.length), body);
  };
  const extended = (flags: number, width: number, height: number) =>
    chunk('VP8X', [flags, 0, 0, 0, ...le24(width - 1), ...le24(height - 1)]);

  test('the canvas of the extended form, its flags, and a density in its EXIF', () => {
    const exif = [
      ...ascii('Exif\0\0II*\0'),
      ...le32(8),
      ...le16(2),
      ...[...le16(0x011a), ...le16(5), ...le32(1), ...le32(38)],
      ...[...le16(0x011b), ...le16(5), ...le32(1), ...le32(38)],
      ...le32(0),
      ...le32(240),
      ...le32(1),
    ];
    expect(read(webp(extended(0x12, 70_000, 300), chunk('EXIF', exif)))).toMatchObject({
      width: 70_000,
      height: 300,
      alpha: true,
      animated: true,
      density: { x: 240, y: 240 },
    });
  });

  test('lossy and lossless forms carry their own size', () => {
    const lossy = [0, 0, 0, 0x9d, 0x01, 0x2a, ...le16(800), ...le16(600)];
    expect(read(webp(chunk('VP8 ', lossy)))).toMatchObject({ width: 800, height: 600, alpha: false });
    const bits = (800 - 1) | ((600 - 1) << 14) | (1 << 28);
    expect(read(webp(chunk('VP8L', [0x2f, ...le32(bits)])))).toMatchObject({
      width: 800,
      height: 600,
      alpha: true,
    });
    expect(refused(webp(chunk('EXIF', [1, 2])))).toBe('unreadable');
  });
});

describe('GIF', () => {
  const screen = (packed: number) => [...ascii('GIF89a'), ...le16(90), ...le16(60), packed, 0, 0];
  const picture = [0x2c, 0, 0, 0, 0, ...le16(90), ...le16(60), 0, 2, 1, 0, 0];
  const table = Array.from({ length: 12 }, () => 7);

  test('one picture, or several that move; clear where its first says so', () => {
    const still = file(screen(0x81), table, picture, [0x3b]);
    expect(read(still)).toMatchObject({
      width: 90,
      height: 60,
      alpha: false,
      animated: false,
      colour: { bits: 2 },
    });
    const control = [0x21, 0xf9, 4, 1, 0, 0, 3, 0];
    expect(read(file(screen(0x81), table, control, picture, picture, [0x3b]))).toMatchObject({
      alpha: true,
      animated: true,
    });
    expect(read(file(screen(0x81), table, picture))).toMatchObject({ animated: false });
    expect(refused(file(screen(0x81), table, [0x3b]))).toBe('unreadable');
    expect(refused(file(screen(0x81), table, [0x77]))).toBe('unreadable');
  });
});

describe('AVIF', () => {
  const box = (kind: string, ...body: number[][]) => [
    ...be32(8 + body.flat().length),
    ...ascii(kind),
    ...body.flat(),
  ];
  const ispe = (width: number, height: number) => box('ispe', be32(0), be32(width), be32(height));
  const avif = (properties: number[][], associations: number[], primary = 1) =>
    file(
      box('ftyp', ascii('avif'), be32(0)),
      box(
        'meta',
        be32(0),
        box('pitm', be32(0), be16(primary)),
        box(
          'iprp',
          box('ipco', ...properties),
          box('ipma', be32(0), be32(1), be16(primary), [associations.length, ...associations]),
        ),
      ),
    );

  test('the size of the primary picture, not of a tile or of its alpha', () => {
    const small = ispe(64, 64);
    const whole = ispe(3000, 2000);
    const pixi = box('pixi', be32(0), [3, 10, 10, 10]);
    expect(read(avif([small, whole, pixi], [2, 3]))).toMatchObject({
      width: 3000,
      height: 2000,
      colour: { mode: 'rgb', bits: 10 },
      alpha: false,
    });
    const turned = box('irot', [1]);
    expect(read(avif([small, whole, turned], [2, 3]))).toMatchObject({ width: 2000, height: 3000 });
    const alpha = box('auxC', be32(0), ascii('urn:mpeg:mpegB:cicp:systems:auxiliary:alpha'), [0]);
    expect(read(avif([whole, alpha], [1])).alpha).toBe(true);
  });

  test('sRGB by its numbers is sRGB; what says no size is refused', () => {
    const colr = box('colr', ascii('nclx'), be16(1), be16(13), be16(6), [0x80]);
    expect(read(avif([ispe(10, 10), colr], [1, 2])).colour.profile).toBe('sRGB');
    expect(refused(avif([colr], [1]))).toBe('unreadable');
  });
});

test('whatever follows a signature is answered with a header or a reason', () => {
  const signatures = [
    '\x89PNG\r\n\x1a\n',
    '\xff\xd8\xff',
    'RIFF\0\0\0\0WEBP',
    'II*\0',
    'MM\0*',
    'GIF89a',
    '\0\0\0\x20ftypavif',
  ];
  fc.assert(
    fc.property(fc.constantFrom(...signatures), fc.uint8Array({ maxLength: 400 }), (signature, rest) => {
      const answer = refused(file(ascii(signature), [...rest]));
      expect(['taken', 'unreadable', 'unsupported']).toContain(answer);
    }),
    runs(600),
  );
});
