import fc from 'fast-check';
import type { TaperBody, WrapBody } from '@/core/blank/bodies/round';
import {
  angleAt,
  bendOf,
  circumference,
  readableWidth,
  roundFaces,
  uprightOf,
  viewCentres,
  visibleAngle,
  wrapWidth,
} from '@/core/blank/bodies/round';
import {
  bendPoint,
  frustumSector,
  middleRadius,
  printedSector,
  rectangleOf,
  sectorBox,
  sectorPath,
  slantOf,
  stretchAt,
  unbendPoint,
} from '@/core/blank/bodies/sector';
import { radiusAt } from '@/core/product/bodies/round';
import { roundBody } from '@/core/measuring/round';

const mug: WrapBody = {
  kind: 'wrap',
  diameter: 79,
  height: 96,
  lip: 2,
  foot: 2,
  overlap: 0,
  partial: null,
  handle: { gap: 26, reach: 32, thickness: 11, width: 15, top: 16, bottom: 15 },
};
const cup: TaperBody = {
  kind: 'taper',
  topDiameter: 90,
  bottomDiameter: 70,
  slant: slantOf(90, 70, 150),
  lip: 0,
  foot: 0,
  overlap: 0,
  handle: null,
};
const degrees = (radians: number) => (radians * 180) / Math.PI;
const diameter = fc.double({ min: 40, max: 160, noNaN: true });
const share = fc.double({ min: 0, max: 1, noNaN: true });

/** A cone that can be: two diameters that differ, either way up, and a slant that reaches. */
const cone = fc
  .tuple(diameter, diameter, fc.double({ min: 30, max: 300, noNaN: true }))
  .filter(([top, bottom, height]) => Math.abs(top - bottom) >= 0.5 && height > 0)
  .map(([top, bottom, height]) => ({ top, bottom, slant: slantOf(top, bottom, height) }));

describe('a straight wrap of 79 mm', () => {
  test('its worked values', () => {
    expect(circumference(mug)).toBeCloseTo(248.186, 3);
    expect(readableWidth(mug)).toBeCloseTo(82.729, 3);
    expect(wrapWidth(mug)).toBeCloseTo(222.186, 3);
    expect(visibleAngle(mug)).toBeCloseTo(Math.acos(39.5 / 600), 12);
    expect(viewCentres(mug).map(({ centre }) => centre)).toEqual([
      expect.closeTo(-62.046, 3),
      0,
      expect.closeTo(62.046, 3),
    ]);
  });

  test('side centres lie a quarter round from the front', () => {
    const [left, front, right] = roundFaces(mug)[0]!.zones;
    expect(left!.x - front!.x).toBeCloseTo(-62.046, 3);
    expect(angleAt(mug, right!.x - front!.x)).toBeCloseTo(Math.PI / 2, 12);
  });

  test('an overlap adds to the wall and leaves the front where it was', () => {
    const overlapped = { ...mug, handle: null, overlap: 6 };
    expect(wrapWidth(overlapped)).toBeCloseTo(circumference(mug) + 6, 9);
    expect(roundFaces(overlapped)[0]!.zones[1]!.x).toBeCloseTo(circumference(mug) / 2, 9);
  });
});

