import type { Fallen } from './bands';
import { looksFor, type Texture } from './texture';

/** For each triangle, how its print is looked at. */
export interface AllLooks {
  level: Uint8Array;
  count: Uint8Array;
  /** The longer side of what a pixel covers on the face, as a step in mm. */
  stepX: Float32Array;
  stepY: Float32Array;
}

/** What a pixel of the picture covers on each triangle's face: the ellipse that its circle becomes there. */
export function looksOf(
  { x, y, places, triangles, meshOf }: Fallen & { places: Float32Array },
  textures: readonly (Texture | undefined)[],
): AllLooks {
  const count = triangles.length / 3;
  const looks: AllLooks = {
    level: new Uint8Array(count),
    count: new Uint8Array(count).fill(1),
    stepX: new Float32Array(count),
    stepY: new Float32Array(count),
  };
  for (let i = 0; i < count; i++) {
    const texture = textures[meshOf[i]!];
    if (!texture) continue;
    const p = triangles[i * 3]!;
    const q = triangles[i * 3 + 1]!;
    const r = triangles[i * 3 + 2]!;
    const ax = x[q]! - x[p]!;
    const ay = y[q]! - y[p]!;
    const bx = x[r]! - x[p]!;
    const by = y[r]! - y[p]!;
    const area = ax * by - bx * ay;
    if (Math.abs(area) < 1e-9) continue;
    const u1 = places[q * 2]! - places[p * 2]!;
    const u2 = places[r * 2]! - places[p * 2]!;
    const v1 = places[q * 2 + 1]! - places[p * 2 + 1]!;
    const v2 = places[r * 2 + 1]! - places[p * 2 + 1]!;
    const ux = (u1 * by - u2 * ay) / area;
    const uy = (u2 * ax - u1 * bx) / area;
    const vx = (v1 * by - v2 * ay) / area;
    const vy = (v2 * ax - v1 * bx) / area;
    const e = ux * ux + uy * uy;
    const f = ux * vx + uy * vy;
    const g = vx * vx + vy * vy;
    const half = Math.sqrt(((e - g) / 2) ** 2 + f * f);
    const long = Math.sqrt((e + g) / 2 + half);
    const fine = Math.sqrt(Math.max(0, (e + g) / 2 - half));
    const angle = 0.5 * Math.atan2(2 * f, e - g);
    const found = looksFor(texture, long, fine);
    looks.level[i] = found.level;
    looks.count[i] = found.count;
    looks.stepX[i] = long * Math.cos(angle);
    looks.stepY[i] = long * Math.sin(angle);
  }
  return looks;
}
