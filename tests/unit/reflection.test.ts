import fc from 'fast-check';
import { drawScene } from '@/core/mockup/draw';
import { glossOf, mirrored } from '@/core/mockup/reflection';
import { SCENES } from '@/core/mockup/scenes';
import { USUAL_DRESS, type Scene } from '@/core/mockup/schema';
import { cameraAt, project } from '@/core/product/camera';
import { modelOf } from '@/core/product/model';
import type { Vector } from '@/core/geometry/vector';
import { blankById } from '../support/fits';
import { pixelAt } from '../support/pictures';

const number = (min: number, max: number) => fc.double({ min, max, noNaN: true });

test('the camera below the floor sees each point where the other sees its mirror image, upside down', () => {
  fc.assert(
    fc.property(
      fc.tuple(number(-3, 3), number(0, 1.2), number(-80, 80), number(400, 2_000)),
      fc.tuple(number(-100, 100), number(-100, 100), number(-100, 100)),
      ([yaw, pitch, floor, distance], point) => {
        const camera = cameraAt({ yaw, pitch }, [10, 20, -5], distance, 900, { x: 410, y: 333 });
        const image: Vector = [point[0], 2 * floor - point[1], point[2]];
        const seen = project(camera, image);
        const below = project(mirrored(camera, floor, 700), point);
        expect(below.x).toBeCloseTo(seen.x, 6);
        expect(700 - below.y).toBeCloseTo(seen.y, 6);
        expect(below.depth).toBeCloseTo(seen.depth, 6);
      },
    ),
  );
});

describe('a table', () => {
  const blank = blankById('mug-325');
  const own = {
    model: modelOf(blank),
    look: { colour: '#c01818', finish: 'gloss', ink: 'cover', prints: new Map() } as const,
  };
  const scene = (surface: Scene['backdrop']['surface'], ground: Scene['backdrop']['ground']): Scene => {
    const stone = SCENES.find(({ id }) => id === 'stone')!;
    const backdrop = { ...stone.backdrop, surface, ground, colour: '#9a9a9a', behind: '#9a9a9a' };
    return { ...stone, backdrop, camera: { yaw: 0, pitch: 8, far: 1, margin: 0.3 } };
  };
  /** How much redder than grey the floor is so many px under the mug's foot, in its middle. */
  const redness = (of: Scene, below: number[]): number[] => {
    const picture = drawScene(of, [own], { ...USUAL_DRESS, shadow: 0 }, { width: 400, height: 400 });
    let foot = 399;
    while (pixelAt(picture, 200, foot)[0]! - pixelAt(picture, 200, foot)[1]! < 90) foot--;
    return below.map((px) => {
      const [red, green] = pixelAt(picture, 200, foot + px);
      return red! - green!;
    });
  };

  test('shows again what stands on it: most where it stands, less further up, not at all where it is cloth or paper', () => {
    const [close, further, furthest] = redness(scene('stone', 'table'), [4, 30, 80]) as [
      number,
      number,
      number,
    ];
    expect(close).toBeGreaterThan(12);
    expect(further).toBeLessThan(close);
    expect(furthest).toBeLessThan(further / 2 + 1);
    for (const one of [scene('linen', 'table'), scene('smooth', 'sweep')])
      for (const red of redness(one, [4, 30, 80])) expect(Math.abs(red)).toBeLessThanOrEqual(2);
  });

  test('more of it is seen from level with it than from above', () => {
    const from = (pitch: number) =>
      glossOf({ ...scene('stone', 'table'), camera: { yaw: 0, pitch, far: 1, margin: 0 } });
    expect(from(5)).toBeGreaterThan(from(30));
    expect(from(90)).toBeGreaterThan(0);
  });
});
