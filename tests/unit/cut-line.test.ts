import fc from 'fast-check';
import { outlineDistance } from '@/core/geometry/outline';
import { cutLine } from '@/core/cut/line';
import { shapeOfPath } from '@/core/cut/path-shape';
import { measureCut } from '@/core/cut/measure';
import { areaOf, lengthOf } from '@/core/cut/polygons';
import { USUAL_CUT, type CutSettings } from '@/core/fit/cut';
import { traceAlpha, type Ring } from '@/core/cut/trace';
import { flattenPath } from '@/core/geometry/path';
import { coverOf } from '@/core/raster/cover';
import type { Raster } from '@/core/raster/raster';
import { runs } from '../support/long';

const PER_MM = 30;

/** Polygons in mm as an alpha picture of whole pixels, each covered by as much as it is. */
function picture(rings: readonly Ring[], side = 60): Raster {
  const size = side * PER_MM;
  const data = new Uint8Array(size * size * 4);
  for (const ring of rings) {
    const mask = coverOf([Float64Array.from(ring.flatMap(([x, y]) => [x * PER_MM, y * PER_MM]))], {
      left: 0,
      top: 0,
      right: size,
      bottom: size,
    });
    for (let y = 0; y < mask.height; y++)
      for (let x = 0; x < mask.width; x++) {
        const at = ((mask.top + y) * size + mask.left + x) * 4 + 3;
        data[at] = Math.max(data[at]!, mask.data[y * mask.width + x]!);
      }
  }
  return { width: size, height: size, data, opaque: false };
}

/** Traced and put back into mm. */
function traced(raster: Raster): Ring[] {
  return traceAlpha(raster).map((ring) => ring.map(([x, y]) => [x / PER_MM, y / PER_MM]));
}

function lineRound(rings: readonly Ring[], settings: Partial<CutSettings> = {}) {
  return cutLine(traced(picture(rings)), { ...USUAL_CUT, ...settings });
}

function circle(x: number, y: number, radius: number): Ring {
  return Array.from({ length: 720 }, (_, i) => {
    const angle = (i / 720) * 2 * Math.PI;
    return [x + radius * Math.cos(angle), y + radius * Math.sin(angle)];
  });
}

const square = (x: number, y: number, side: number): Ring => [
  [x, y],
  [x + side, y],
  [x + side, y + side],
  [x, y + side],
];

function star(x: number, y: number, outer: number, inner: number, points: number): Ring {
  return Array.from({ length: points * 2 }, (_, i) => {
    const radius = i % 2 === 0 ? outer : inner;
    const angle = (i / (points * 2)) * 2 * Math.PI - Math.PI / 2;
    return [x + radius * Math.cos(angle), y + radius * Math.sin(angle)];
  });
}

