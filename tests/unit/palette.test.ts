import { paletteOfInks, paletteOfPicture } from '@/core/raster/palette';
import { mergeColours } from '@/core/colour/palette';
import { hexOf, hexOfWord, rgbOf, wordOf } from '@/core/colour/hex';
import { plainName } from '@/core/colour/names';
import { csvOf, gplOf, showInks, swatchesOf } from '@/core/colour/swatches';
import { measureWhole } from '@/core/raster/band';
import { inkMeasure } from '@/core/raster/inks';
import { IN_SILENCE } from '@/core/raster/raster';
import type { Engine } from '@/imaging/engine';
import { loadNodeEngine } from '@/imaging/node';
import fc from 'fast-check';
import { CLEAR, paint, solid } from '../support/pictures';

const level = fc.integer({ min: 0, max: 255 });

test('hex and back, by levels and by words', () => {
  fc.assert(
    fc.property(level, level, level, (red, green, blue) => {
      expect(rgbOf(hexOf([red, green, blue]))).toEqual([red, green, blue]);
      expect(hexOfWord(wordOf(hexOf([red, green, blue])))).toBe(hexOf([red, green, blue]));
    }),
  );
});

describe('plain names', () => {
  test.each([
    ['#ffffff', 'white'],
    ['#000000', 'black'],
    ['#808080', 'grey'],
    ['#fafafa', 'white'],
    ['#ff0000', 'red'],
    ['#cc1111', 'red'],
    ['#0000ff', 'bright blue'],
    ['#1a2a55', 'navy'],
    ['#8b4513', 'brown'],
    ['#ffd1dc', 'light pink'],
    ['#fff9e0', 'off-white'],
    ['#f4e6bd', 'cream'],
    ['#0b5563', 'dark teal'],
    ['#228b22', 'green'],
    ['#ffa500', 'orange'],
    ['#ff7f11', 'orange'],
    ['#ffff00', 'yellow'],
    ['#800080', 'purple'],
    ['#c8a2c8', 'mauve'],
  ])('%s is %s', (hex, name) => {
    expect(plainName(hex)).toBe(name);
  });

  test('every colour has one', () => {
    fc.assert(
      fc.property(level, level, level, (red, green, blue) => {
        expect(plainName(hexOf([red, green, blue]))).toMatch(/^[a-z -]+$/);
      }),
    );
  });
});

describe('the colours of an artwork', () => {
  const badge = paint(120, 100, (x, y) =>
    y < 10 ? CLEAR : x < 60 ? [23, 53, 139, 255] : x < 90 ? [244, 230, 189, 255] : [216, 35, 31, 255],
  );

  test('flat artwork: its inks, their shares of what is there', () => {
    const palette = paletteOfInks(measureWhole(inkMeasure(120, 100), badge, IN_SILENCE)!);
    expect(palette.map(({ hex }) => hex)).toEqual(['#17358b', '#f4e6bd', '#d8231f']);
    expect(palette[0]!.share).toBeCloseTo(0.5, 1);
    expect(palette.reduce((sum, { share }) => sum + share, 0)).toBeCloseTo(1, 9);
  });

  test('a photograph: eight colours at most that sum it up, always the same', () => {
    const photo = paint(90, 90, (x, y) => [(x * 2.8) & 255, (y * 2.8) & 255, (x * y) & 127, 255]);
    const palette = paletteOfPicture(photo);
    expect(palette.length).toBeGreaterThan(4);
    expect(palette.length).toBeLessThanOrEqual(8);
    expect(palette.reduce((sum, { share }) => sum + share, 0)).toBeCloseTo(1, 9);
    expect(paletteOfPicture(photo)).toEqual(palette);
    expect(palette).toEqual([...palette].sort((a, b) => b.share - a.share));
    expect(paletteOfPicture(solid(9, 9))).toEqual([{ hex: '#c81e14', share: 1 }]);
    expect(paletteOfPicture(solid(9, 9, [0, 0, 0, 0]))).toEqual([]);
  });

  test('two that are merged: the commoner keeps its colour and takes the share', () => {
    const palette = [
      { hex: '#17358b', share: 0.5 },
      { hex: '#132047', share: 0.3 },
      { hex: '#f4e6bd', share: 0.2 },
    ];
    expect(mergeColours(palette, '#132047', '#17358b')).toEqual([
      { hex: '#17358b', share: 0.8 },
      { hex: '#f4e6bd', share: 0.2 },
    ]);
  });
});

describe('handed out', () => {
  const swatches = swatchesOf(
    [
      { hex: '#17358b', share: 0.625, name: 'Harbour, deep' },
      { hex: '#f4e6bd', share: 0.375, name: ' ' },
      { hex: '#d8231f', share: 0, name: '=1+1' },
    ],
    [[1, 0.8, 0.1, 0.2]],
  );

  test('a GIMP palette: its header, a line a colour', () => {
    expect(gplOf('Gullwick\nLight', swatches).split('\n')).toEqual([
      'GIMP Palette',
      'Name: Gullwick Light',
      'Columns: 0',
      '#',
      ' 23  53 139\tHarbour, deep',
      '244 230 189\tcream',
      '216  35  31\t=1+1',
      '',
    ]);
  });

  test('CSV: quoted where it must be, no formula, inks where they are known', () => {
    const rows = csvOf(swatches).split('\r\n');
    expect(rows[1]).toBe('"Harbour, deep",#17358b,23,53,139,62.5,100,80,10,20');
    expect(rows[2]).toBe('cream,#f4e6bd,244,230,189,37.5,,,,');
    expect(rows[3]).toMatch(/^'=1\+1,/);
    expect(rows).toHaveLength(5);
    expect(showInks([0.6, 0.5, 0.5, 1])).toBe('60/50/50/100');
  });
});

describe('inks through the printing profile', () => {
  let engine: Engine;
  beforeAll(async () => {
    engine = await loadNodeEngine();
  });
  afterAll(() => {
    engine.close();
  });

  test('white takes none, black much black, and each primary its own inks', () => {
    const [white, black, red, green, blue] = engine.inksOf([
      [255, 255, 255],
      [0, 0, 0],
      [255, 0, 0],
      [0, 160, 60],
      [20, 40, 160],
    ]);
    expect(Math.max(...white!)).toBeLessThan(0.02);
    expect(black![3]).toBeGreaterThan(0.6);
    expect(Math.min(red![1], red![2])).toBeGreaterThan(0.8);
    expect(red![0]).toBeLessThan(0.2);
    expect(green![0]).toBeGreaterThan(green![1]);
    expect(blue![0]).toBeGreaterThan(0.8);
    expect(engine.inksOf([])).toEqual([]);
  });
});
