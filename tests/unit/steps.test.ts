import { uprightFrom, layBox, layingSize, type Lie } from '@/core/geometry/lie';
import { layRaster } from '@/core/raster/turn';
import {
  sayStep,
  sizeAfter,
  withStep,
  pageOf,
  omittedBy,
  pixelsKey,
  StepSchema,
  type Step,
} from '@/core/artwork/steps';
import { flatBackground } from '@/core/raster/background';
import { applySteps } from '@/core/raster/steps/apply';
import { words, type Raster } from '@/core/raster/raster';
import fc from 'fast-check';
import * as v from 'valibot';
import { CLEAR, paint, pixelAt, RED, solid } from '../support/pictures';

const same = (a: Raster, b: Raster) =>
  a.width === b.width &&
  a.height === b.height &&
  Buffer.compare(Buffer.from(a.data), Buffer.from(b.data)) === 0;
const small = fc
  .tuple(fc.integer({ min: 1, max: 9 }), fc.integer({ min: 1, max: 9 }))
  .map(([width, height]) => paint(width, height, (x, y) => [x * 20, y * 20, 7, 255]));
const lies = fc.record({ quarters: fc.constantFrom(0, 1, 2, 3), flipped: fc.boolean() }) as fc.Arbitrary<Lie>;

describe('turning and flipping', () => {
  test('four quarters, or two flips, come back to the start', () => {
    fc.assert(
      fc.property(small, (raster) => {
        const turn: Step = { kind: 'turn', quarters: 1 };
        const flip: Step = { kind: 'flip', axis: 'across' };
        const down: Step = { kind: 'flip', axis: 'down' };
        expect(same(applySteps(raster, [turn, turn, turn, turn]), raster)).toBe(true);
        expect(same(applySteps(raster, [flip, flip]), raster)).toBe(true);
        expect(
          same(applySteps(raster, [flip, down]), applySteps(raster, [{ kind: 'turn', quarters: 2 }])),
        ).toBe(true);
      }),
    );
  });

  test('a box goes where its pixels go', () => {
    fc.assert(
      fc.property(small, lies, fc.nat(), fc.nat(), (raster, lie, a, b) => {
        const x = a % raster.width;
        const y = b % raster.height;
        const box = layBox({ x, y, width: 1, height: 1 }, raster, lie);
        const laid = layRaster(raster, lie);
        expect(pixelAt(laid, box.x, box.y)).toEqual(pixelAt(raster, x, y));
        expect({ width: laid.width, height: laid.height }).toEqual(layingSize(raster, lie));
      }),
    );
  });

  test.each([
    [1, 0, 0],
    [2, 1, 0],
    [3, 1, 1],
    [4, 0, 1],
    [5, 0, 0],
    [6, 1, 0],
    [7, 1, 1],
    [8, 0, 1],
  ])('EXIF orientation %d: its stored first pixel comes to (%d, %d)', (orientation, right, low) => {
    const stored = paint(3, 2, (x, y) => [x === 0 && y === 0 ? 255 : 0, 0, 0, 255]);
    const upright = layRaster(stored, uprightFrom(orientation));
    const x = right * (upright.width - 1);
    const y = low * (upright.height - 1);
    expect(pixelAt(upright, x, y)[0]).toBe(255);
    expect(upright.width).toBe(orientation >= 5 ? 2 : 3);
  });

  test('an orientation that is none leaves it as it is', () => {
    expect(uprightFrom(9)).toEqual({ quarters: 0, flipped: false });
  });
});

describe('cropping', () => {
  test('keeps just the part, by whole pixels, one at least', () => {
    const raster = paint(10, 8, (x, y) => [x, y, 0, 255]);
    const crop = (x: number, y: number, width: number, height: number) =>
      applySteps(raster, [{ kind: 'crop', to: 'hand', x, y, width, height }]);
    const part = crop(0.2, 0.25, 0.5, 0.5);
    expect([part.width, part.height]).toEqual([5, 4]);
    expect(pixelAt(part, 0, 0)).toEqual([2, 2, 0, 255]);
    expect(pixelAt(part, 4, 3)).toEqual([6, 5, 0, 255]);
    expect(crop(1, 1, 0, 0)).toMatchObject({ width: 1, height: 1 });
  });

  test('sizes follow the steps', () => {
    const steps: Step[] = [
      { kind: 'crop', to: 'hand', x: 0, y: 0, width: 0.5, height: 0.25 },
      { kind: 'turn', quarters: 3 },
    ];
    expect(sizeAfter(steps, { width: 80, height: 40 })).toEqual({ width: 10, height: 40 });
  });
});