describe('a cut line round shapes of known size', () => {
  const border = 3;
  const area = (ring: Ring) => Math.abs(areaOf(ring));
  /** Area and length of what is grown by a border: exact for what has no corner inwards. */
  const grown = (ring: Ring) => ({
    area: area(ring) + lengthOf(ring) * border + Math.PI * border ** 2,
    length: lengthOf(ring) + 2 * Math.PI * border,
  });
  it.each([
    ['circle', circle(30, 30, 20)],
    ['small circle', circle(30.013, 29.98, 4)],
    ['square', square(14.02, 15.01, 31)],
    ['turned square', star(30, 30, 20, 20 * Math.SQRT1_2, 4)],
  ])('%s: at the border all round, area and length by the formula', (_, ring) => {
    const path = lineRound([ring]);
    const shape = shapeOfPath(path);
    expect(shape.outers).toHaveLength(1);
    const [line] = shape.outers;
    for (const [x, y] of line!) {
      expect(Math.abs(outlineDistance(ring, x, y) - border)).toBeLessThan(0.05);
    }
    const expected = grown(ring);
    expect(Math.abs(area(line!) / expected.area - 1)).toBeLessThan(0.005);
    expect(Math.abs(lengthOf(line!) / expected.length - 1)).toBeLessThan(0.005);
    expect(path.length).toBeLessThan(40);
  });

  it('star: at the border but where a corner inwards is rounded', () => {
    const ring = star(30, 30, 24, 11, 5);
    const radius = 1;
    const [line] = shapeOfPath(lineRound([ring], { radius })).outers;
    let off = 0;
    for (const [x, y] of line!) {
      const from = outlineDistance(ring, x, y);
      expect(from).toBeGreaterThan(border - 0.05);
      if (from > border + 0.05) off++;
    }
    // Five short arcs.
    expect(off / line!.length).toBeLessThan(0.15);
    const measured = measureCut({ outers: [line!], holes: [] });
    expect(measured.radius.value).toBeGreaterThan(radius * 0.9);
    expect(measured.radius.value).toBeLessThan(radius * 1.25);
  });

  it('a star without rounding: area and length by the formula with its corners inwards', () => {
    const [points, outer, inner] = [5, 24, 11];
    const ring = star(30, 30, outer, inner, points);
    // Each corner inwards of the parallel line lies where both sides moved outwards meet.
    const [a, b, c] = [ring[0]!, ring[1]!, ring[2]!];
    const angle = (p: readonly number[], q: readonly number[]) => Math.atan2(q[1]! - p[1]!, q[0]! - p[0]!);
    const turn = Math.abs(angle(b, c) - angle(a, b));
    const inward = 2 * Math.PI - turn > Math.PI ? turn : 2 * Math.PI - turn;
    const lost = border * Math.tan(inward / 2);
    const outward = (2 * Math.PI + points * inward) / points;
    const length = lengthOf(ring) + points * (border * outward - 2 * lost);
    const mm2 = area(ring) + border * lengthOf(ring) + points * ((outward / 2) * border ** 2 - border * lost);
    const [line] = shapeOfPath(lineRound([ring], { radius: 0 })).outers;
    expect(Math.abs(lengthOf(line!) / length - 1)).toBeLessThan(0.005);
    expect(Math.abs(area(line!) / mm2 - 1)).toBeLessThan(0.005);
  });

  it('a hole is dropped, or kept and made smaller by the border', () => {
    const outer = circle(30, 30, 22);
    const hole = circle(30, 30, 9);
    const raster = picture([outer]);
    const inner = picture([hole]);
    for (let at = 3; at < raster.data.length; at += 4) raster.data[at]! -= inner.data[at]!;
    const rings = traced(raster);
    expect(shapeOfPath(cutLine(rings, USUAL_CUT)).holes).toHaveLength(0);
    const kept = shapeOfPath(cutLine(rings, { ...USUAL_CUT, holes: 'keep' }));
    expect(kept.holes).toHaveLength(1);
    expect(Math.sqrt(area(kept.holes[0]!) / Math.PI)).toBeCloseTo(6, 1);
  });

  it('plain shapes hold the artwork with its border', () => {
    const ring = star(30, 30, 20, 9, 5);
    for (const shape of ['circle', 'rounded', 'rectangle'] as const) {
      const [line] = shapeOfPath(lineRound([ring], { shape })).outers;
      const nearest = Math.max(...ring.map(([x, y]) => outlineDistance(line!, x, y)));
      expect(nearest).toBeCloseTo(-border, 1);
    }
    const own = { name: 'diamond', d: 'M0.5 0L1 0.5L0.5 1L0 0.5Z' };
    const [line] = shapeOfPath(lineRound([ring], { shape: 'path', own })).outers;
    expect(Math.max(...ring.map(([x, y]) => outlineDistance(line!, x, y)))).toBeCloseTo(-border, 1);
  });
});

