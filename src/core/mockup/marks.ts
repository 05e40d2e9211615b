import type { PrintFace } from '../blank/resolve';
import { dot, minus } from '../geometry/vector';
import { project } from '../product/camera';
import { sightOf, whereOnProduct } from '../product/draw';
import { fall } from '../product/scene';
import { shotOf, type Pictured } from './draw';
import { USUAL_DRESS, type Dress, type Scene } from './schema';

/** Where a place of a face is in a picture. */
export interface Mark {
  /** Which of the things in the picture carries it, from the left. */
  thing: number;
  face: string;
  /** mm from the trim's top left. */
  x: number;
  y: number;
  /** px of the picture from its top left. */
  px: number;
  py: number;
  /** False where it is turned away, or something stands before it. */
  seen: boolean;
}

/** mm between marks. */
const STEP = 10;
/** mm that the surface may be off where a mark is looked for: triangles are flat, walls are round. */
const NEAR = 1.5;

/** Where places of the faces, a grid of 10 mm over each trim, are in a picture of a scene with one fit in it. */
export function marksIn(
  scene: Scene,
  pictured: Pictured,
  faces: readonly PrintFace[],
  { dress = USUAL_DRESS, ...size }: { width: number; height: number; dress?: Pick<Dress, 'steam'> },
): Mark[] {
  const { standing, beside, camera } = shotOf(scene, [pictured], dress, size);
  const sight = sightOf(fall([...standing, ...beside], camera));
  return standing.flatMap((stands, thing) =>
    faces.flatMap(({ id, width, height }) =>
      gridOver(width, height).flatMap(([x, y]): Mark[] => {
        const where = whereOnProduct(stands, id, x, y);
        if (!where) return [];
        const { x: px, y: py } = project(camera, where.point);
        const towards = dot(where.normal, minus(camera.eye, where.point)) > 0;
        const first = towards ? sight(px, py) : null;
        const seen =
          first?.product === thing && first.faceId === id && Math.hypot(first.x - x, first.y - y) < NEAR;
        return [{ thing, face: id, x, y, px, py, seen }];
      }),
    ),
  );
}

function gridOver(width: number, height: number): [x: number, y: number][] {
  const steps = (length: number) => Array.from({ length: Math.floor(length / STEP) + 1 }, (_, i) => i * STEP);
  return steps(height).flatMap((y) => steps(width).map((x): [number, number] => [x, y]));
}
