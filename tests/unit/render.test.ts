import fc from 'fast-check';
import { flatten, renderFace } from '@/core/render/face';
import { newFill } from '@/core/fit/place';
import { blankById, faceOf, pieceAt, shown } from '../support/fits';
import { CLEAR, paint, pixelAt, RED, solid } from '../support/pictures';

/** 100 x 50 mm with 2 mm of bleed, drawn at 10 pixels a mm. */
const face = { ...faceOf(blankById('mug-325')), width: 100, height: 50, bleed: 2 };
const pixels = { width: 1040, height: 540 };
const fill = newFill('fill', '#123456');

test('nothing on a face is nothing in its file', () => {
  const { data, width, height } = renderFace(face, [], shown(solid(1, 1)), { pixels });
  expect([width, height]).toEqual([1040, 540]);
  expect(data.every((byte) => byte === 0)).toBe(true);
});

test('a picture that ends on the bleed edge is solid up to the last pixel', () => {
  const whole = pieceAt(50, 25, 104, 54);
  const raster = renderFace(face, [whole], shown(solid(333, 177)), { pixels });
  for (const [x, y] of [
    [0, 0],
    [1039, 0],
    [0, 539],
    [1039, 539],
    [500, 0],
  ] as const) {
    expect(pixelAt(raster, x, y)).toEqual([...RED]);
  }
});

test('a piece lies where it was put, to the pixel', () => {
  const raster = renderFace(face, [pieceAt(30, 20, 20, 10)], shown(solid(50, 25)), { pixels });
  // 30 - 10 + 2 mm from the left edge is pixel 220; 20 - 5 + 2 mm from the top is pixel 170.
  expect(pixelAt(raster, 219, 200)).toEqual([...CLEAR]);
  expect(pixelAt(raster, 220, 200)).toEqual([...RED]);
  expect(pixelAt(raster, 419, 269)).toEqual([...RED]);
  expect(pixelAt(raster, 420, 269)).toEqual([...CLEAR]);
  expect(pixelAt(raster, 300, 169)).toEqual([...CLEAR]);
});

test('at its own density every pixel comes through unchanged', () => {
  const source = paint(200, 100, (x, y) => [x, y * 2, (x * y) % 256, 255]);
  const raster = renderFace(face, [pieceAt(50, 25, 20, 10)], shown(source), { pixels });
  fc.assert(
    fc.property(fc.nat(199), fc.nat(99), (x, y) => {
      expect(pixelAt(raster, 420 + x, 220 + y)).toEqual(pixelAt(source, x, y));
    }),
  );
});

test('an edge inside a pixel covers it by its share', () => {
  const raster = renderFace(face, [pieceAt(30.05, 20, 20, 10)], shown(solid(50, 25)), { pixels });
  expect(Math.abs(pixelAt(raster, 220, 200)[3]! - 127.5)).toBeLessThan(1);
  expect(Math.abs(pixelAt(raster, 420, 200)[3]! - 127.5)).toBeLessThan(1);
});

test('shrunk eight times, a fine pattern is averaged and not sampled', () => {
  const lines = paint(1600, 800, (x) => (x % 2 === 0 ? [0, 0, 0, 255] : [255, 255, 255, 255]));
  const raster = renderFace(face, [pieceAt(50, 25, 20, 10)], shown(lines), { pixels });
  for (const x of [430, 500, 571]) expect(Math.abs(pixelAt(raster, x, 270)[0]! - 128)).toBeLessThanOrEqual(1);
});

test('a quarter turn and a flip', () => {
  const flag = paint(200, 100, (x) => (x < 100 ? [255, 0, 0, 255] : [0, 0, 255, 255]));
  const turned = renderFace(face, [pieceAt(50, 25, 20, 10, { rotation: Math.PI / 2 })], shown(flag), {
    pixels,
  });
  expect(pixelAt(turned, 520, 200)).toEqual([255, 0, 0, 255]);
  expect(pixelAt(turned, 520, 340)).toEqual([0, 0, 255, 255]);
  const flipped = renderFace(face, [pieceAt(50, 25, 20, 10, { flipped: true })], shown(flag), { pixels });
  expect(pixelAt(flipped, 440, 270)).toEqual([0, 0, 255, 255]);
});

test('pieces lie over one another in order; a mirrored file is turned over whole', () => {
  const half = solid(10, 10, [255, 255, 255, 128]);
  const raster = renderFace(face, [fill, pieceAt(20, 25, 20, 20)], shown(half), { pixels, mirror: true });
  expect(pixelAt(raster, 5, 5)).toEqual([0x12, 0x34, 0x56, 255]);
  const [red, green, blue, alpha] = pixelAt(raster, 1040 - 220, 270);
  expect(alpha).toBe(255);
  expect(Math.abs(red! - (0x12 + 255) / 2)).toBeLessThan(2);
  expect(Math.abs(green! - (0x34 + 255) / 2)).toBeLessThan(2);
  expect(Math.abs(blue! - (0x56 + 255) / 2)).toBeLessThan(2);
});

test('what is hidden is not drawn', () => {
  const raster = renderFace(face, [{ ...fill, visible: false }], shown(solid(1, 1)), { pixels });
  expect(pixelAt(raster, 100, 100)).toEqual([...CLEAR]);
});

test('progress can stop the work', () => {
  const stop = () => {
    throw new Error('stopped');
  };
  expect(() =>
    renderFace(face, [pieceAt(50, 25, 104, 54)], shown(solid(9, 9)), { pixels, progress: stop }),
  ).toThrow('stopped');
});

test('flattening leaves no clear pixel', () => {
  const flat = flatten(solid(3, 3, [0, 0, 0, 128]), '#ffffff');
  expect(flat.opaque).toBe(true);
  expect(Math.abs(pixelAt(flat, 1, 1)[0]! - 127)).toBeLessThanOrEqual(1);
});
