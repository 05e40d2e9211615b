import { describeFacts } from '@/core/fit/describe';
import { MENDS, placeOf } from '@/core/artwork/flaws';
import type { Flaw } from '@/core/artwork/facts';
import { findFlaws, findPinholes, USUAL_MM } from '@/core/raster/flaws';
import { findGaps } from '@/core/raster/gaps';
import { findGuides } from '@/core/raster/guides/guides';
import { PartFinder } from '@/core/raster/parts';
import { words, type Raster } from '@/core/raster/raster';
import { tidy } from '@/core/raster/steps/tidy';
import fc from 'fast-check';
import { factsOf } from '../support/fits';
import { CLEAR, paint, RED, solid } from '../support/pictures';

const flawsIn = (raster: Raster): Flaw[] => findFlaws(raster);
const kinds = (raster: Raster) => flawsIn(raster).map(({ kind }) => kind);
const CYAN = [0, 255, 255, 255] as const;
/** Busy enough that a line could hide in it. */
const busy = (x: number, y: number) => [(x * 37 + y * 11) % 200, (x * 5 + y * 71) % 200, 90, 255] as const;

describe('guide lines', () => {
  test.each([
    ['level, on flat colour', (_x: number, y: number) => (y === 60 ? CYAN : RED), 0, 60, 300, 1],
    [
      'level, two pixels thick',
      (_x: number, y: number) => (y === 60 || y === 61 ? CYAN : RED),
      0,
      60,
      300,
      2,
    ],
    ['upright, on a busy picture', (x: number, y: number) => (x === 140 ? CYAN : busy(x, y)), 140, 0, 1, 200],
    ['upright, over nothing', (x: number) => (x === 140 ? CYAN : CLEAR), 140, 0, 1, 200],
    [
      'dashed, two parts in three',
      (x: number, y: number) => (y === 60 && x % 9 < 6 ? CYAN : RED),
      0,
      60,
      300,
      1,
    ],
  ])('%s', (_name, at, x, y, width, height) => {
    const lines = findGuides(paint(300, 200, at as Parameters<typeof paint>[2]), USUAL_MM);
    expect(lines.map(({ box }) => box)).toEqual([{ x, y, width, height }]);
  });

  test.each([-0.9, -0.31, -0.02, 0.04, 0.5, 1])(
    'at a slant of %d, from edge to edge, and closed over',
    (slope) => {
      const isOn = (x: number, y: number, off: number) =>
        Math.abs(y - 100 - slope * (x - 150)) < off * Math.hypot(1, slope);
      const raster = paint(300, 200, (x, y) => (isOn(x, y, 1.2) ? CYAN : RED));
      const lines = findGuides(raster, USUAL_MM);
      expect(lines).toHaveLength(1);
      const [x0, y0, x1, y1] = lines[0]!.ends;
      expect((y1 - y0) / (x1 - x0)).toBeCloseTo(slope, 2);
      expect(Math.abs(y0 - 100.5 - slope * (x0 - 150.5))).toBeLessThan(1);
      expect(Math.min(x0, y0, 300 - x1, 200 - y1, 200 - y0, y1)).toBeLessThan(1);
      const closed = tidy(raster, { kind: 'tidy', what: 'lines', mm: USUAL_MM });
      expect(words(closed).every((pixel) => pixel === words(solid(1, 1, RED))[0])).toBe(true);
    },
  );

  test('one that runs nearly all along reaches the edges, a shorter one does not', () => {
    const line = (share: number) =>
      findGuides(
        paint(300, 200, (x, y) => (y === 60 && x < 300 * share ? CYAN : RED)),
        USUAL_MM,
      );
    expect(line(1)[0]!.reaches).toBe(true);
    expect(line(0.65)[0]!.reaches).toBe(false);
    expect(line(0.4)).toEqual([]);
  });

  test.each([
    ['a plain picture', () => RED],
    ['a busy one', busy],
    ['the edge of a band', (_x: number, y: number) => (y < 60 ? RED : CYAN)],
    ['a band of ten pixels', (_x: number, y: number) => (y > 60 && y < 71 ? CYAN : RED)],
    ['a slanting band of eight pixels', (x: number, y: number) => (Math.abs(x / 3 - y) < 4.2 ? CYAN : RED)],
    ['a gradient', (x: number, y: number) => [x * 0.8, y, 90, 255]],
  ])('%s has none', (_name, at) => {
    expect(findGuides(paint(300, 200, at as Parameters<typeof paint>[2]), USUAL_MM)).toEqual([]);
  });
});