describe('what a cut line is like', () => {
  const shape = (...rings: Ring[]) => ({ outers: rings, holes: [] });
  it('a neck is as wide as it is, and where it is', () => {
    const ring: Ring = [
      [0, 0], [20, 0], [20, 9.2], [30, 9.2], [30, 0], [50, 0],
      [50, 20], [30, 20], [30, 10.8], [20, 10.8], [20, 20], [0, 20],
    ]; // prettier-ignore
    const { neck } = measureCut(shape(ring));
    expect(neck.value).toBeCloseTo(1.6, 1);
    expect(neck.at![0]).toBeGreaterThan(19);
    expect(neck.at![0]).toBeLessThan(31);
    expect(neck.at![1]).toBeCloseTo(10, 0);
  });

  it('a point is as sharp as the angle between its sides', () => {
    for (const degrees of [8, 15, 30, 45]) {
      const half = 40 * Math.tan((degrees * Math.PI) / 360);
      const ring: Ring = [[0, -half], [40, 0], [0, half]]; // prettier-ignore
      const { point } = measureCut(shape(ring));
      expect(point.value).toBeCloseTo(degrees, 0);
      expect(point.at![0]).toBeCloseTo(40, 0);
    }
  });

  it('corners are as round as they are', () => {
    for (const radius of [0.4, 0.8, 1.5]) {
      const line = lineRound([square(15, 15, 30)], { border: 0, radius });
      expect(measureCut(shapeOfPath(line)).radius.value).toBeCloseTo(radius, 0);
      expect(Math.abs(measureCut(shapeOfPath(line)).radius.value / radius - 1)).toBeLessThan(0.25);
    }
    expect(measureCut(shape(square(0, 0, 30))).radius.value).toBeLessThan(0.15);
  });

  it('parts that the border does not join are told apart by mm, and joined or left out as asked', () => {
    const rings = [circle(15, 30, 8), circle(42, 30, 5)];
    const apart = measureCut(shapeOfPath(lineRound(rings, { border: 2 })));
    expect(apart.parts).toBe(2);
    expect(apart.apart).toBeCloseTo(42 - 15 - 13 - 4, 1);
    expect(measureCut(shapeOfPath(lineRound(rings, { border: 7.2 }))).parts).toBe(1);
    const bridge = measureCut(shapeOfPath(lineRound(rings, { border: 2, islands: 'bridge' })));
    expect(bridge.parts).toBe(1);
    expect(bridge.neck.value).toBeGreaterThan(2.8);
    const drop = shapeOfPath(lineRound(rings, { border: 2, islands: 'drop' }));
    expect(drop.outers).toHaveLength(1);
    expect(area1(drop.outers[0]!)).toBeCloseTo(Math.PI * 100, -1);
  });
  const area1 = (ring: Ring) => Math.abs(areaOf(ring));
});

describe('properties', () => {
  const blobs = fc.array(
    fc.record({
      x: fc.double({ min: 14, max: 46, noNaN: true }),
      y: fc.double({ min: 14, max: 46, noNaN: true }),
      radius: fc.double({ min: 1, max: 9, noNaN: true }),
    }),
    { minLength: 1, maxLength: 6 },
  );
  it('no cut line crosses itself, and none comes nearer to the artwork than the border', () => {
    fc.assert(
      fc.property(blobs, fc.double({ min: 0.5, max: 4, noNaN: true }), (circles, border) => {
        const rings = circles.map(({ x, y, radius }) => circle(x, y, radius));
        const path = lineRound(rings, { border });
        for (const points of flattenPath(path, 0.02)) expect(crossings(points)).toBe(0);
        for (const line of shapeOfPath(path).outers)
          for (const [x, y] of line) {
            const near = Math.min(...circles.map((c) => Math.hypot(x - c.x, y - c.y) - c.radius));
            expect(near).toBeGreaterThan(border - 0.05);
          }
      }),
      runs(4),
    );
  }, 60_000);
});

/** How often edges of a polygon cross that are not neighbours. */
function crossings(points: Float64Array): number {
  const count = points.length / 2;
  const at = (i: number) => [points[(i % count) * 2]!, points[(i % count) * 2 + 1]!] as const;
  const side = (a: readonly [number, number], b: readonly [number, number], c: readonly [number, number]) =>
    (b[0] - a[0]) * (c[1] - a[1]) - (b[1] - a[1]) * (c[0] - a[0]);
  let found = 0;
  for (let i = 0; i < count; i++)
    for (let j = i + 2; j < count; j++) {
      if (i === 0 && j === count - 1) continue;
      const [a, b, c, d] = [at(i), at(i + 1), at(j), at(j + 1)];
      if (side(a, b, c) * side(a, b, d) < 0 && side(c, d, a) * side(c, d, b) < 0) found++;
    }
  return found;
}
