import fc from 'fast-check';
import { shippedBlanks } from '@/core/blank/library';
import { drawScene, type Pictured } from '@/core/mockup/draw';
import { isTurnable, SCENES, scenesFor } from '@/core/mockup/scenes';
import { USUAL_DRESS } from '@/core/mockup/schema';
import { drawTurn } from '@/core/mockup/turn';
import { delayOf, turnedBy, TURN_WAYS, turnTrouble, USUAL_TURNING } from '@/core/mockup/turning';
import { modelOf } from '@/core/product/model';
import { textureOf } from '@/core/product/texture';
import type { Raster } from '@/core/raster/raster';
import { blankById } from '../support/fits';
import { paint, pixelAt } from '../support/pictures';
import { longTest } from '../support/long';

const plain = SCENES.find(({ id }) => id === 'plain')!;
const SIZE = { width: 240, height: 240 };

/** A blank with a red bar down the middle of its first face, and nothing else. */
function withBar(id: string): Pictured {
  const blank = blankById(id);
  const { width, height, id: faceId } = blank.faces[0]!;
  const bar = paint(Math.round(width * 2), Math.round(height * 2), (x) =>
    Math.abs(x / 2 - width / 2) < 4 ? [220, 20, 30, 255] : [0, 0, 0, 0],
  );
  const model = modelOf(blank);
  const prints = new Map([[faceId, textureOf(bar, { left: 0, top: 0, width, height })]]);
  return { model, look: { colour: '#ffffff', finish: model.finish, ink: blank.method.ink, prints } };
}

/** One picture of a strip. */
function pictureAt({ width, data }: Raster, index: number): Raster {
  const bytes = width * SIZE.height * 4;
  return { width, height: SIZE.height, data: data.slice(index * bytes, (index + 1) * bytes), opaque: true };
}

/** Where the red of a picture lies across, in px; null where it shows none. */
function redIn(picture: Raster): number | null {
  let [sum, count] = [0, 0];
  for (let y = 0; y < picture.height; y++)
    for (let x = 0; x < picture.width; x++) {
      const [r, g, b] = pixelAt(picture, x, y) as [number, number, number];
      if (r > 60 && g < r * 0.5 && b < r * 0.5) [sum, count] = [sum + x + 0.5, count + 1];
    }
  return count > 10 ? sum / count : null;
}

test('a thing goes all the way round and is where it was, or to and fro and reads all the while', () => {
  const frames = fc.integer({ min: 2, max: 72 });
  fc.assert(
    fc.property(frames, fc.constantFrom(...TURN_WAYS), (of, way) => {
      const turning = { way, frames: of, seconds: 3 };
      const all = Array.from({ length: of }, (_, i) => turnedBy(turning, i));
      expect(all[0]).toBe(0);
      expect(Math.sin((turnedBy(turning, of) * Math.PI) / 180)).toBeCloseTo(0, 9);
      const steps = all.map((degrees, i) => Math.abs((all[i + 1] ?? (way === 'round' ? 360 : 0)) - degrees));
      if (way === 'round') for (const step of steps) expect(step).toBeCloseTo(360 / of, 9);
      else expect(Math.max(...all.map(Math.abs))).toBeLessThanOrEqual(60);
    }),
  );
});

test('each picture is shown for whole hundredths of a second, and never faster than files can say', () => {
  const shown = (frames: number, seconds: number) => delayOf({ way: 'round', frames, seconds });
  expect(shown(36, 5)).toBe(140);
  expect(shown(24, 3)).toBe(130);
  expect(shown(72, 0.5)).toBe(20);
});

