import fc from 'fast-check';
import { boundsOf, flattenPath, mapPath, writePath } from '@/core/geometry/path';
import { parsePath } from '@/core/geometry/parse-path';
import { coverOf, maskAt } from '@/core/raster/cover';

const ROOM = { left: 0, top: 0, right: 200, bottom: 200 };
const polygons = (d: string, tolerance = 0.01) => flattenPath(parsePath(d)!, tolerance);
const areaOf = (d: string) => coverOf(polygons(d), ROOM).data.reduce((sum, byte) => sum + byte, 0) / 255;

describe('path data', () => {
  test.each([
    ['M0 0L10 0L10 10Z', 'M0 0L10 0L10 10Z'],
    ['m1 1 2 0 0 2z', 'M1 1L3 1L3 3Z'],
    ['M0,0h5v5H0z', 'M0 0L5 0L5 5L0 5Z'],
    ['M0 0c1 0 2 1 2 2s1 2 2 2', 'M0 0C1 0 2 1 2 2C2 3 3 4 4 4'],
    ['M0 0q1 0 1 1t1 1', 'M0 0Q1 0 1 1Q1 2 2 2'],
    ['M.5.5L-1-1e1', 'M0.5 0.5L-1 -10'],
    ['M0 0Zl5 5', 'M0 0ZL5 5'],
    ['m5 5h2zm1 1v2', 'M5 5L7 5ZM6 6L6 8'],
    ['M0 0a0 5 0 0110-2', 'M0 0L10 -2'],
  ])('%s is %s', (d, written) => {
    expect(writePath(parsePath(d)!)).toBe(written);
  });

  test.each([
    '',
    'L1 1',
    'M0',
    'M0 0 L',
    'M0 0 x',
    'M0 0 L1 one',
    'M0 0 C1 2 3 4 5',
    'M0 0 R1 2 3 4',
    'M0 0A1 1 0 2 0 5 5',
  ])('“%s” is no path', (d) => {
    expect(parsePath(d)).toBeNull();
  });

  test('an arc keeps to its circle, whichever way it goes', () => {
    for (const [large, sweep] of [
      [0, 0],
      [0, 1],
      [1, 0],
      [1, 1],
    ]) {
      const [points] = polygons(`M60 50A10 10 0 ${large} ${sweep} 50 60Z`);
      const centre = large === sweep ? { x: 60, y: 60 } : { x: 50, y: 50 };
      for (let i = 0; i < points!.length; i += 2)
        expect(Math.hypot(points![i]! - centre.x, points![i + 1]! - centre.y)).toBeCloseTo(10, 2);
    }
  });

  test('flags of an arc may stand without spaces', () => {
    expect(parsePath('M0 0a5 5 0 0110 0')).toEqual(parsePath('M0 0A5 5 0 0 1 10 0'));
  });

  test('what is written reads as it was', () => {
    const number = fc.integer({ min: -999, max: 999 }).map((value) => value / 10);
    const point = fc.record({ x: number, y: number });
    const segment = fc.oneof(
      fc.record({ kind: fc.constant('line' as const), to: point }),
      fc.record({ kind: fc.constant('quadratic' as const), c: point, to: point }),
      fc.record({ kind: fc.constant('cubic' as const), c1: point, c2: point, to: point }),
    );
    fc.assert(
      fc.property(point, fc.array(segment, { maxLength: 9 }), (to, segments) => {
        const path = [{ kind: 'move' as const, to }, ...segments, { kind: 'close' as const }];
        expect(parsePath(writePath(path))).toEqual(mapPath(path, ({ x, y }) => ({ x: x + 0, y: y + 0 })));
      }),
    );
  });
});

describe('how much of each pixel a shape covers', () => {
  test('a rectangle off the pixels: whole inside, by share at its edges', () => {
    const mask = coverOf(polygons('M10.25 20.5H30V40H10.25Z'), ROOM);
    expect(maskAt(mask, 10, 30)).toBe(Math.round(0.75 * 255));
    expect(maskAt(mask, 20, 20)).toBe(Math.round(0.5 * 255));
    expect(maskAt(mask, 20, 30)).toBe(255);
    expect(maskAt(mask, 30, 30)).toBe(0);
    expect(maskAt(mask, 10, 20)).toBe(Math.round(0.375 * 255));
  });

  test('a circle’s area is pi r squared; a ring’s is the difference, its hole wound the other way', () => {
    const circle = (r: number, sweep: 0 | 1) =>
      `M${100 - r} 100A${r} ${r} 0 0 ${sweep} ${100 + r} 100A${r} ${r} 0 0 ${sweep} ${100 - r} 100Z`;
    expect(areaOf(circle(40, 1)) / (Math.PI * 1600)).toBeCloseTo(1, 3);
    expect(areaOf(circle(40, 1) + circle(20, 0)) / (Math.PI * 1200)).toBeCloseTo(1, 3);
    expect(areaOf(circle(40, 1) + circle(20, 1)) / (Math.PI * 1600)).toBeCloseTo(1, 3);
  });

  test('any triangle’s area is half the cross product of its sides, also where the room cuts it off', () => {
    const at = fc.integer({ min: 0, max: 1990 }).map((value) => value / 10);
    fc.assert(
      fc.property(at, at, at, at, at, at, (ax, ay, bx, by, cx, cy) => {
        const area = Math.abs((bx - ax) * (cy - ay) - (cx - ax) * (by - ay)) / 2;
        fc.pre(area > 40);
        expect(Math.abs(areaOf(`M${ax} ${ay}L${bx} ${by}L${cx} ${cy}Z`) - area) / area).toBeLessThan(0.02);
      }),
    );
    const cut = coverOf(polygons('M-100 -50L300 -50L300 250L-100 250Z'), ROOM);
    expect(cut.data.every((byte) => byte === 255)).toBe(true);
    const slanted = areaOf('M-100 0L100 0L-100 200Z');
    expect(slanted / 5000).toBeCloseTo(1, 2);
  });

  test('bands of rows meet without a line', () => {
    const mask = coverOf(polygons('M5 0H8V900H5Z'), { left: 0, top: 0, right: 10, bottom: 900 });
    expect(mask.data.every((byte) => byte === 255)).toBe(true);
    expect(mask.height).toBe(900);
  });

  test('nothing covers nothing', () => {
    expect(coverOf([], ROOM).data.length).toBe(0);
    expect(coverOf(polygons('M300 300H400V400Z'), ROOM).data.length).toBe(0);
    expect(boundsOf([])).toBeNull();
  });
});
