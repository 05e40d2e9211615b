import { Clipper, EndType, FillRule, JoinType } from 'clipper2-ts';
import fc from 'fast-check';
import * as areas from '@/core/geometry/areas';
import { runs } from '../support/long';

/** Areas are reckoned by parts of a library; its own whole says what must come out, to the last digit. */

const point = fc.record({
  x: fc.integer({ min: -4000, max: 4000 }),
  y: fc.integer({ min: -4000, max: 4000 }),
});
const ring = fc
  .array(point, { minLength: 3, maxLength: 9 })
  .map((points) => points.map(({ x, y }) => ({ x: x / 100, y: y / 100 })));
/** Rings that go round something. */
const whole = ring.filter((points) => Clipper.areaD(points) !== 0);
const area = fc.array(ring, { minLength: 1, maxLength: 3 });
/** Its points alone. */
const said = (made: areas.Area) => made.map((one) => one.map(({ x, y }) => `${x} ${y}`).join(', '));
const decimals = fc.constantFrom(3, 4, 5);

test('what is joined, shared and left', () => {
  fc.assert(
    fc.property(area, area, decimals, (one, other, at) => {
      expect(said(areas.united(one, at))).toEqual(said(Clipper.unionD(one, [], FillRule.NonZero, at)));
      expect(said(areas.unitedEvenOdd(one, at))).toEqual(said(Clipper.unionD(one, [], FillRule.EvenOdd, at)));
      expect(said(areas.common(one, other, at))).toEqual(
        said(Clipper.intersectD(one, other, FillRule.NonZero, at)),
      );
      expect(said(areas.less(one, other, at))).toEqual(
        said(Clipper.differenceD(one, other, FillRule.NonZero, at)),
      );
    }),
    runs(60),
  );
});

test('what is grown and shrunk, its corners round or sharp; lines become bands', () => {
  const by = fc.constantFrom(-2, -0.1, 0.05, 1, 3.5);
  fc.assert(
    fc.property(fc.array(whole, { minLength: 1, maxLength: 3 }), by, decimals, (one, mm, at) => {
      expect(said(areas.grown(one, mm, { decimals: at }))).toEqual(
        said(Clipper.inflatePathsD(one, mm, JoinType.Round, EndType.Polygon, 2, at)),
      );
      expect(said(areas.grown(one, mm, { arc: 0.01, decimals: at }))).toEqual(
        said(Clipper.inflatePathsD(one, mm, JoinType.Round, EndType.Polygon, 2, at, 0.01)),
      );
      for (const [ends, end] of [
        ['butt', EndType.Butt],
        ['round', EndType.Round],
      ] as const)
        expect(said(areas.grown(one, mm, { mitre: 8, ends, arc: 0.004, decimals: at }))).toEqual(
          said(Clipper.inflatePathsD(one, mm, JoinType.Miter, end, 8, at, 0.004)),
        );
    }),
    runs(60),
  );
});

test('a ring that is a point is nothing, and one that goes round nothing leaves nothing where it shrinks', () => {
  const [here, there] = [
    { x: 1, y: 1 },
    { x: 6, y: 1 },
  ];
  const square = [here, there, { x: 6, y: 6 }, { x: 1, y: 6 }];
  const round = { arc: 0.01, decimals: 4 };
  for (const by of [-1, 1]) {
    expect(areas.grown([], by, round)).toEqual([]);
    for (const point of [[], [here], [here, here, here], [here, { x: 1.00001, y: 1 }, here]]) {
      expect(areas.grown([point], by, round)).toEqual([]);
      expect(areas.grown([point, square], by, round)).toEqual(areas.grown([square], by, round));
    }
  }
  expect(areas.grown([[here, there, here]], -1, round)).toEqual([]);
  expect(Math.abs(areas.areaWithin(areas.grown([[here, there, here]], 1, round)[0]!))).toBeCloseTo(
    10 + Math.PI,
    1,
  );
});

test('how large a ring is, which way round, and the box about an area', () => {
  const square = [
    { x: 1, y: 2 },
    { x: 4, y: 2 },
    { x: 4, y: 6 },
    { x: 1, y: 6 },
  ];
  expect(areas.areaWithin(square)).toBe(12);
  expect(areas.areaWithin([...square].reverse())).toBe(-12);
  expect(areas.areaWithin([])).toBe(0);
  expect(areas.areaWithin(square.slice(0, 2))).toBe(0);
  expect(areas.boxOfArea([square, [{ x: -1, y: 3 }]])).toEqual({ left: -1, top: 2, right: 4, bottom: 6 });
  fc.assert(
    fc.property(ring, (one) => {
      expect(areas.areaWithin(one)).toBe(Clipper.areaD(one));
    }),
  );
});
