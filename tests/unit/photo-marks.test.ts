import fc from 'fast-check';
import {
  handlesOf,
  regridded,
  shapeFrom,
  SHAPE_KINDS,
  takenOver,
  withHandle,
} from '@/core/mockup/photo/marks';
import { photoPerMm } from '@/core/mockup/photo/draw';
import type { PhotoPoint, PhotoScene } from '@/core/mockup/photo/schema';
import { cellsOf, onPhoto } from '@/core/mockup/photo/surface';
import { ringOf, surfaceTrouble } from '@/core/mockup/photo/troubles';
import { picturePpi, ppiFor } from '@/core/mockup/prints';
import { isInRing, spline } from '@/core/geometry/ring';
import { blankById, fitOf } from '../support/fits';

const CORNERS: PhotoPoint[] = [
  [100, 80],
  [500, 100],
  [480, 420],
  [120, 400],
];

describe('a surface made from four clicks', () => {
  test.each(SHAPE_KINDS)('%s: carries a print, its corners where they were clicked', (kind) => {
    const shape = shapeFrom(kind, CORNERS);
    expect(surfaceTrouble(shape)).toBeNull();
    const at = onPhoto(shape);
    const places = [
      [0, 0],
      [1, 0],
      [1, 1],
      [0, 1],
    ] as const;
    places.forEach(([u, v], i) => {
      const { x, y } = at(u, v);
      expect(x).toBeCloseTo(CORNERS[i]![0], 6);
      expect(y).toBeCloseTo(CORNERS[i]![1], 6);
    });
    const { columns, rows } = cellsOf(shape);
    expect(columns * rows).toBeGreaterThan(0);
  });

  test.each(SHAPE_KINDS)('%s: each of its points can be drawn elsewhere, and no other goes along', (kind) => {
    const shape = shapeFrom(kind, CORNERS);
    const before = handlesOf(shape);
    expect(new Set(before.map(({ name }) => name)).size).toBe(before.length);
    before.forEach(({ at: [x, y] }, i) => {
      // The middles of a round wall's curves go along its axis alone, and with the edges they lie between.
      const middle = kind === 'cylinder' && i > 3;
      const to: PhotoPoint = middle ? [x, y + 10] : [x + 7, y - 5];
      const after = handlesOf(withHandle(shape, i, to));
      expect(Math.hypot(after[i]!.at[0] - to[0], after[i]!.at[1] - to[1])).toBeLessThan(middle ? 1 : 1e-9);
      after.forEach(({ at }, k) => {
        if (k !== i && !(kind === 'cylinder' && k > 3)) expect(at).toEqual(before[k]!.at);
      });
    });
  });

  test('a curve’s middle says how far it bulges', () => {
    const shape = shapeFrom('cylinder', CORNERS);
    if (shape.kind !== 'cylinder') throw new Error('no round wall');
    const [x, y] = handlesOf(shape)[4]!.at;
    const deeper = withHandle(shape, 4, [x, y + 12]);
    if (deeper.kind !== 'cylinder') throw new Error('no round wall');
    expect(deeper.bulge[0] - shape.bulge[0]).toBeCloseTo(12, 1);
    expect(deeper.bulge[1]).toBe(shape.bulge[1]);
  });
});

describe('a grid of points', () => {
  test('with more points still is the same at each of those it had', () => {
    const cloth = shapeFrom('cloth', CORNERS);
    const bent = withHandle(cloth, 5, [260, 210]);
    const at = onPhoto(bent);
    const finer = regridded(bent, (u, v) => [at(u, v).x, at(u, v).y], 7, 7);
    const now = onPhoto(finer);
    for (const [u, v] of [
      [0, 0],
      [1 / 3, 1 / 3],
      [2 / 3, 1],
    ] as const) {
      expect(now(u, v).x).toBeCloseTo(at(u, v).x, 6);
      expect(now(u, v).y).toBeCloseTo(at(u, v).y, 6);
    }
    expect(handlesOf(finer)).toHaveLength(49);
    // Its outline goes through every point of its edge once.
    expect(ringOf(finer)).toHaveLength(24);
    const plane = shapeFrom('plane', CORNERS);
    expect(regridded(plane, () => [0, 0], 5, 5)).toBe(plane);
  });
});