describe('a tapered wrap', () => {
  test.each([
    [90, 70, slantOf(90, 70, 150), 150.333, 676.498, 526.165, 23.947, 280.69, 161.78],
    [80, 60, 100, 100, 400, 300, 36, 247.214, 114.683],
  ])('worked values of %d over %d', (top, bottom, slant, s, outer, inner, sweep, width, height) => {
    const wall = frustumSector(top, bottom, slant);
    expect(slant).toBeCloseTo(s, 3);
    expect(wall.outerRadius).toBeCloseTo(outer, 2);
    expect(wall.innerRadius).toBeCloseTo(inner, 2);
    expect(degrees(wall.sweep)).toBeCloseTo(sweep, 3);
    expect(sectorBox(wall).width).toBeCloseTo(width, 2);
    expect(sectorBox(wall).height).toBeCloseTo(height, 2);
  });

  test('the stretch at both edges of 90 over 70 is 12.5 %', () => {
    const wall = frustumSector(90, 70, cup.slant);
    expect(stretchAt(wall, 0)).toBeCloseTo(0.125, 9);
    expect(stretchAt(wall, cup.slant)).toBeCloseTo(-0.125, 9);
    const flipped = frustumSector(70, 90, cup.slant);
    expect(stretchAt(flipped, 0)).toBeCloseTo(-0.125, 9);
  });

  test('what is bent and unbent again lies where it was, within 0.01 mm', () => {
    fc.assert(
      fc.property(cone, share, share, fc.double({ min: 0, max: 30, noNaN: true }), (c, u, v, gap) => {
        const sector = printedSector(frustumSector(c.top, c.bottom, c.slant), gap, 0);
        fc.pre(sector.sweep > 0 && sector.sweep < 2 * Math.PI);
        const { width, height } = rectangleOf(sector);
        const bent = bendPoint(sector, u * width, v * height);
        const box = sectorBox(sector);
        expect(bent.x).toBeGreaterThanOrEqual(-1e-6);
        expect(bent.x).toBeLessThanOrEqual(box.width + 1e-6);
        expect(bent.y).toBeGreaterThanOrEqual(-1e-6);
        expect(bent.y).toBeLessThanOrEqual(box.height + 1e-6);
        const back = unbendPoint(sector, bent.x, bent.y);
        expect(Math.hypot(back.x - u * width, back.y - v * height)).toBeLessThan(0.01);
      }),
    );
  });

  test('the area of the sector is the side of the frustum: pi s (Dt + Db) / 2', () => {
    fc.assert(
      fc.property(cone, ({ top, bottom, slant }) => {
        const { outerRadius, innerRadius, sweep } = frustumSector(top, bottom, slant);
        const area = (sweep / 2) * (outerRadius ** 2 - innerRadius ** 2);
        expect(area / ((Math.PI * slant * (top + bottom)) / 2)).toBeCloseTo(1, 9);
      }),
    );
  });

  test('it tends to the straight wrap as the diameters do', () => {
    fc.assert(
      fc.property(diameter, fc.double({ min: 60, max: 200, noNaN: true }), (across, height) => {
        const bent = bendOf({ ...cup, topDiameter: across + 0.12, bottomDiameter: across, slant: height })!;
        const { width } = sectorBox(bent);
        expect(Math.abs(width - Math.PI * across)).toBeLessThan(0.01 * Math.PI * across);
        expect(rectangleOf(bent).width).toBeCloseTo(Math.PI * (across + 0.06), 6);
        expect(
          bendOf({ ...cup, topDiameter: across + 0.05, bottomDiameter: across, slant: height }),
        ).toBeNull();
      }),
    );
    expect(roundBody({ top: 80.05, bottom: 80, slant: 90 }).kind).toBe('wrap');
    expect(roundBody({ top: 80.2, bottom: 80, slant: 90 }).kind).toBe('taper');
  });

  test('a handle gap never lets the print touch the handle', () => {
    fc.assert(
      fc.property(cone, fc.double({ min: 5, max: 60, noNaN: true }), ({ top, bottom, slant }, gap) => {
        const wall = frustumSector(top, bottom, slant);
        const printed = printedSector(wall, gap, 0);
        const free = wall.sweep - printed.sweep;
        expect(free * wall.innerRadius).toBeCloseTo(gap, 9);
        expect(free * wall.outerRadius).toBeGreaterThanOrEqual(gap - 1e-9);
      }),
    );
    fc.assert(
      fc.property(diameter, fc.double({ min: 5, max: 60, noNaN: true }), (across, gap) => {
        const body = { ...mug, diameter: across, handle: { ...mug.handle!, gap } };
        expect(circumference(body) - wrapWidth(body)).toBeCloseTo(gap, 9);
        expect(roundFaces(body)[0]!.zones[1]!.x).toBeCloseTo(wrapWidth(body) / 2, 9);
      }),
    );
  });

  test('the bleed follows the arc and is nowhere less than asked', () => {
    const sector = printedSector(frustumSector(90, 70, cup.slant), 26, 0);
    const grown = sectorBox(sector, 2);
    const own = sectorBox(sector);
    expect(grown.width - own.width).toBeGreaterThan(4);
    expect(own.apexY + 2).toBeCloseTo(grown.apexY, 9);
    expect(sectorPath(sector, 2)).toMatch(/^M.*A678\.498/);
  });

  test('its path runs through its four corners, whichever way up it is', () => {
    fc.assert(
      fc.property(cone, ({ top, bottom, slant }) => {
        const sector = frustumSector(top, bottom, slant);
        const { width, height } = rectangleOf(sector);
        const ends = [...sectorPath(sector).matchAll(/(-?[\d.e-]+) (-?[\d.e-]+)(?=[ALZ])/g)].map(
          ([, x, y]) => [Number(x), Number(y)],
        );
        const wanted = [
          [0, 0],
          [width, 0],
          [width, height],
          [0, height],
        ].map(([x, y]) => bendPoint(sector, x!, y!));
        for (const { x, y } of wanted) {
          const near = Math.min(...ends.map(([ex, ey]) => Math.hypot(ex! - x, ey! - y)));
          expect(near).toBeLessThan(1e-6);
        }
      }),
    );
  });

  test('a level line stays at one distance from the apex, an upright one points to it', () => {
    fc.assert(
      fc.property(cone, share, share, share, ({ top, bottom, slant }, u, w, v) => {
        const sector = frustumSector(top, bottom, slant);
        const { width, height } = rectangleOf(sector);
        const { apexX, apexY } = sectorBox(sector);
        const from = (x: number, y: number) => {
          const at = bendPoint(sector, x, y);
          return Math.hypot(at.x - apexX, at.y - apexY);
        };
        expect(from(u * width, v * height)).toBeCloseTo(from(w * width, v * height), 6);
        const lower = bendPoint(sector, u * width, height);
        const upper = bendPoint(sector, u * width, 0);
        const middle = bendPoint(sector, u * width, height / 2);
        expect(
          Math.hypot(middle.x - (lower.x + upper.x) / 2, middle.y - (lower.y + upper.y) / 2),
        ).toBeLessThan(1e-6);
      }),
    );
  });

  test('upside down it is the same, flipped', () => {
    const wide = frustumSector(90, 70, 100);
    const narrow = frustumSector(70, 90, 100);
    expect(sectorBox(narrow).width).toBeCloseTo(sectorBox(wide).width, 9);
    const { width, height } = rectangleOf(wide);
    const top = bendPoint(wide, width / 2, 0);
    const foot = bendPoint(narrow, width / 2, height);
    expect(top.y).toBeCloseTo(0, 9);
    expect(foot.y).toBeCloseTo(sectorBox(narrow).height, 9);
    expect(bendPoint(narrow, width, height / 2).x).toBeGreaterThan(foot.x);
  });

  test('a sweep past the half circle has the whole circle for its width', () => {
    const flat = frustumSector(160, 20, 71);
    expect(flat.sweep).toBeGreaterThan(Math.PI);
    expect(sectorBox(flat).width).toBeCloseTo(2 * flat.outerRadius, 9);
    expect(sectorBox(flat).height).toBeGreaterThan(flat.outerRadius);
  });

  test('what no cone can be is refused', () => {
    expect(() => frustumSector(80, 80.05, 100)).toThrow(RangeError);
    expect(() => frustumSector(100, 40, 20)).toThrow(RangeError);
  });

  test('its rectangle is as wide as the print is halfway down', () => {
    const [face] = roundFaces(cup);
    expect(face!.width).toBeCloseTo(Math.PI * 80, 6);
    expect(face!.height).toBeCloseTo(150.333, 3);
    expect(face!.bend!.sweep * middleRadius(face!.bend!)).toBeCloseTo(face!.width, 9);
  });
});

describe('the body as it stands', () => {
  test('a cone’s wall is as wide as was measured at the print’s edges', () => {
    const body = { ...cup, lip: 8, foot: 6 };
    const { print, foot, lip, whole } = uprightOf(body);
    expect(print).toBeCloseTo(150, 6);
    expect(whole).toBeCloseTo(print + lip + foot, 9);
    expect(radiusAt(body, foot)).toBeCloseTo(35, 9);
    expect(radiusAt(body, foot + print)).toBeCloseTo(45, 9);
  });
});
