import type { Progress, Raster } from '../raster/raster';
import { bandsOf, rowsOf } from './bands';
import type { Camera } from './camera';
import type { Light } from './light';
import { paint } from './paint';
import { fall, posed, type Standing, type Scene } from './scene';
import { SurfaceShader } from './shader';
import { turned, type Vector } from '../geometry/vector';

export interface DrawOptions {
  width: number;
  height: number;
  backdrop: Raster | null;
  progress?: Progress;
}

/** Draws products, as they stand, into a picture. */
export function drawProducts(
  standing: readonly Standing[],
  camera: Camera,
  light: Light,
  options: DrawOptions,
): Raster {
  const scene = fall(standing, camera);
  return paint(scene, new SurfaceShader(scene, camera, light), options);
}

/** What is in sight at a place of the picture: the product by its number, and the place on its face in mm, if any. */
export interface Seen {
  product: number;
  faceId: string | null;
  x: number;
  y: number;
  depth: number;
}

/** What a place of the picture shows first; null where it shows none of the products. */
export function seenAt(standing: readonly Standing[], camera: Camera, x: number, y: number): Seen | null {
  const scene = fall(standing, camera);
  return firstOf(scene, scene.meshOf.keys(), x, y);
}

/** Rows of a picture that are looked through together, and how far off it, in px, anything is still looked for. */
const BAND = 4;
const FAR = 100_000;

/** The same, where many places are looked at: of all triangles those alone that are near the place's row. */
export function sightOf(scene: Scene): (x: number, y: number) => Seen | null {
  const rows = rowsOf(scene);
  const top = rows.from.reduce((least, row) => Math.min(least, Math.max(row, -FAR)), FAR);
  const bottom = rows.to.reduce((most, row) => Math.max(most, Math.min(row, FAR)), -FAR);
  const bands = bottom > top ? bandsOf(rows, { top, bottom, deep: BAND }) : [];
  return (x, y) => firstOf(scene, bands[Math.floor((y - top) / BAND)] ?? [], x, y);
}

/** What is nearest at a place of the picture, of some of its triangles. */
function firstOf(scene: Scene, among: Iterable<number>, x: number, y: number): Seen | null {
  const { triangles, near, places } = scene;
  let [best, nearest] = [null as Seen | null, 0];
  for (const i of among) {
    const [p, q, r] = [triangles[i * 3]!, triangles[i * 3 + 1]!, triangles[i * 3 + 2]!];
    const shares = sharesAt(
      [scene.x[p]!, scene.y[p]!],
      [scene.x[q]!, scene.y[q]!],
      [scene.x[r]!, scene.y[r]!],
      x,
      y,
    );
    if (!shares) continue;
    const [a, b, c] = shares;
    const here = a * near[p]! + b * near[q]! + c * near[r]!;
    if (here <= nearest) continue;
    nearest = here;
    const { product, material } = scene.meshes[scene.meshOf[i]!]!;
    const mix = (k: 0 | 1) =>
      (a * near[p]! * places[p * 2 + k]! +
        b * near[q]! * places[q * 2 + k]! +
        c * near[r]! * places[r * 2 + k]!) /
      here;
    best = { product, faceId: material.faceId, x: mix(0), y: mix(1), depth: 1 / here };
  }
  return best;
}

/** Where a place of a face stands in the room of the picture, and which way it faces; null where nothing carries it. */
export function whereOnProduct(
  { meshes, pose }: Pick<Standing, 'meshes' | 'pose'>,
  faceId: string,
  x: number,
  y: number,
): { point: Vector; normal: Vector } | null {
  for (const { material, points, normals, places, triangles } of meshes) {
    if (material.faceId !== faceId || places.length === 0) continue;
    for (let i = 0; i < triangles.length; i += 3) {
      const [p, q, r] = [triangles[i]!, triangles[i + 1]!, triangles[i + 2]!];
      const shares = sharesAt(places[p]!, places[q]!, places[r]!, x, y);
      if (!shares) continue;
      const [a, b, c] = shares;
      const mix = (of: readonly Vector[]): Vector => {
        const part = (k: 0 | 1 | 2) => a * of[p]![k] + b * of[q]![k] + c * of[r]![k];
        return [part(0), part(1), part(2)];
      };
      return { point: posed(mix(points), pose), normal: turned(mix(normals), pose.yaw, pose.pitch) };
    }
  }
  return null;
}

type Flat = readonly [x: number, y: number];

/** Shares of a triangle's points at a place in its plane; null outside it. */
function sharesAt(p: Flat, q: Flat, r: Flat, x: number, y: number): [a: number, b: number, c: number] | null {
  const area = (q[0] - p[0]) * (r[1] - p[1]) - (r[0] - p[0]) * (q[1] - p[1]);
  const b = ((x - p[0]) * (r[1] - p[1]) - (r[0] - p[0]) * (y - p[1])) / area;
  const c = ((q[0] - p[0]) * (y - p[1]) - (x - p[0]) * (q[1] - p[1])) / area;
  const a = 1 - b - c;
  return a >= -1e-9 && b >= -1e-9 && c >= -1e-9 ? [a, b, c] : null;
}
