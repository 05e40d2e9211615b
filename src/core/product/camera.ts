import { along, cross, dot, minus, unit, type Vector } from '../geometry/vector';

/** Where a picture is taken from, and what of it is seen. */
export interface Camera {
  eye: Vector;
  right: Vector;
  up: Vector;
  /** Away from the eye, into the picture. */
  ahead: Vector;
  /** px of the picture for each part of depth. */
  focal: number;
  /** Where the axis meets the picture, in px. */
  centre: { x: number; y: number };
}

/** A direction to look from, in radians: to the right of the front, and above the horizon. */
export interface Eye {
  yaw: number;
  pitch: number;
}

/** Looks at a point from a distance in mm; `focal` in px. */
export function cameraAt(
  { yaw, pitch }: Eye,
  target: Vector,
  distance: number,
  focal: number,
  centre: { x: number; y: number },
): Camera {
  const back: Vector = [Math.sin(yaw) * Math.cos(pitch), Math.sin(pitch), Math.cos(yaw) * Math.cos(pitch)];
  const right: Vector = [Math.cos(yaw), 0, -Math.sin(yaw)];
  return {
    eye: along(target, back, distance),
    right,
    up: unit(cross(back, right)),
    ahead: along([0, 0, 0], back, -1),
    focal,
    centre,
  };
}

/** Where a point falls in the picture, in px from its top left corner, and how far ahead of the eye it lies in mm. */
export function project(camera: Camera, point: Vector): { x: number; y: number; depth: number } {
  const from = minus(point, camera.eye);
  const depth = dot(from, camera.ahead);
  return {
    x: camera.centre.x + (camera.focal * dot(from, camera.right)) / depth,
    y: camera.centre.y - (camera.focal * dot(from, camera.up)) / depth,
    depth,
  };
}

/** The direction in which a place of the picture lies from the eye. */
export function rayAt(camera: Camera, x: number, y: number): Vector {
  const across = (x - camera.centre.x) / camera.focal;
  const up = (camera.centre.y - y) / camera.focal;
  return unit(along(along(camera.ahead, camera.right, across), camera.up, up));
}
