import fc from 'fast-check';
import { UpFitError } from '@/core/errors';
import { readHeader } from '@/core/formats/sniff';
import { signedDistance } from '@/core/blank/shape';
import { corners, extentOf, opaqueBox } from '@/core/fit/geometry';
import { bringInside, extendToBleed } from '@/core/fit/remedies';
import { snapBox } from '@/core/fit/snap';
import { nearestZone } from '@/core/fit/zones';
import { parseLength } from '@/core/length/parse';
import { showLength } from '@/core/length/show';
import { opaqueBounds } from '@/core/raster/bounds';
import { boxShrink } from '@/core/raster/shrink';
import { renderFace } from '@/core/render/face';
import { sampleAlpha, sampler } from '@/core/render/sampler';
import { gridOver, gridToArtwork, pixelCentre } from '@/core/render/transform';
import { normalAngle } from '@/places/bench/acts/angle';
import { blankById, faceOf, factsOf, pieceAt, shown } from '../support/fits';
import { CLEAR, paint, pixelAt, RED, solid } from '../support/pictures';
import { runs } from '../support/long';

const mug = faceOf(blankById('mug-325'));
const sticker = faceOf(blankById('sticker-75'));
const facts = factsOf(solid(60, 40));
const number = (min: number, max: number) => fc.double({ min, max, noNaN: true });
const turn = number(-Math.PI, Math.PI);

describe('a check and the file it is about cannot disagree', () => {
  const pixels = { width: 226, height: 96 };
  const spotted = paint(90, 60, (x, y) =>
    (x * 7 + y * 13) % 11 < 5 ? [x * 2, y * 4, 90, 255] : [0, 0, 0, (x * 5) % 200],
  );

  test('alpha sampled for a rule is the alpha that is drawn', () => {
    fc.assert(
      fc.property(
        number(0, 222),
        number(0, 92),
        number(10, 400),
        turn,
        fc.boolean(),
        (x, y, width, rotation, flipped) => {
          const piece = pieceAt(x, y, width, width / 1.7, { rotation, flipped });
          const drawn = renderFace(mug, [piece], shown(spotted), { pixels });
          const ready = sampler(gridOver(mug, pixels), piece, spotted);
          for (let i = 0; i < 60; i++) {
            const column = (i * 53) % pixels.width;
            const row = (i * 29) % pixels.height;
            const [, , , alpha] = pixelAt(drawn, column, row);
            expect(Math.abs(alpha! - sampleAlpha(ready, column, row))).toBeLessThanOrEqual(1);
          }
        },
      ),
      runs(40),
    );
  });

  test('the map from grid to artwork sends the piece’s corners to the artwork’s', () => {
    fc.assert(
      fc.property(number(0, 222), number(0, 92), number(10, 400), turn, (x, y, width, rotation) => {
        const piece = pieceAt(x, y, width, width / 1.7, { rotation });
        const grid = gridOver(mug, pixels);
        const { a, b, c, d, e, f } = gridToArtwork(grid, piece);
        const expected = [
          [0, 0],
          [1, 0],
          [1, 1],
          [0, 1],
        ] as const;
        corners(piece).forEach((corner, i) => {
          const column = (corner.x + grid.bleed) * grid.perMmX;
          const row = (corner.y + grid.bleed) * grid.perMmY;
          expect(a * column + c * row + e).toBeCloseTo(expected[i]![0], 9);
          expect(b * column + d * row + f).toBeCloseTo(expected[i]![1], 9);
        });
      }),
    );
  });

  test('the grid’s outermost pixels end on the bleed edge', () => {
    const grid = gridOver(mug, { width: 2671, height: 1134 });
    expect(pixelCentre(grid, -0.5, -0.5)).toEqual({ x: -mug.bleed, y: -mug.bleed });
    expect(pixelCentre(grid, 2670.5, 0).x).toBeCloseTo(mug.width + mug.bleed, 9);
  });
});