describe('lines and curves', () => {
  test('a curve through points is at them, and straight where they are', () => {
    const number = fc.double({ min: -500, max: 500, noNaN: true });
    fc.assert(
      fc.property(number, number, number, number, (a, b, c, d) => {
        expect(spline(a, b, c, d, 0)).toBeCloseTo(b, 9);
        expect(spline(a, b, c, d, 1)).toBeCloseTo(c, 6);
      }),
    );
    expect(spline(0, 10, 20, 30, 0.25)).toBeCloseTo(12.5, 12);
  });

  test('a place is in a ring or out of it, whichever way the ring goes', () => {
    expect(isInRing(CORNERS, 300, 250)).toBe(true);
    expect(isInRing([...CORNERS].reverse(), 300, 250)).toBe(true);
    expect(isInRing(CORNERS, 90, 250)).toBe(false);
    expect(isInRing(CORNERS, 300, 90 - 60)).toBe(false);
  });
});

describe('how finely a print is drawn for a picture', () => {
  const mug = blankById('mug-325');

  test('as finely as the picture shows it, and never finer than it is printed', () => {
    const fit = fitOf(mug, []);
    expect(picturePpi(mug, fit, 300)).toBeLessThan(picturePpi(mug, fit, 900));
    expect(picturePpi(mug, fit, 6000)).toBe(300);
    expect(ppiFor(mug, 0.001)).toBe(30);
  });

  test('on a photo by the largest that its surfaces show a mm', () => {
    const scene = (corners: PhotoPoint[]): PhotoScene => ({
      upfit: 'photo/1',
      id: 'a',
      name: 'A',
      width: 800,
      height: 600,
      surfaces: [{ id: 'a', faceId: null, zoneId: null, shape: shapeFrom('plane', corners) }],
      fronts: [],
      shading: 1,
    });
    const square: PhotoPoint[] = [
      [100, 100],
      [580, 100],
      [580, 580],
      [100, 580],
    ];
    const coaster = blankById('coaster');
    // 480 px for 96 mm; half of that in a picture half as large.
    expect(photoPerMm(scene(square), coaster, { width: 800, height: 600 })).toBeCloseTo(5, 9);
    expect(photoPerMm(scene(square), coaster, { width: 400, height: 300 })).toBeCloseTo(2.5, 9);
  });
});

test.each(SHAPE_KINDS)('marks of a %s are taken over to a photo of another size, and back again', (kind) => {
  const scene = (width: number, height: number, surfaces: PhotoScene['surfaces'] = []): PhotoScene => ({
    ...{ upfit: 'photo/1', id: `at-${width}`, name: `at ${width}`, width, height, surfaces, shading: 0.6 },
    fronts: surfaces.length > 0 ? [CORNERS.slice(0, 3)] : [],
  });
  const first = scene(1000, 800, [
    { id: 'one', faceId: null, zoneId: null, shape: shapeFrom(kind, CORNERS) },
  ]);
  const second = takenOver(scene(2000, 400), first);
  expect([second.id, second.width, second.height, second.shading]).toEqual(['at-2000', 2000, 400, 0.6]);
  const [[x, y]] = CORNERS as [[number, number]];
  expect(second.fronts[0]![0]).toEqual([x * 2, y / 2]);
  expect(handlesOf(second.surfaces[0]!.shape).map(({ at }) => at[0])).toEqual(
    handlesOf(first.surfaces[0]!.shape).map(({ at }) => at[0] * 2),
  );
  expect(takenOver(scene(1000, 800), second).surfaces).toEqual(first.surfaces);
});
