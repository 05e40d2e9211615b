import { cameraAt, project, type Camera, type Eye } from './camera';
import { boundsOf, reachOf, type Mesh } from './mesh';
import { posed, type Pose } from './scene';
import type { Vector } from '../geometry/vector';

/** Views are taken from 600 mm, or further off from what is larger: six times its reach. */
export function viewingDistance(meshes: readonly Mesh[], usual = 600): number {
  return Math.max(usual, 6 * reachOf(meshes));
}

export interface Frame {
  width: number;
  height: number;
  /** Share of the picture that is left clear on every side. */
  margin: number;
}

/** A way to have things whole in a picture, from each of some sides at one scale. */
export interface Framed {
  target: Vector;
  distance: number;
  /** px of the picture for each part of depth. */
  focal: number;
  /** Where the axis meets the picture, in px, so that what is seen from that side lies in its middle. */
  centres: readonly { x: number; y: number }[];
  /** The same for what is seen from all the sides together: it does not move while one goes round. */
  steady: { x: number; y: number };
}

/** Frames things from all of some sides, as large as they go. */
export function frameThings(
  things: readonly { meshes: readonly Mesh[]; pose: Pose }[],
  eyes: readonly Eye[],
  distance: number,
  { width, height, margin }: Frame,
  steady = false,
): Framed {
  const points = things.flatMap(({ meshes, pose }) =>
    meshes.flatMap((mesh) => (mesh.prop ? [] : mesh.points.map((point) => posed(point, pose)))),
  );
  const { low, high } = boundsOf(points);
  const target: Vector = [(low[0] + high[0]) / 2, (low[1] + high[1]) / 2, (low[2] + high[2]) / 2];
  const extents = eyes.map((eye) => extentFrom(points, cameraAt(eye, target, distance, 1, { x: 0, y: 0 })));
  const all = {
    left: Math.min(...extents.map(({ left }) => left)),
    right: Math.max(...extents.map(({ right }) => right)),
    top: Math.min(...extents.map(({ top }) => top)),
    bottom: Math.max(...extents.map(({ bottom }) => bottom)),
  };
  const held = steady ? [all] : extents;
  const across = Math.max(...held.map(({ left, right }) => right - left));
  const down = Math.max(...held.map(({ top, bottom }) => bottom - top));
  const clear = 1 - 2 * margin;
  const focal = Math.min((width * clear) / across, (height * clear) / down);
  const centre = ({ left, right, top, bottom }: typeof all) => ({
    x: width / 2 - ((left + right) / 2) * focal,
    y: height / 2 - ((top + bottom) / 2) * focal,
  });
  return { target, distance, focal, centres: extents.map(centre), steady: centre(all) };
}

/** The camera of one side; `index` says which of those it was framed for, where it is one of them. */
export function cameraIn(
  { target, distance, focal, centres, steady }: Framed,
  eye: Eye,
  index?: number,
): Camera {
  return cameraAt(eye, target, distance, focal, index === undefined ? steady : centres[index]!);
}

/** Sides all round at one height, for what is turned in the hand. */
export function roundEyes(pitch: number): Eye[] {
  return Array.from({ length: 8 }, (_, i) => ({ yaw: (i * Math.PI) / 4, pitch }));
}

function extentFrom(points: readonly Vector[], camera: Camera) {
  const extent = { left: Infinity, right: -Infinity, top: Infinity, bottom: -Infinity };
  for (const point of points) {
    const { x, y } = project(camera, point);
    extent.left = Math.min(extent.left, x);
    extent.right = Math.max(extent.right, x);
    extent.top = Math.min(extent.top, y);
    extent.bottom = Math.max(extent.bottom, y);
  }
  return extent;
}
