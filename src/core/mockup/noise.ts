import { lerp } from '../geometry/lerp';

/** A number between 0 and 1 that a whole place always has. */
export function chance(x: number, y: number): number {
  let h = Math.imul(x | 0, 374761393) + Math.imul(y | 0, 668265263);
  h = Math.imul(h ^ (h >>> 13), 1274126177);
  return ((h ^ (h >>> 16)) >>> 0) / 4294967296;
}

/** Soft noise, 0 to 1: whole places joined smoothly. */
export function noise(x: number, y: number): number {
  const [i, j] = [Math.floor(x), Math.floor(y)];
  const [u, v] = [x - i, y - j];
  const [s, t] = [u * u * (3 - 2 * u), v * v * (3 - 2 * v)];
  const top = lerp(chance(i, j), chance(i + 1, j), s);
  const low = lerp(chance(i, j + 1), chance(i + 1, j + 1), s);
  return lerp(top, low, t);
}
