import fc from 'fast-check';
import { opaqueBounds } from '@/core/raster/bounds';
import { inkCount } from '@/core/raster/inks';
import { boxShrink, reducedTo } from '@/core/raster/shrink';
import { softShare } from '@/core/raster/soft';
import { CLEAR, paint, pixelAt, RED, solid } from '../support/pictures';
import { runs } from '../support/long';

const within = (x: number, y: number, box: readonly [number, number, number, number]) =>
  x >= box[0] && y >= box[1] && x < box[0] + box[2] && y < box[1] + box[3];

describe('opaque bounds', () => {
  test('of a block on nothing', () => {
    const { bounds, share, specks } = opaqueBounds(
      paint(200, 100, (x, y) => (within(x, y, [30, 20, 50, 40]) ? RED : CLEAR)),
    );
    expect(bounds).toEqual({ x: 30, y: 20, width: 50, height: 40 });
    expect(share).toBeCloseTo(0.1, 9);
    expect(specks.count).toBe(0);
  });

  test('leave out a speck and count it', () => {
    const raster = paint(200, 100, (x, y) =>
      within(x, y, [30, 20, 50, 40]) || within(x, y, [190, 90, 2, 2]) ? RED : CLEAR,
    );
    expect(opaqueBounds(raster)).toMatchObject({
      bounds: { x: 30, y: 20, width: 50, height: 40 },
      specks: { count: 1, pixels: 4 },
    });
  });

  test('keep specks where there is nothing else', () => {
    expect(opaqueBounds(paint(200, 100, (x, y) => (x === 7 && y === 9 ? RED : CLEAR))).bounds).toEqual({
      x: 7,
      y: 9,
      width: 1,
      height: 1,
    });
  });

  test('alpha 8 is not there, alpha 9 is', () => {
    const faint = (alpha: number) => opaqueBounds(solid(20, 20, [1, 2, 3, alpha])).bounds.width;
    expect(faint(8)).toBe(0);
    expect(faint(9)).toBe(20);
  });

  test('parts joined only by a corner or by a later row are one', () => {
    const arms = paint(60, 60, (x, y) =>
      x === 10 || x === 50 || (y === 59 && x >= 10 && x <= 50) ? RED : CLEAR,
    );
    expect(opaqueBounds(arms).specks.count).toBe(0);
    const stairs = paint(60, 60, (x, y) => (x === y ? RED : CLEAR));
    expect(opaqueBounds(stairs).bounds).toEqual({ x: 0, y: 0, width: 60, height: 60 });
  });

  test('a rectangle anywhere is found exactly', () => {
    fc.assert(
      fc.property(
        fc.nat(60),
        fc.nat(40),
        fc.integer({ min: 4, max: 30 }),
        fc.integer({ min: 4, max: 20 }),
        (x0, y0, w, h) => {
          const raster = paint(100, 64, (x, y) => (within(x, y, [x0, y0, w, h]) ? RED : CLEAR));
          const right = Math.min(100, x0 + w);
          const bottom = Math.min(64, y0 + h);
          expect(opaqueBounds(raster).bounds).toEqual({
            x: x0,
            y: y0,
            width: right - x0,
            height: bottom - y0,
          });
        },
      ),
      runs(40),
    );
  });
});

describe('soft share', () => {
  /** Clear to the left, solid to the right, alpha rising evenly over `width` steps between them. */
  const ramp = (width: number) =>
    paint(80, 40, (x) => [10, 20, 30, Math.round(255 * Math.max(0, Math.min(1, (x - 30) / width)))] as const);

  test.each([1, 2, 3, 4, 5])('a slope of %d px is an edge', (width) => {
    expect(softShare(ramp(width))).toBe(0);
  });

  test.each([6, 8, 20])('a slope of %d px is soft', (width) => {
    expect(softShare(ramp(width))).toBeGreaterThan(0);
  });

  test('a flat half-transparent picture is soft all over, an opaque one nowhere', () => {
    expect(softShare(solid(30, 30, [0, 0, 0, 128]))).toBe(1);
    expect(softShare(solid(30, 30))).toBe(0);
  });
});

describe('ink count', () => {
  const bands = (colours: readonly (readonly [number, number, number, number])[]) =>
    paint(300, 60, (x) => colours[Math.floor((x * colours.length) / 300)]!);

  test('flat colours are counted, near ones are one', () => {
    expect(inkCount(bands([RED, [20, 40, 90, 255], CLEAR]))).toBe(2);
    expect(inkCount(bands([RED, [202, 31, 20, 255], [20, 40, 90, 255]]))).toBe(2);
  });

  test('anti-aliased edges do not count', () => {
    const disc = paint(200, 200, (x, y) => {
      const edge = Math.max(0, Math.min(1, 80.5 - Math.hypot(x - 100, y - 100)));
      return [200 * edge, 30, 255 - 235 * edge, 255].map(Math.round) as [number, number, number, number];
    });
    expect(inkCount(disc)).toBe(2);
  });

  test('a photograph has none', () => {
    expect(
      inkCount(paint(200, 200, (x, y) => [(x * 37 + y * 91) % 256, (x * 53) % 256, (y * 29) % 256, 255])),
    ).toBeNull();
  });
});

describe('shrinking', () => {
  test('averages blocks, colour weighted by alpha', () => {
    const raster = paint(4, 2, (x) =>
      x < 2 ? [100, 0, 0, 255] : x === 2 ? [0, 200, 0, 255] : [255, 255, 255, 0],
    );
    const half = boxShrink(raster, 2, 2);
    expect([half.width, half.height]).toEqual([2, 1]);
    expect(pixelAt(half, 0, 0)).toEqual([100, 0, 0, 255]);
    expect(pixelAt(half, 1, 0)).toEqual([0, 200, 0, 128]);
  });

  test('no pixel is skipped: one dark pixel still darkens its block', () => {
    const shrunk = boxShrink(
      paint(100, 100, (x, y) => (x === 13 && y === 77 ? [0, 0, 0, 255] : [255, 255, 255, 255])),
      10,
      10,
    );
    expect(pixelAt(shrunk, 1, 7)[0]).toBe(252);
  });

  test('an odd last block counts only its own pixels', () => {
    expect(pixelAt(boxShrink(solid(5, 3), 2, 2), 2, 1)).toEqual([...RED]);
    expect(reducedTo(solid(1000, 400), 256)).toMatchObject({ width: 250, height: 100 });
  });
});
