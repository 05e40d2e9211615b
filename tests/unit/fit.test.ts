import fc from 'fast-check';
import { corners, extentOf, opaqueBox, placeOpaqueBox } from '@/core/fit/geometry';
import { honestSize, meetsPpi, placedPpi, shownPpi, toldPpi } from '@/core/fit/density';
import {
  centreOn,
  coverBleed,
  coverLoss,
  fitInside,
  newPiece,
  setHeight,
  setRotation,
  setWidth,
} from '@/core/fit/place';
import { bringInside, extendToBleed } from '@/core/fit/remedies';
import { snapBox } from '@/core/fit/snap';
import { nearestZone } from '@/core/fit/zones';
import { signedDistance } from '@/core/blank/shape';
import { blankById, faceOf, factsOf, pieceAt } from '../support/fits';
import { CLEAR, paint, RED, solid } from '../support/pictures';
import { runs } from '../support/long';

const mug = faceOf(blankById('mug-325'));
const sticker = faceOf(blankById('sticker-75'));
const whole = factsOf(solid(300, 200));
/** Opaque in a 100 x 60 block at (150, 40) of 300 x 200 pixels. */
const part = factsOf(paint(300, 200, (x, y) => (x >= 150 && x < 250 && y >= 40 && y < 100 ? RED : CLEAR)));

const angle = fc.double({ min: -Math.PI, max: Math.PI, noNaN: true });
const length = fc.double({ min: 5, max: 300, noNaN: true });

test('the opaque box of a piece and the piece of an opaque box undo each other', () => {
  fc.assert(
    fc.property(length, length, length, angle, fc.boolean(), (x, y, width, rotation, flipped) => {
      const piece = pieceAt(x, y, width, width / 1.5, { rotation, flipped });
      const back = placeOpaqueBox(piece, part, opaqueBox(piece, part));
      for (const key of ['x', 'y', 'width', 'height'] as const) expect(back[key]).toBeCloseTo(piece[key], 6);
    }),
  );
});

test('a typed width is the width of what is there, in proportion, its centre kept', () => {
  const before = opaqueBox(pieceAt(100, 50, 90, 60), part);
  const piece = setWidth(pieceAt(100, 50, 90, 60), part, 79.375);
  const after = opaqueBox(piece, part);
  expect(after.width).toBeCloseTo(79.375, 9);
  expect(after.height).toBeCloseTo(79.375 * 0.6, 9);
  expect(after.x).toBeCloseTo(before.x, 9);
  expect(piece.width / piece.height).toBeCloseTo(1.5, 9);
  expect(opaqueBox(setHeight(piece, part, 30), part).height).toBeCloseTo(30, 9);
});

test('placed PPI is pixels over placed inches, the smaller axis; turning changes nothing', () => {
  const pixels = { width: 3000, height: 2000 };
  expect(placedPpi(pixels, pieceAt(0, 0, 79.375, 79.375 / 1.5)).least).toBeCloseTo(3000 / 3.125, 9);
  expect(placedPpi(pixels, pieceAt(0, 0, 254, 254))).toMatchObject({ x: 300, y: 200, least: 200 });
  expect(honestSize({ pixels, physical: null }, 300)!.width).toBeCloseTo(254, 9);
  const turned = setRotation(pieceAt(100, 50, 90, 60), whole, 0.7);
  expect(placedPpi(pixels, turned).least).toBeCloseTo(placedPpi(pixels, pieceAt(0, 0, 90, 60)).least, 9);
});

test('half a pixel over the printed length is no shortfall, and is not told as one; a whole pixel is', () => {
  const face = { target: 300, floor: 150 };
  const told = (width: number) => {
    const placed = placedPpi({ width, height: 4000 }, pieceAt(0, 0, 144, 194));
    return [meetsPpi(placed, 300), toldPpi(placed, face)];
  };
  // 144 mm at 300 PPI are 1700.79 px.
  expect(told(1701)).toEqual([true, 300]);
  expect(told(1700.3)).toEqual([true, 300]);
  expect(told(1700)).toEqual([false, 299]);
  expect(told(850)).toEqual([false, 150]);
  expect(told(849)).toEqual([false, 149]);
});

test('a drawing has the PPI of the picture inside it that has the least, and none where it holds none', () => {
  const image = (x: number, y: number) => ({ pixels: { width: 90, height: 90 }, ppi: { x, y } });
  const page = {
    pixels: null,
    physical: { width: 100, height: 50 },
    images: [image(600, 600), image(200, 150)],
  };
  expect(shownPpi(page, pieceAt(0, 0, 100, 50))!).toMatchObject({ x: 200, y: 150 });
  expect(shownPpi(page, pieceAt(0, 0, 50, 25, { rotation: 1 }))!.least).toBeCloseTo(300, 9);
  expect(honestSize(page, 300)).toEqual({ width: 50, height: 25 });
  for (const bare of [
    { ...page, images: [] },
    { ...page, images: undefined },
    { ...page, physical: null },
  ]) {
    expect(shownPpi(bare, pieceAt(0, 0, 100, 50))).toBeNull();
    expect(honestSize(bare, 300)).toBeNull();
  }
});