describe('remedies mend, wherever the piece was', () => {
  test('an extended ground covers every corner of the bleed, and never shrinks', () => {
    fc.assert(
      fc.property(number(-100, 300), number(-60, 160), number(20, 500), turn, (x, y, width, rotation) => {
        const mended = extendToBleed(
          pieceAt(x, y, width, width / 1.5, { rotation, role: 'ground' }),
          facts,
          mug,
        );
        if (!mended) return;
        expect(mended.scale).toBeGreaterThanOrEqual(1);
        const own = mended.piece;
        for (const corner of corners({
          x: mug.width / 2,
          y: mug.height / 2,
          width: mug.width + 4,
          height: mug.height + 4,
          rotation: 0,
        })) {
          const dx = corner.x - own.x;
          const dy = corner.y - own.y;
          expect(Math.abs(dx * Math.cos(rotation) + dy * Math.sin(rotation))).toBeLessThanOrEqual(
            own.width / 2 + 1e-6,
          );
          expect(Math.abs(dy * Math.cos(rotation) - dx * Math.sin(rotation))).toBeLessThanOrEqual(
            own.height / 2 + 1e-6,
          );
        }
      }),
    );
  });

  test('a motif brought inside lies inside, and never grows', () => {
    for (const face of [mug, sticker]) {
      fc.assert(
        fc.property(number(-100, 300), number(-60, 160), number(5, 500), turn, (x, y, width, rotation) => {
          const mended = bringInside(pieceAt(x, y, width, width / 1.5, { rotation }), facts, face);
          expect(mended.scale).toBeLessThanOrEqual(1);
          for (const corner of corners(opaqueBox(mended.piece, facts))) {
            expect(signedDistance(face, -face.safe, corner.x, corner.y)).toBeLessThan(1e-6);
          }
        }),
      );
    }
  });
});

describe('snapping and zones', () => {
  test('never moves further than its reach, and what it names is where it lands', () => {
    fc.assert(
      fc.property(number(0, 222), number(0, 92), number(5, 80), number(0.1, 5), (x, y, width, reach) => {
        const box = { x, y, width, height: width / 2, rotation: 0 };
        const snap = snapBox(box, mug, [], reach);
        expect(Math.abs(snap.dx)).toBeLessThanOrEqual(reach);
        expect(Math.abs(snap.dy)).toBeLessThanOrEqual(reach);
        if (snap.x === null) return;
        const { left, right } = extentOf({ ...box, x: x + snap.dx });
        expect(Math.min(...[left, right, x + snap.dx].map((at) => Math.abs(at - snap.x!)))).toBeLessThan(
          1e-9,
        );
      }),
    );
  });

  test('no other zone is nearer than the nearest', () => {
    fc.assert(
      fc.property(number(-50, 270), number(-50, 150), (x, y) => {
        const near = nearestZone(mug.zones, { x, y })!;
        const distance = Math.hypot(near.across, near.down);
        for (const zone of mug.zones)
          expect(Math.hypot(x - zone.x, y - zone.y)).toBeGreaterThanOrEqual(distance - 1e-9);
      }),
    );
  });

  test('an angle is brought into half a turn either way and stays the same angle', () => {
    fc.assert(
      fc.property(number(-50, 50), (angle) => {
        const within = normalAngle(angle);
        expect(Math.abs(within)).toBeLessThanOrEqual(Math.PI + 1e-9);
        expect(Math.cos(within)).toBeCloseTo(Math.cos(angle), 9);
        expect(Math.sin(within)).toBeCloseTo(Math.sin(angle), 9);
      }),
    );
  });
});

