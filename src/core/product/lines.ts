import { project, type Camera } from './camera';
import { whereOnProduct } from './draw';
import type { Standing } from './scene';
import { dot, minus } from '../geometry/vector';

/** A place of a picture, in px. */
export interface PicturePoint {
  x: number;
  y: number;
}

/** Where a place of a face is seen in a picture; null where it faces away, or nothing carries it. */
export function seenPlace(
  standing: Pick<Standing, 'meshes' | 'pose'>,
  camera: Camera,
  faceId: string,
  x: number,
  y: number,
): PicturePoint | null {
  const found = whereOnProduct(standing, faceId, x, y);
  if (!found || dot(found.normal, minus(found.point, camera.eye)) >= 0) return null;
  const { x: across, y: down } = project(camera, found.point);
  return { x: across, y: down };
}

/** Points of a line down a face, as a picture shows it. */
export function lineDown(
  standing: Pick<Standing, 'meshes' | 'pose'>,
  camera: Camera,
  face: { id: string; height: number },
  x: number,
  steps = 8,
): PicturePoint[] {
  return Array.from({ length: steps + 1 }, (_, i) =>
    seenPlace(standing, camera, face.id, x, Math.min(face.height - 1e-6, (face.height * i) / steps)),
  ).flatMap((point) => point ?? []);
}
