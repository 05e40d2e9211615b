import fc from 'fast-check';
import * as v from 'valibot';
import { BLANKS, shippedBlanks, SPECS } from '@/core/blank/library';
import { METHODS } from '@/core/blank/methods';
import {
  angleAt,
  circumference,
  readableWidth,
  visibleAngle,
  wrapFaces,
  wrapWidth,
} from '@/core/blank/kinds/wrap';
import { printPixels, printSize } from '@/core/blank/resolve';
import { BlankSchema, HouseSpecSchema, MethodSchema, type WrapBody } from '@/core/blank/schema';
import { halfWidthAt, nearestSide, signedDistance } from '@/core/blank/shape';
import { blankById, faceOf } from '../support/fits';

const mug: WrapBody = {
  kind: 'wrap',
  diameter: 79,
  height: 96,
  lip: 2,
  foot: 2,
  overlap: 0,
  handle: { gap: 26, reach: 32, thickness: 11, width: 15, top: 16, bottom: 15 },
};

describe('a straight wrap of 79 mm', () => {
  test('its worked values', () => {
    expect(circumference(mug)).toBeCloseTo(248.186, 3);
    expect(readableWidth(mug)).toBeCloseTo(82.729, 3);
    expect(wrapWidth(mug)).toBeCloseTo(222.186, 3);
    expect(visibleAngle(mug)).toBeCloseTo(Math.acos(39.5 / 600), 12);
  });

  test('side centres lie a quarter round from the front', () => {
    const [left, front, right] = wrapFaces(mug)[0]!.zones;
    expect(left!.x - front!.x).toBeCloseTo(-62.046, 3);
    expect(right!.x - front!.x).toBeCloseTo(62.046, 3);
    expect(angleAt(mug, right!.x - front!.x)).toBeCloseTo(Math.PI / 2, 12);
  });

  test('an overlap adds to the wall and leaves the front where it was', () => {
    const overlapped = { ...mug, handle: null, overlap: 6 };
    expect(wrapWidth(overlapped)).toBeCloseTo(circumference(mug) + 6, 9);
    expect(wrapFaces(overlapped)[0]!.zones[1]!.x).toBeCloseTo(circumference(mug) / 2, 9);
  });

  test('the print never touches the handle', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 40, max: 120, noNaN: true }),
        fc.double({ min: 5, max: 60, noNaN: true }),
        (diameter, gap) => {
          const body = { ...mug, diameter, handle: { ...mug.handle!, gap } };
          const free = circumference(body) - wrapWidth(body);
          expect(free).toBeCloseTo(gap, 9);
          const { zones, width } = wrapFaces(body)[0]!;
          expect(zones[1]!.x).toBeCloseTo(width / 2, 9);
        },
      ),
    );
  });
});

describe('the shipped library', () => {
  test.each(BLANKS.map((blank) => [blank.id, blank] as const))('%s reads as its schema says', (_, blank) => {
    expect(v.safeParse(BlankSchema, blank).success).toBe(true);
  });

  test('specs and methods read as their schemas say, and every blank finds its own', () => {
    for (const spec of SPECS) expect(v.safeParse(HouseSpecSchema, spec).success).toBe(true);
    for (const method of METHODS) expect(v.safeParse(MethodSchema, method).success).toBe(true);
    expect(shippedBlanks()).toHaveLength(BLANKS.length);
  });

  test('numbers of each are consistent', () => {
    for (const { blank, faces } of shippedBlanks()) {
      expect(new Set(blank.colours.map(({ id }) => id)).size).toBe(blank.colours.length);
      for (const face of faces) {
        expect(face.floor).toBeLessThanOrEqual(face.target);
        expect(2 * face.safe).toBeLessThan(Math.min(face.width, face.height));
        for (const zone of face.zones) {
          expect(zone.x).toBeGreaterThanOrEqual(0);
          expect(zone.x).toBeLessThanOrEqual(face.width);
        }
      }
    }
  });
});

describe('the print file of a face', () => {
  test('is trim plus bleed at the target PPI', () => {
    const blank = blankById('mug-325');
    const face = faceOf(blank);
    expect(printSize(face).width).toBeCloseTo(226.186, 3);
    expect(printPixels(face, blank.spec)).toEqual({ width: 2671, height: 1134 });
    expect(printPixels(face, blank.spec, 150)).toEqual({ width: 1336, height: 567 });
  });

  test('is exactly what the house states in pixels, at its own PPI', () => {
    const blank = blankById('mug-325');
    const pixels = { value: { width: 2700, height: 1200 }, source: { kind: 'house' as const } };
    const spec = { ...blank.spec, files: { ...blank.spec.files, pixels } };
    expect(printPixels(faceOf(blank), spec)).toEqual({ width: 2700, height: 1200 });
  });
});

describe('the edge of a shape', () => {
  const circle = { width: 75, height: 75, cornerRadius: 37.5 };
  const sheet = { width: 200, height: 100, cornerRadius: 0 };

  test('distances of a circle and a rectangle', () => {
    expect(signedDistance(circle, 0, 37.5, 37.5)).toBeCloseTo(-37.5, 9);
    expect(signedDistance(circle, 2, 37.5, -5)).toBeCloseTo(3, 9);
    expect(signedDistance(circle, -3, 37.5, 0)).toBeCloseTo(3, 9);
    expect(signedDistance(sheet, 0, 203, 104)).toBeCloseTo(5, 9);
    expect(signedDistance(sheet, -4, 100, 10)).toBeCloseTo(-6, 9);
  });

  test('the half width at a height is where the distance is nought', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 99, noNaN: true }),
        fc.double({ min: 0, max: 50, noNaN: true }),
        fc.double({ min: -5, max: 5, noNaN: true }),
        (y, cornerRadius, grow) => {
          const shape = { width: 200, height: 100, cornerRadius };
          const half = halfWidthAt(shape, grow, y);
          if (half >= 0) expect(signedDistance(shape, grow, 100 + half, y)).toBeCloseTo(0, 6);
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
