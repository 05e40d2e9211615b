import { cameraAt } from '@/core/product/camera';
import { drawProducts } from '@/core/product/draw';
import { surface } from '@/core/product/mesh';
import { UPRIGHT } from '@/core/product/scene';
import { pixelAt } from '../support/pictures';

/** A ball of cloth, of few triangles: at its edge, normals between its corners lean past what is seen. */
const ball = surface({ faceId: null, colour: '#c8c8c8', finish: 'fabric' }, 9, 6, (s, t) => {
  const [round, down] = [s * 2 * Math.PI, t * Math.PI];
  const out = 100 * Math.sin(down);
  return { at: [out * Math.sin(round), 100 * Math.cos(down), out * Math.cos(round)] };
});

test.each([-1, 1])(
  'a ball that is lit from one side is darkest at the other, to its very edge (%d)',
  (side) => {
    const size = 400;
    const camera = cameraAt({ yaw: 0.1, pitch: 0.1 }, [0, 0, 0], 900, 1_500, { x: size / 2, y: size / 2 });
    const look = { colour: '#c8c8c8', finish: 'fabric', ink: 'cover', prints: new Map() } as const;
    const light = { lamp: [side, 0, 0], around: 0.3, gain: 1 } as const;
    const picture = drawProducts([{ meshes: [ball], look, pose: UPRIGHT }], camera, light, {
      ...{ width: size, height: size, backdrop: null },
    });
    for (let y = 60; y <= 340; y += 3) {
      const levels = Array.from({ length: size }, (_, x) => pixelAt(picture, x, y)).flatMap(
        ([red, , , alpha]) => (alpha! > 0 ? [red!] : []),
      );
      const row = side > 0 ? levels : levels.reverse();
      expect(Math.max(...row.slice(0, 12))).toBeLessThan(Math.max(...row) - 60);
    }
  },
);