describe('what is left in a picture', () => {
  const body = (x: number, y: number) => x > 60 && x < 340 && y > 60 && y < 240;

  test('specks and crop marks off by themselves', () => {
    const raster = paint(400, 300, (x, y) =>
      body(x, y) || (x === 10 && y === 10) || (y === 30 && x > 4 && x < 40) ? RED : CLEAR,
    );
    expect(flawsIn(raster)).toEqual([
      { kind: 'line', box: { x: 5, y: 30, width: 35, height: 1 }, pixels: 35, certain: false },
      { kind: 'speck', box: { x: 10, y: 10, width: 1, height: 1 }, pixels: 1, certain: true },
    ]);
  });

  test('a picture of nothing but small parts has no specks: they are what it is', () => {
    expect(kinds(paint(400, 300, (x, y) => (x % 50 === 7 && y % 50 === 7 ? RED : CLEAR)))).toEqual([]);
  });

  test('pinholes, told from counters and from what opens to the outside', () => {
    const raster = paint(400, 300, (x, y) => {
      const hole = (x === 100 || x === 101) && y === 100;
      const counter = Math.hypot(x - 200, y - 150) < 9;
      return body(x, y) && !hole && !counter ? RED : CLEAR;
    });
    expect(findPinholes(raster, USUAL_MM).map(({ left, top, pixels }) => [left, top, pixels])).toEqual([
      [100, 100, 2],
    ]);
    expect(findPinholes(solid(9, 9), USUAL_MM)).toEqual([]);
  });

  test('hairline gaps between shapes, level, upright and slanting, clear or half so; no wide ones', () => {
    const gap = (cut: (x: number, y: number) => number) =>
      findGaps(
        paint(400, 300, (x, y) => {
          if (!body(x, y)) return CLEAR;
          return [200, 30, 20, cut(x, y)];
        }),
        USUAL_MM,
      ).parts.length;
    expect(gap((x) => (x === 200 ? 0 : 255))).toBe(1);
    expect(gap((_, y) => (y === 150 || y === 151 ? 0 : 255))).toBe(1);
    expect(gap((x) => (x === 200 ? 190 : 255))).toBe(1);
    expect(gap((x, y) => (Math.abs(x - y - 50) < 1 ? 0 : 255))).toBe(1);
    expect(gap((x) => (x >= 200 && x < 206 ? 0 : 255))).toBe(0);
    expect(gap(() => 255)).toBe(0);
    expect(gap((x, y) => (x === 200 && y > 100 && y < 110 ? 0 : 255))).toBe(0);
  });

  test('each has its place and its mm², and is told in one sentence', () => {
    const raster = paint(400, 300, (x, y) => (body(x, y) || (x < 3 && y < 2) ? RED : CLEAR));
    const facts = factsOf(raster, { flaws: flawsIn(raster) });
    const place = placeOf(facts.flaws[0]!, facts, 300);
    expect(place.area).toBeCloseTo(6 * (25.4 / 300) ** 2, 9);
    expect(
      placeOf(facts.flaws[0]!, { ...facts, physical: { width: 400, height: 300 } }, 300).area,
    ).toBeCloseTo(6, 9);
    expect(describeFacts(facts).at(-1)).toBe('Left in it: 1 stray speck.');
    const many: Flaw[] = [
      { ...facts.flaws[0]!, kind: 'line' },
      { ...facts.flaws[0]!, kind: 'line' },
      { ...facts.flaws[0]!, kind: 'gap' },
      facts.flaws[0]!,
    ];
    expect(describeFacts({ ...facts, flaws: many }).at(-1)).toBe(
      'Left in it: 2 guide or crop lines, 1 stray speck and 1 hairline gap.',
    );
    expect(new Set(Object.values(MENDS)).size).toBe(4);
  });
});

test('connected parts are those that a slow filling finds, corners touching', () => {
  const grid = fc.array(fc.array(fc.boolean(), { minLength: 7, maxLength: 7 }), {
    minLength: 1,
    maxLength: 7,
  });
  fc.assert(
    fc.property(grid, (rows) => {
      const finder = new PartFinder(true);
      rows.forEach((row, y) => {
        finder.beginRow(y);
        for (let x = 0; x < row.length; x++) {
          if (!row[x]) continue;
          const start = x;
          while (row[x]) x++;
          finder.take(start, x);
        }
      });
      const seen = new Set<string>();
      const sizes: number[] = [];
      const fill = (x: number, y: number): number => {
        if (!rows[y]?.[x] || seen.has(`${x},${y}`)) return 0;
        seen.add(`${x},${y}`);
        let size = 1;
        for (const dy of [-1, 0, 1]) for (const dx of [-1, 0, 1]) size += fill(x + dx, y + dy);
        return size;
      };
      rows.forEach((row, y) => {
        row.forEach((_, x) => {
          const size = fill(x, y);
          if (size > 0) sizes.push(size);
        });
      });
      const order = (list: number[]) => [...list].sort((a, b) => a - b);
      expect(order(finder.parts().map(({ pixels }) => pixels))).toEqual(order(sizes));
      const byPart = new Map<object, number>();
      for (const { part, start, end } of finder.runs())
        byPart.set(part, (byPart.get(part) ?? 0) + end - start);
      expect(order([...byPart.values()])).toEqual(order(sizes));
    }),
  );
});