describe('pixels', () => {
  /** Bounds by the plainest means: flood every part, leave out the small ones. */
  function plainBounds(there: boolean[], width: number, height: number) {
    const part = new Int32Array(there.length).fill(-1);
    const sizes: number[] = [];
    for (let start = 0; start < there.length; start++) {
      if (!there[start] || part[start] !== -1) continue;
      const id = sizes.push(0) - 1;
      const open = [start];
      part[start] = id;
      for (let at = open.pop(); at !== undefined; at = open.pop()) {
        sizes[id]!++;
        const [x, y] = [at % width, Math.floor(at / width)];
        for (let ny = Math.max(0, y - 1); ny <= Math.min(height - 1, y + 1); ny++) {
          for (let nx = Math.max(0, x - 1); nx <= Math.min(width - 1, x + 1); nx++) {
            const next = ny * width + nx;
            if (!there[next] || part[next] !== -1) continue;
            part[next] = id;
            open.push(next);
          }
        }
      }
    }
    const least = width * height * 0.0005;
    const large = sizes.some((size) => size >= least);
    const kept = there.flatMap((_, at) =>
      part[at]! >= 0 && (!large || sizes[part[at]!]! >= least) ? [at] : [],
    );
    if (kept.length === 0) return { x: 0, y: 0, width: 0, height: 0 };
    const xs = kept.map((at) => at % width);
    const ys = kept.map((at) => Math.floor(at / width));
    const [x, y] = [Math.min(...xs), Math.min(...ys)];
    return { x, y, width: Math.max(...xs) - x + 1, height: Math.max(...ys) - y + 1 };
  }

  test('bounds by runs are the bounds by flooding, whatever the shapes', () => {
    fc.assert(
      fc.property(
        fc.array(fc.nat(9), { minLength: 80 * 60, maxLength: 80 * 60 }),
        fc.integer({ min: 1, max: 8 }),
        (dice, odds) => {
          const there = dice.map((roll) => roll < odds);
          const raster = paint(80, 60, (x, y) => (there[y * 80 + x] ? RED : CLEAR));
          expect(opaqueBounds(raster).bounds).toEqual(plainBounds(there, 80, 60));
        },
      ),
      runs(25),
    );
  });

  test('shrinking keeps the mean of an opaque picture', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 6 }), fc.nat(250), (factor, seed) => {
        const side = factor * 8;
        const raster = paint(side, side, (x, y) => [(x * 31 + y * 17 + seed) % 256, 0, 0, 255]);
        const mean = (data: Uint8Array) =>
          data.reduce((sum, value, i) => (i % 4 === 0 ? sum + value : sum), 0) / (data.length / 4);
        expect(Math.abs(mean(boxShrink(raster, factor, factor).data) - mean(raster.data))).toBeLessThan(0.6);
      }),
    );
  });
});

describe('whatever comes in', () => {
  test('a header is read or refused in a sentence, for any bytes', () => {
    const starts = [[0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a], [0xff, 0xd8, 0xff, 0xe0], []];
    fc.assert(
      fc.property(fc.constantFrom(...starts), fc.uint8Array({ maxLength: 200 }), (start, rest) => {
        try {
          const { width, height } = readHeader('any.bin', Uint8Array.from([...start, ...rest]));
          expect(Number.isInteger(width) && Number.isInteger(height)).toBe(true);
        } catch (error) {
          expect(error).toBeInstanceOf(UpFitError);
        }
      }),
      runs(400),
    );
  });

  test('inches to sixteenths read back to within half a sixteenth, decimals to a thousandth', () => {
    fc.assert(
      fc.property(number(0, 3000), (mm) => {
        const back = (inches: 'sixteenths' | 'decimal') => {
          const reading = parseLength(showLength(mm, { unit: 'in', inches }).replace('~', ''));
          return reading.ok ? reading.mm : NaN;
        };
        expect(Math.abs(back('sixteenths') - mm)).toBeLessThanOrEqual(25.4 / 32 + 1e-6);
        expect(Math.abs(back('decimal') - mm)).toBeLessThanOrEqual(0.0127 + 1e-6);
      }),
    );
  });
});
