import { project, type Camera } from '../product/camera';
import { posed, type Standing } from '../product/scene';
import type { Mesh } from '../product/mesh';
import type { Raster } from '../raster/raster';
import { noise } from './noise';

/** How high steam rises before it is gone, as a multiple of its mouth's radius. */
const RISE = 2.6;
/** How much of what is behind it its thickest part hides. */
const DENSE = 0.62;
/** How light it is, in levels: lit from all round, and so never as white as the whitest. */
const TONE = 246;
/** Wisps of one mouth: where each begins and how it sways, in radii, and how strong it is. */
const WISPS = [
  { from: -0.34, sway: 0.3, turns: 0.8, phase: 0.1, strength: 0.85 },
  { from: 0.06, sway: 0.42, turns: 0.65, phase: 0.55, strength: 1 },
  { from: 0.42, sway: 0.26, turns: 0.95, phase: 0.85, strength: 0.7 },
];

/** What steam needs over things of the room that a picture shows: nothing that is seen. */
export function roomForSteam(things: readonly Standing[]): Standing[] {
  return things.flatMap(({ mouth, look, pose }) => {
    if (!mouth) return [];
    const [x, y, z] = mouth.at;
    const material = { faceId: null, colour: 'product', finish: 'product' } as const;
    const points: Mesh['points'] = [[x, y + RISE * mouth.radius, z]];
    return [{ meshes: [{ material, points, normals: [], places: [], triangles: [] }], look, pose }];
  });
}

/** Lays steam into a picture over every mouth of what stands in it: always the same over the same thing. */
export function laySteam(picture: Raster, things: readonly Standing[], camera: Camera): void {
  for (const { mouth, pose } of things) {
    if (!mouth) continue;
    const { x, y, depth } = project(camera, posed(mouth.at, pose));
    layOver(picture, { x, y, radius: (camera.focal * mouth.radius) / depth });
  }
}

/** `x`, `y`: the middle of a mouth in px, `radius` its own in px. */
function layOver(
  { width, height, data }: Raster,
  { x, y, radius }: { x: number; y: number; radius: number },
): void {
  const left = Math.max(0, Math.floor(x - 1.6 * radius));
  const right = Math.min(width, Math.ceil(x + 1.6 * radius));
  const top = Math.max(0, Math.floor(y - RISE * radius));
  const bottom = Math.min(height, Math.ceil(y));
  for (let row = top; row < bottom; row++) {
    const up = (y - row - 0.5) / (RISE * radius);
    for (let column = left; column < right; column++) {
      const cover = DENSE * steamAt((column + 0.5 - x) / radius, up);
      if (cover < 1 / 512) continue;
      const at = (row * width + column) * 4;
      for (let k = 0; k < 3; k++) {
        const level = data[at + k]!;
        data[at + k] = Math.round(level + (Math.max(level, TONE) - level) * cover);
      }
    }
  }
}

/** How thick steam is, 0 to 1, at a place in radii from the middle of its mouth and a share of its rise over it. */
export function steamAt(across: number, up: number): number {
  if (up <= 0 || up >= 1) return 0;
  // It leaves the mouth thin, and is lost in the air the higher the more.
  const fade = Math.min(1, up / 0.16) * (1 - up) ** 1.4;
  const drift = 0.5 * up * (noise(across * 1.3 + 5, up * 3.2) - 0.5);
  let thick = 0;
  for (const { from, sway, turns, phase, strength } of WISPS) {
    const middle = from * (1 - 0.3 * up) + sway * up * Math.sin(2 * Math.PI * (turns * up + phase));
    const off = (across + drift - middle) / (0.1 + 0.3 * up);
    // Curls: one side of a wisp is sharper than the other.
    thick += strength * Math.exp(-off * off * (off > 0 ? 1 : 1.9));
  }
  const torn =
    0.45 + 0.75 * noise(across * 2.6 + 2 * drift, up * 5.5) * noise(across * 5 + 9, up * 8 + 3) ** 0.5;
  return Math.min(1, fade * thick * torn);
}
