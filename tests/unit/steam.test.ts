import fc from 'fast-check';
import { drawShot, shotOf, type Pictured } from '@/core/mockup/draw';
import { isSteaming, SCENES } from '@/core/mockup/scenes';
import { USUAL_DRESS } from '@/core/mockup/schema';
import { steamAt } from '@/core/mockup/steam';
import { project } from '@/core/product/camera';
import { modelOf } from '@/core/product/model';
import { posed } from '@/core/product/scene';
import { blankById } from '../support/fits';

const SIZE = { width: 240, height: 240 };
const STEAM = { ...USUAL_DRESS, steam: true };
const DARK = SCENES.find(({ id }) => id === 'evening')!;

function picturedOf(id: string): Pictured {
  const blank = blankById(id);
  const model = modelOf(blank);
  return {
    model,
    look: { colour: '#ffffff', finish: model.finish, ink: blank.method.ink, prints: new Map() },
  };
}

test('mugs steam, and neither what has a lid nor what is held by its wall', () => {
  expect(isSteaming(blankById('mug-325'))).toBe(true);
  for (const id of ['tumbler-590', 'cup-stemless-350', 'shirt', 'case-pier-6'])
    expect(isSteaming(blankById(id))).toBe(false);
});

test('steam rises over the mouth, lightens what is dark, and leaves the mug and its print as they are', () => {
  const shot = shotOf(DARK, [picturedOf('mug-325')], STEAM, SIZE);
  const [still, steaming] = [USUAL_DRESS, STEAM].map((dress) => drawShot(DARK, shot, dress, SIZE));
  const [mug] = shot.standing;
  const { at, radius } = mug!.mouth!;
  const mouth = project(shot.camera, posed(at, mug!.pose));
  const reach = (shot.camera.focal * radius * 1.6) / mouth.depth;
  let lightened = 0;
  const strayed: string[] = [];
  for (let i = 0; i < SIZE.width * SIZE.height; i++) {
    const [x, y] = [i % SIZE.width, Math.floor(i / SIZE.width)];
    const more = steaming!.data[i * 4 + 1]! - still!.data[i * 4 + 1]!;
    if (more === 0) continue;
    lightened = Math.max(lightened, more);
    if (more < 0 || y > mouth.y || Math.abs(x - mouth.x) > reach + 1) strayed.push(`${x}, ${y}: ${more}`);
  }
  expect(strayed).toEqual([]);
  expect(lightened).toBeGreaterThan(25);
  expect(drawShot(DARK, shot, STEAM, SIZE).data).toEqual(steaming!.data);
});

test('a picture makes room for steam, and none where nothing steams', () => {
  const heightOf = (id: string, dress: typeof STEAM) => {
    const { standing, camera } = shotOf(DARK, [picturedOf(id)], dress, SIZE);
    const [{ meshes, pose }] = standing as [(typeof standing)[0]];
    const rows = meshes.flatMap(({ points }) => points.map((point) => project(camera, posed(point, pose)).y));
    return Math.max(...rows) - Math.min(...rows);
  };
  expect(heightOf('mug-325', STEAM)).toBeLessThan(0.8 * heightOf('mug-325', USUAL_DRESS));
  expect(heightOf('tumbler-590', STEAM)).toBe(heightOf('tumbler-590', USUAL_DRESS));
});

test('steam is never more than all, thins out at its top, and is none beside its mouth', () => {
  fc.assert(
    fc.property(
      fc.double({ min: -4, max: 4, noNaN: true }),
      fc.double({ min: -1, max: 2, noNaN: true }),
      (x, up) => {
        const thick = steamAt(x, up);
        expect(thick).toBeGreaterThanOrEqual(0);
        expect(thick).toBeLessThanOrEqual(1);
        if (up <= 0 || up >= 1) expect(thick).toBe(0);
        if (Math.abs(x) > 1.6) expect(thick).toBeLessThan(0.04);
        if (up > 0.9) expect(thick).toBeLessThan(0.12);
      },
    ),
  );
});
