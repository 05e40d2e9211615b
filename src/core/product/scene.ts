import type { Finish } from '../blank/schema';
import type { Fallen } from './bands';
import type { Camera } from './camera';
import type { Mouth } from './bodies/round';
import { boundsOf, type Material, type Mesh } from './mesh';
import type { Texture } from './texture';
import { turned, type Vector } from '../geometry/vector';

/** What a product is shown in. */
export interface Look {
  /** `#rrggbb` of the product itself, and how it takes light. */
  colour: string;
  finish: Finish;
  /** `multiply`: ink darkens the product and leaves it bare where it is white; `cover`: it lies on top. */
  ink: 'multiply' | 'cover';
  /** Whether the print stands up from the product, as film and cured ink do, so that its edge takes light. */
  raised?: boolean;
  /** What is printed, by face. */
  prints: ReadonlyMap<string, Texture>;
}

/** Where a product stands in a picture: mm, and radians that its front is turned to the right. */
export interface Pose {
  at: Vector;
  yaw: number;
  /** Tipped forward by so much, in radians. */
  pitch: number;
}

export const UPRIGHT: Pose = { at: [0, 0, 0], yaw: 0, pitch: 0 };

/** A product as it stands in a picture. */
export interface Standing {
  meshes: readonly Mesh[];
  look: Look;
  pose: Pose;
  /** Where it is open, if what is in it is drunk hot. */
  mouth?: Mouth;
}

/** A point of a product in the room of the picture. */
export function posed(point: Vector, { at, yaw, pitch }: Pose): Vector {
  const [x, y, z] = turned(point, yaw, pitch);
  return [x + at[0], y + at[1], z + at[2]];
}

/** The least box about products where they stand. */
export function boxAbout(standing: readonly Standing[]): ReturnType<typeof boundsOf> {
  return boundsOf(
    standing.flatMap(({ meshes, pose }) =>
      meshes.flatMap(({ points }) => points.map((point) => posed(point, pose))),
    ),
  );
}

/** All surfaces of all products as they fall on a picture. */
export interface Scene extends Fallen {
  /** Three numbers a point. */
  normals: Float32Array;
  /** Two numbers a point: where it lies on its face. */
  places: Float32Array;
  /** Two numbers a point: where it lies on the product by itself, for its folds and its weave. */
  own: Float32Array;
  meshes: { material: Material; look: Look; product: number }[];
}

/** Lets products fall on the picture that a camera takes. */
export function fall(standing: readonly Standing[], camera: Camera): Scene {
  const all = standing.flatMap(({ meshes, look, pose }, product) =>
    meshes.map((mesh) => ({ mesh, look, pose, product })),
  );
  const count = all.reduce((sum, { mesh }) => sum + mesh.points.length, 0);
  const corners = all.reduce((sum, { mesh }) => sum + mesh.triangles.length, 0);
  const scene: Scene = {
    x: new Float64Array(count),
    y: new Float64Array(count),
    near: new Float64Array(count),
    normals: new Float32Array(count * 3),
    places: new Float32Array(count * 2),
    own: new Float32Array(count * 2),
    triangles: new Uint32Array(corners),
    meshOf: new Uint16Array(corners / 3),
    meshes: all.map(({ mesh, look, product }) => ({ material: mesh.material, look, product })),
  };
  let [first, corner] = [0, 0];
  for (const [number, { mesh, pose }] of all.entries()) {
    layPoints(scene, mesh, pose, camera, first);
    const { triangles, material } = mesh;
    for (let i = 0; i < triangles.length; i += 3) {
      const [p, q, r] = [first + triangles[i]!, first + triangles[i + 1]!, first + triangles[i + 2]!];
      if (material.solid && turnedAway(scene, p, q, r)) continue;
      scene.meshOf[(corner / 3) | 0] = number;
      scene.triangles[corner++] = p;
      scene.triangles[corner++] = q;
      scene.triangles[corner++] = r;
    }
    first += mesh.points.length;
  }
  return {
    ...scene,
    triangles: scene.triangles.subarray(0, corner),
    meshOf: scene.meshOf.subarray(0, corner / 3),
  };
}

/** Whether a triangle of the picture goes round the other way than one that is seen from outside. */
function turnedAway({ x, y }: Fallen, p: number, q: number, r: number): boolean {
  return (x[q]! - x[p]!) * (y[r]! - y[p]!) - (x[r]! - x[p]!) * (y[q]! - y[p]!) > 0;
}

function layPoints(scene: Scene, mesh: Mesh, { at, yaw, pitch }: Pose, camera: Camera, first: number): void {
  const { right, up, ahead, focal, centre, eye } = camera;
  const cosYaw = Math.cos(yaw);
  const sinYaw = Math.sin(yaw);
  const cosPitch = Math.cos(pitch);
  const sinPitch = Math.sin(pitch);
  const away = Math.hypot(eye[0] - at[0], eye[1] - at[1], eye[2] - at[2]);
  const lifted = 1 + (mesh.over ?? 0) / away;
  for (let i = 0; i < mesh.points.length; i++) {
    const to = first + i;
    const [ox, oy, oz] = mesh.points[i]!;
    const deep = oz * cosYaw - ox * sinYaw;
    const x = ox * cosYaw + oz * sinYaw + at[0] - eye[0];
    const y = oy * cosPitch - deep * sinPitch + at[1] - eye[1];
    const z = deep * cosPitch + oy * sinPitch + at[2] - eye[2];
    const near = 1 / (x * ahead[0] + y * ahead[1] + z * ahead[2]);
    scene.x[to] = centre.x + focal * (x * right[0] + y * right[1] + z * right[2]) * near;
    scene.y[to] = centre.y - focal * (x * up[0] + y * up[1] + z * up[2]) * near;
    // All of a surface by one share, so that places on it stay where they are.
    scene.near[to] = near * lifted;
    const [nx, ny, nz] = mesh.normals[i]!;
    const normalDeep = nz * cosYaw - nx * sinYaw;
    scene.normals[to * 3] = nx * cosYaw + nz * sinYaw;
    scene.normals[to * 3 + 1] = ny * cosPitch - normalDeep * sinPitch;
    scene.normals[to * 3 + 2] = normalDeep * cosPitch + ny * sinPitch;
    const place = mesh.places[i];
    if (place) {
      scene.places[to * 2] = place[0];
      scene.places[to * 2 + 1] = place[1];
    }
    scene.own[to * 2] = ox;
    scene.own[to * 2 + 1] = oy;
  }
}