test('what is too large to be held is told before it is drawn, and what is said to go does', () => {
  const turn = { ...USUAL_TURNING, frames: 48 };
  expect(turnTrouble(turn, { width: 1000, height: 1000 })).toBeNull();
  const told = turnTrouble(turn, { width: 1001, height: 1000 });
  expect(told).toMatch(/^48 pictures of 1001 × 1000 px are more/);
  fc.assert(
    fc.property(fc.integer({ min: 2, max: 72 }), fc.integer({ min: 64, max: 9000 }), (frames, side) => {
      const said = turnTrouble({ ...turn, frames }, { width: side, height: side });
      const goes = Number(/about (\d+) ×/.exec(said ?? '')?.[1] ?? side);
      expect(goes).toBeLessThanOrEqual(side);
      expect(turnTrouble({ ...turn, frames }, { width: goes, height: goes })).toBeNull();
    }),
  );
});

test('the first picture of a turn shows what the scene shows, as large as the whole turn lets it be', () => {
  const tumbler = withBar('tumbler-470');
  const turning = { way: 'round', frames: 4, seconds: 2 } as const;
  const strip = drawTurn(plain, [tumbler], USUAL_DRESS, { ...SIZE, turning });
  expect([strip.width, strip.height, strip.opaque]).toEqual([240, 960, true]);
  const still = drawScene(plain, [tumbler], USUAL_DRESS, SIZE);
  const [bar, alone] = [redIn(pictureAt(strip, 0))!, redIn(still)!];
  expect(Math.abs(bar - alone)).toBeLessThan(2);
});

longTest('it turns about its own axis: a bar goes as the sine of the turn, and is gone behind', () => {
  const turning = { way: 'round', frames: 24, seconds: 2 } as const;
  const strip = drawTurn(plain, [withBar('tumbler-470')], USUAL_DRESS, { ...SIZE, turning });
  const bars = Array.from({ length: 24 }, (_, i) => redIn(pictureAt(strip, i)));
  const middle = bars[0]!;
  // A quarter of a turn to either side is out of sight, and so is all that is behind.
  bars.slice(7, 18).forEach((bar) => {
    expect(bar).toBeNull();
  });
  const off = (i: number) => bars[(i + 24) % 24]! - middle;
  const reach = off(4) / Math.sin(Math.PI / 3);
  expect(Math.abs(reach)).toBeGreaterThan(20);
  for (const i of [1, 2, 3, 4]) {
    // What comes nearer is a little larger: seven in a hundred at the most from where this is taken.
    expect(Math.abs(off(i) - reach * Math.sin((i * Math.PI) / 12))).toBeLessThan(Math.abs(reach) * 0.07);
    expect(Math.abs(off(i) + off(-i))).toBeLessThan(1.5);
  }
});

longTest('a handle stays in the picture all the way round', () => {
  const turning = { way: 'round', frames: 8, seconds: 2 } as const;
  const strip = drawTurn(plain, [withBar('mug-325')], { ...USUAL_DRESS, shadow: 0 }, { ...SIZE, turning });
  const bare = drawTurn(plain, [withBar('tumbler-470')], { ...USUAL_DRESS, shadow: 0 }, { ...SIZE, turning });
  for (let i = 0; i < 8; i++) {
    const picture = pictureAt(strip, i);
    for (let y = 0; y < SIZE.height; y++)
      for (const x of [0, SIZE.width - 1])
        expect(Math.abs(pixelAt(picture, x, y)[1]! - pixelAt(pictureAt(bare, i), x, y)[1]!)).toBeLessThan(12);
  }
});

test('what stands alone can be turned; what lies, hangs or stands beside another cannot', () => {
  const turned = (id: string) => scenesFor(blankById(id)).filter(isTurnable).length;
  for (const id of [
    'mug-325',
    'tumbler-470',
    'pouch',
    'card-a6',
    'cushion-450',
    'shirt',
    'hooded-top',
    'label-jar',
  ])
    expect({ id, scenes: turned(id) > 0 }).toEqual({ id, scenes: true });
  for (const id of ['sticker-75', 'poster-a2', 'coaster', 'cap', 'case-pier-6'])
    expect({ id, scenes: turned(id) }).toEqual({ id, scenes: 0 });
  expect(SCENES.filter(isTurnable).every(({ places }) => places.length === 1)).toBe(true);
  expect(shippedBlanks().filter(({ blank }) => turned(blank.id) > 0).length).toBeGreaterThan(20);
});