test('inside: every corner within the safe area and one on its edge, whatever the turn', () => {
  for (const face of [mug, sticker]) {
    fc.assert(
      fc.property(angle, (rotation) => {
        const piece = fitInside(pieceAt(10, 10, 50, 33, { rotation }), whole, face);
        const past = corners(opaqueBox(piece, whole)).map(({ x, y }) =>
          signedDistance(face, -face.safe, x, y),
        );
        expect(Math.max(...past)).toBeLessThan(1e-6);
        expect(Math.max(...past)).toBeGreaterThan(-1e-3);
      }),
      runs(50),
    );
  }
});

test('cover: no corner of the bleed lies outside the picture, whatever the turn', () => {
  fc.assert(
    fc.property(angle, (rotation) => {
      const piece = coverBleed(pieceAt(10, 10, 50, 33, { rotation }), whole, mug);
      const { width, height, bleed } = mug;
      for (const [x, y] of [
        [-bleed, -bleed],
        [width + bleed, -bleed],
        [width + bleed, height + bleed],
        [-bleed, height + bleed],
      ] as const) {
        const dx = x - piece.x;
        const dy = y - piece.y;
        const u = dx * Math.cos(rotation) + dy * Math.sin(rotation);
        const v = dy * Math.cos(rotation) - dx * Math.sin(rotation);
        expect(Math.abs(u)).toBeLessThanOrEqual(piece.width / 2 + 1e-6);
        expect(Math.abs(v)).toBeLessThanOrEqual(piece.height / 2 + 1e-6);
      }
    }),
  );
});

test('cover says what is cut away on each side', () => {
  const loss = coverLoss(coverBleed(pieceAt(0, 0, 30, 20), whole, mug), mug)!;
  expect(loss.left).toBeCloseTo(0, 9);
  expect(loss.top).toBeCloseTo(loss.bottom, 9);
  const height = (226.186 / 300) * 200;
  expect(loss.top).toBeCloseTo((height - 96) / 2 / height, 3);
  expect(coverLoss(pieceAt(0, 0, 30, 20, { rotation: 0.3 }), mug)).toBeNull();
});

test('a new motif lies inside, a new ground covers', () => {
  expect(newPiece('a', 'test', whole, 'motif', mug)).toMatchObject({
    role: 'motif',
    name: 'test',
    x: mug.width / 2,
  });
  const ground = newPiece('b', 'test', whole, 'ground', mug);
  expect(extentOf(opaqueBox(ground, whole)).left).toBeCloseTo(-mug.bleed, 9);
});

test('the nearest zone, and how far off', () => {
  const front = mug.zones[1]!;
  expect(nearestZone(mug.zones, { x: front.x + 2, y: front.y - 1 })).toMatchObject({
    zone: { id: 'front' },
    across: 2,
    down: -1,
  });
  expect(nearestZone([], { x: 0, y: 0 })).toBeNull();
});

describe('remedies', () => {
  const reach = (piece: Parameters<typeof opaqueBox>[0]) => extentOf(opaqueBox(piece, whole));

  test('a ground too small is grown as little as covers the bleed', () => {
    const short = coverBleed(pieceAt(0, 0, 30, 20), whole, mug);
    const mended = extendToBleed(
      { ...short, width: short.width * 0.98, height: short.height * 0.98 },
      whole,
      mug,
    )!;
    expect(mended.scale).toBeCloseTo(1 / 0.98, 9);
    expect(reach(mended.piece).left).toBeCloseTo(-mug.bleed, 6);
  });

  test('a ground that is large enough is only moved', () => {
    const covering = coverBleed(pieceAt(0, 0, 30, 20), whole, mug);
    const mended = extendToBleed({ ...covering, y: covering.y - 35 }, whole, mug)!;
    expect(mended.scale).toBe(1);
    expect(reach(mended.piece).bottom).toBeCloseTo(mug.height + mug.bleed, 6);
    expect(extendToBleed(covering, whole, mug)).toBeNull();
  });

  test('a motif past the safe edge is moved if it can be, shrunk if it must', () => {
    const moved = bringInside(pieceAt(5, 46, 30, 20), whole, mug);
    expect(moved.scale).toBe(1);
    expect(reach(moved.piece).left).toBeCloseTo(mug.safe, 9);
    const shrunk = bringInside(pieceAt(mug.width / 2, 46, 300, 200), whole, mug);
    expect(shrunk.scale).toBeCloseTo(84 / 200, 6);
    expect(reach(shrunk.piece).top).toBeCloseTo(mug.safe, 6);
  });
});

describe('snapping', () => {
  const box = (x: number, y: number) => ({ x, y, width: 40, height: 20, rotation: 0 });

  test('to a zone’s centre and to the safe edge, in words', () => {
    const front = mug.zones[1]!;
    const snap = snapBox(box(front.x + 0.8, mug.safe + 10.5), mug, [], 1);
    expect(snap.dx).toBeCloseTo(-0.8, 9);
    expect(snap.dy).toBeCloseTo(-0.5, 9);
    expect(snap.words).toEqual(['centre of the front', 'top safe edge']);
  });

  test('to another piece', () => {
    const snap = snapBox(box(70.3, 60.2), mug, [{ name: 'crab', box: box(70, 25) }], 0.5);
    expect(snap.words[0]).toBe('centre of “crab”');
  });

  test('to nothing out of reach', () => {
    expect(snapBox(box(70, 38), mug, [], 0.1)).toMatchObject({ dx: 0, dy: 0, words: [], x: null, y: null });
  });
});

test('centring moves only the axes asked for', () => {
  const piece = centreOn(pieceAt(10, 20, 30, 20), whole, { x: 99 });
  expect(piece).toMatchObject({ x: 99, y: 20 });
});