/** A ring of the motif's colour, anti-aliased, on a flat ground, its hole of the ground's colour. */
function ring(ground: readonly [number, number, number], noise = 0): Raster {
  const motif = [23, 53, 139];
  return paint(80, 80, (x, y) => {
    const far = Math.hypot(x - 39.5, y - 39.5);
    const share = Math.min(1, Math.max(0, 30.5 - far)) * Math.min(1, Math.max(0, far - 11.5));
    const grain = noise === 0 ? 0 : ((x * 7 + y * 13) % (2 * noise + 1)) - noise;
    const level = (i: 0 | 1 | 2) =>
      Math.round(Math.min(255, Math.max(0, motif[i]! * share + ground[i] * (1 - share) + grain)));
    return [level(0), level(1), level(2), 255];
  });
}

describe('clearing a flat background', () => {
  const step = (change: object = {}): Step =>
    v.parse(StepSchema, { kind: 'clear', colour: '#f4e6bd', tolerance: 6, islands: 'keep', ...change });

  test('what is reached from the edge is clear, the motif stays solid, islands as chosen', () => {
    const kept = applySteps(ring([244, 230, 189]), [step()]);
    expect(kept.opaque).toBe(false);
    expect(pixelAt(kept, 2, 2)).toEqual([0, 0, 0, 0]);
    expect(pixelAt(kept, 39, 19)).toEqual([23, 53, 139, 255]);
    expect(pixelAt(kept, 39, 39)).toEqual([244, 230, 189, 255]);
    const cleared = applySteps(ring([244, 230, 189]), [step({ islands: 'clear' })]);
    expect(pixelAt(cleared, 39, 39)[3]).toBe(0);
  });

  test('no fringe of the background is left: an edge pixel has the motif’s colour and its share as alpha', () => {
    const cleared = applySteps(ring([244, 230, 189]), [step({ islands: 'clear' })]);
    let edge = 0;
    const share = (x: number, y: number) => {
      const far = Math.hypot(x - 39.5, y - 39.5);
      return Math.min(1, Math.max(0, 30.5 - far)) * Math.min(1, Math.max(0, far - 11.5));
    };
    for (let y = 0; y < 80; y++) {
      for (let x = 0; x < 80; x++) {
        const [red, green, blue, alpha] = pixelAt(cleared, x, y);
        if (alpha === 0) continue;
        expect(Math.max(Math.abs(red! - 23), Math.abs(green! - 53), Math.abs(blue! - 139))).toBeLessThan(6);
        if (alpha! < 255) {
          edge++;
          expect(Math.abs(alpha! / 255 - share(x, y))).toBeLessThan(0.05);
        }
      }
    }
    expect(edge).toBeGreaterThan(60);
  });

  test('noise within the tolerance goes too; with none of it, it stays', () => {
    const noisy = ring([244, 230, 189], 8);
    expect(pixelAt(applySteps(noisy, [step({ tolerance: 6 })]), 3, 3)[3]).toBe(0);
    expect(pixelAt(applySteps(noisy, [step({ tolerance: 0 })]), 3, 4)[3]).toBe(255);
  });

  test('the colour that runs all round is found, noise or not; gradients, bleeds and plain pictures have none', () => {
    expect(flatBackground(ring([244, 230, 189]))).toBe('#f4e6bd');
    expect(flatBackground(ring([244, 230, 189], 3))).toMatch(/^#f/);
    expect(flatBackground(paint(60, 60, (x) => [x * 4, 90, 90, 255]))).toBeNull();
    expect(
      flatBackground(paint(60, 60, (_, y) => (y > 20 && y < 40 ? [...RED] : [255, 255, 255, 255]))),
    ).toBeNull();
    expect(flatBackground(solid(40, 40))).toBeNull();
    expect(flatBackground(paint(40, 40, (x) => (x > 9 && x < 30 ? RED : CLEAR)))).toBeNull();
  });
});

describe('recolouring', () => {
  test('the colour becomes the other, mixtures move by their share, other colours stay', () => {
    const cream = [244, 230, 189] as const;
    const source = ring(cream);
    const after = applySteps(source, [{ kind: 'recolour', from: '#17358b', to: '#8c1216' }]);
    expect(pixelAt(after, 39, 19)).toEqual([140, 18, 22, 255]);
    expect(pixelAt(after, 2, 2)).toEqual([...cream, 255]);
    const wanted = paint(80, 80, (x, y) => {
      const far = Math.hypot(x - 39.5, y - 39.5);
      const share = Math.min(1, Math.max(0, 30.5 - far)) * Math.min(1, Math.max(0, far - 11.5));
      const mix = (i: 0 | 1 | 2) => Math.round([140, 18, 22][i]! * share + cream[i] * (1 - share));
      return [mix(0), mix(1), mix(2), 255];
    });
    let worst = 0;
    for (let i = 0; i < wanted.data.length; i++)
      worst = Math.max(worst, Math.abs(wanted.data[i]! - after.data[i]!));
    expect(worst).toBeLessThan(12);
    expect(same(source, ring(cream))).toBe(true);
  });
});

describe('tidying', () => {
  test('specks and crop marks are cleared, the motif is not touched', () => {
    const raster = paint(400, 300, (x, y) =>
      (x > 100 && x < 300 && y > 80 && y < 220) || (x === 20 && y === 20) || (x === 40 && y > 250 && y < 280)
        ? RED
        : CLEAR,
    );
    const tidied = applySteps(raster, [{ kind: 'tidy', what: 'specks' }]);
    expect(pixelAt(tidied, 20, 20)[3]).toBe(0);
    expect(pixelAt(tidied, 40, 260)[3]).toBe(0);
    expect(pixelAt(tidied, 200, 150)).toEqual([...RED]);
  });

  test('a guide line is closed over with what lies beside it', () => {
    const raster = paint(300, 200, (x, y) =>
      y === 90 || y === 91 ? [0, 255, 255, 255] : [x < 150 ? 30 : 220, 40, 60, 255],
    );
    const tidied = applySteps(raster, [{ kind: 'tidy', what: 'lines' }]);
    expect(pixelAt(tidied, 20, 90)).toEqual([30, 40, 60, 255]);
    expect(pixelAt(tidied, 280, 91)).toEqual([220, 40, 60, 255]);
  });

  test('pinholes and hairline gaps are filled, the counter of a letter is not', () => {
    const raster = paint(200, 120, (x, y) => {
      const inside = x > 20 && x < 180 && y > 20 && y < 100;
      const pinhole = x >= 60 && x < 63 && y >= 50 && y < 52;
      const counter = Math.hypot(x - 140, y - 60) < 12;
      return inside && !pinhole && !counter && x !== 100 ? RED : CLEAR;
    });
    const filled = applySteps(raster, [
      { kind: 'tidy', what: 'pinholes' },
      { kind: 'tidy', what: 'gaps' },
    ]);
    expect(pixelAt(filled, 61, 51)).toEqual([...RED]);
    expect(pixelAt(filled, 100, 60)).toEqual([...RED]);
    expect(pixelAt(filled, 140, 60)[3]).toBe(0);
    expect(pixelAt(filled, 100, 10)[3]).toBe(0);
  });

  test('an opaque picture has neither specks nor holes to mend', () => {
    for (const what of ['specks', 'pinholes', 'gaps'] as const)
      expect(same(applySteps(solid(20, 20), [{ kind: 'tidy', what }]), solid(20, 20))).toBe(true);
  });
});

describe('the list of steps', () => {
  test('another page or other parts take the place of those before, and come first', () => {
    const steps: Step[] = [
      { kind: 'page', page: 1 },
      { kind: 'flip', axis: 'down' },
    ];
    expect(withStep(steps, { kind: 'page', page: 2 })).toEqual([{ kind: 'page', page: 2 }, steps[1]]);
    expect(withStep(steps, { kind: 'turn', quarters: 2 })).toHaveLength(3);
    expect(pageOf(steps)).toBe(1);
    expect(omittedBy([{ kind: 'omit', parts: [3] }])).toEqual([3]);
    expect([pageOf([]), omittedBy([])]).toEqual([0, []]);
  });

  test('every step is said in a sentence of its own, and pixels are known by their file and steps', () => {
    const steps: Step[] = [
      { kind: 'page', page: 0 },
      { kind: 'omit', parts: [1] },
      { kind: 'omit', parts: [1, 2] },
      { kind: 'crop', to: 'opaque', x: 0, y: 0, width: 1, height: 1 },
      { kind: 'crop', to: 'hand', x: 0, y: 0, width: 0.5, height: 0.25 },
      { kind: 'clear', colour: '#ffffff', tolerance: 8, islands: 'keep' },
      { kind: 'clear', colour: '#ffffff', tolerance: 8, islands: 'clear' },
      { kind: 'turn', quarters: 1 },
      { kind: 'turn', quarters: 2 },
      { kind: 'turn', quarters: 3 },
      { kind: 'flip', axis: 'across' },
      { kind: 'flip', axis: 'down' },
      { kind: 'recolour', from: '#000000', to: '#ffffff' },
      ...(['specks', 'lines', 'pinholes', 'gaps'] as const).map((what) => ({ kind: 'tidy' as const, what })),
    ];
    expect(new Set(steps.map(sayStep)).size).toBe(steps.length);
    expect(sayStep(steps[4]!)).toBe('Cropped by hand to 50 % × 25 %');
    expect(new Set(steps.map((step) => pixelsKey('a', [step]))).size).toBe(steps.length);
    expect(pixelsKey('a', [])).toBe('a');
  });

  test('progress rises through the steps, and what was handed in stays', () => {
    const raster = solid(30, 20);
    const told: number[] = [];
    applySteps(
      raster,
      [
        { kind: 'turn', quarters: 1 },
        { kind: 'recolour', from: '#c81e14', to: '#000000' },
      ],
      (share) => told.push(share),
    );
    expect(told.length).toBeGreaterThan(1);
    expect(told).toEqual([...told].sort((a, b) => a - b));
    expect(new Set(words(raster)).size).toBe(1);
    expect(pixelAt(raster, 0, 0)).toEqual([...RED]);
  });
});
