import fc from 'fast-check';
import { rectangle } from '@/core/blank/face';
import { keepOutPath } from '@/core/blank/keep-out';
import { growOutline, outlineDistance, outlineSpans, type Outline } from '@/core/geometry/outline';
import { isRectangle, nearestSide, shapePath, signedDistance, spansAt } from '@/core/blank/shape';

describe('the edge of a shape', () => {
  const circle = rectangle(75, 75, 37.5);
  const sheet = rectangle(200, 100);

  test('distances of a circle and a rectangle', () => {
    expect(signedDistance(circle, 0, 37.5, 37.5)).toBeCloseTo(-37.5, 9);
    expect(signedDistance(circle, 2, 37.5, -5)).toBeCloseTo(3, 9);
    expect(signedDistance(circle, -3, 37.5, 0)).toBeCloseTo(3, 9);
    expect(signedDistance(sheet, 0, 203, 104)).toBeCloseTo(5, 9);
    expect(signedDistance(sheet, -4, 100, 10)).toBeCloseTo(-6, 9);
  });

  test('the spans of a row end where the distance is nought', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 99, noNaN: true }),
        fc.double({ min: 0, max: 50, noNaN: true }),
        fc.double({ min: -5, max: 5, noNaN: true }),
        (y, cornerRadius, grow) => {
          const shape = rectangle(200, 100, cornerRadius);
          for (const end of spansAt(shape, grow, y).flat()) {
            expect(signedDistance(shape, grow, end, y)).toBeCloseTo(0, 6);
          }
        },
      ),
    );
  });

  test('the nearest side', () => {
    expect(nearestSide(sheet, 3, 50)).toBe('left');
    expect(nearestSide(sheet, 100, 98)).toBe('bottom');
    expect(nearestSide(sheet, 196, 40)).toBe('right');
    expect(nearestSide(sheet, 100, 2)).toBe('top');
  });
});

describe('an outline', () => {
  /** A house: a square of 60 with a roof of 30 on it. */
  const house: Outline = [
    [0, 30],
    [30, 0],
    [60, 30],
    [60, 90],
    [0, 90],
  ];
  const shape = { width: 60, height: 90, cornerRadius: 0, outline: house };

  test('distances to its edges and corners', () => {
    expect(outlineDistance(house, 30, 60)).toBeCloseTo(-30, 9);
    expect(outlineDistance(house, 70, 60)).toBeCloseTo(10, 9);
    expect(outlineDistance(house, 63, 94)).toBeCloseTo(5, 9);
    expect(outlineDistance(house, 0, 0)).toBeCloseTo(30 * Math.SQRT1_2, 9);
    expect(isRectangle(shape)).toBe(false);
  });

  test('every point of the grown outline lies as far out as it was grown', () => {
    for (const grow of [-6, -1.5, 2, 5]) {
      const grown = growOutline(house, grow);
      expect(grown).toHaveLength(1);
      for (const [x, y] of grown[0]!) expect(outlineDistance(house, x, y)).toBeCloseTo(grow, 1);
    }
    expect(growOutline(house, -31)).toHaveLength(0);
    expect(growOutline(house, 0)).toEqual([house]);
  });

  test('a row crosses it where it is inside, whichever way round it is drawn', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.5, max: 89.5, noNaN: true }), fc.boolean(), (y, turned) => {
        const drawn = turned ? ([...house].reverse() as Outline) : house;
        const [span, ...more] = outlineSpans([drawn], y);
        expect(more).toHaveLength(0);
        const half = y < 30 ? y : 30;
        expect(span![0]).toBeCloseTo(30 - half, 6);
        expect(span![1]).toBeCloseTo(30 + half, 6);
      }),
    );
    expect(spansAt(shape, 0, -1)).toHaveLength(0);
  });

  test('its path can be moved; a keep-out is drawn where it lies', () => {
    expect(shapePath(shape, 0, 5, 7)).toBe('M5 37L35 7L65 37L65 97L5 97Z');
    const hole = { id: 'hole', name: 'Hole', effect: 'hole' as const };
    expect(keepOutPath({ ...hole, shape: { kind: 'circle', x: 20, y: 30, diameter: 8 } })).toMatch(/^M20 26/);
    expect(
      keepOutPath({
        ...hole,
        shape: { kind: 'rectangle', x: 2, y: 3, width: 10, height: 4, cornerRadius: 0 },
      }),
    ).toBe('M2 3h10v4h-10z');
    expect(keepOutPath({ ...hole, shape: { kind: 'outline', points: house } })).toBe(shapePath(shape));
  });
});
