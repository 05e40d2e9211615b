/** A point or a direction: x to the right, y up, z towards whoever stands in front. Lengths in mm. */
export type Vector = readonly [x: number, y: number, z: number];

export const minus = (a: Vector, b: Vector): Vector => [a[0] - b[0], a[1] - b[1], a[2] - b[2]];
export const dot = (a: Vector, b: Vector): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
export const cross = (a: Vector, b: Vector): Vector => [
  a[1] * b[2] - a[2] * b[1],
  a[2] * b[0] - a[0] * b[2],
  a[0] * b[1] - a[1] * b[0],
];
/** `a + b * share`. */
export const along = (a: Vector, b: Vector, share: number): Vector => [
  a[0] + b[0] * share,
  a[1] + b[1] * share,
  a[2] + b[2] * share,
];
export const lengthOf = (a: Vector): number => Math.hypot(a[0], a[1], a[2]);

/** The same direction, one long; straight up where it has none. */
export function unit(a: Vector): Vector {
  const length = lengthOf(a);
  return length < 1e-12 ? [0, 1, 0] : [a[0] / length, a[1] / length, a[2] / length];
}

/** Turned about the upright axis by `yaw` (positive: its front goes to the right), then tipped forward by `pitch`, radians. */
export function turned([x, y, z]: Vector, yaw: number, pitch = 0): Vector {
  const [across, deep] = [x * Math.cos(yaw) + z * Math.sin(yaw), z * Math.cos(yaw) - x * Math.sin(yaw)];
  return [across, y * Math.cos(pitch) - deep * Math.sin(pitch), deep * Math.cos(pitch) + y * Math.sin(pitch)];
}
