import type { Camera } from '../product/camera';
import { drawProducts } from '../product/draw';
import { toLinear, type Light } from '../product/light';
import { paint, type Shader } from '../product/paint';
import { fall, posed, type Standing } from '../product/scene';
import { signedWords, words, type Raster } from '../raster/raster';
import { colourOnRow, rowAt } from '../render/sampler';
import type { Scene } from './schema';

/** How much of what stands on a table its surface shows again, seen from level with it, 0 to 1. */
const GLOSS: Record<Scene['backdrop']['surface'], number> = {
  smooth: 0.1,
  boards: 0.12,
  linen: 0,
  stone: 0.22,
  plaster: 0,
  brushed: 0.3,
};
/** How much less of it is shown to one who looks straight down. */
const STEEP = 0.75;
/** No table is a mirror: px of the picture to one of what it shows most clearly. */
const KEEN = 2;
/** By what a rough surface blurs it, as a share of the picture's height. */
const BLUR = 0.02;
/** Height over the floor within which half of it is lost, and from which on it is blurred alone, as a share of the thing's. */
const LOST = 0.3;
/** Heights are told up to so many times that. */
const TOLD = 4;

/** How strongly a scene's ground shows what stands on it, 0 to 1. */
export function glossOf({ backdrop, camera }: Pick<Scene, 'backdrop' | 'camera'>): number {
  if (backdrop.ground !== 'table') return 0;
  return GLOSS[backdrop.surface] * (1 - STEEP * Math.sin((Math.abs(camera.pitch) * Math.PI) / 180));
}

/**
 * Lays what stands on a floor into the picture of that floor, as a rough surface shows it again: clear where it stands, the
 * further up the fainter and the more blurred. `tall`: mm of what it is a picture of, by which that is told.
 */
export function layReflection(
  into: Raster,
  standing: readonly Standing[],
  camera: Camera,
  light: Light,
  { floor, gloss, tall }: { floor: number; gloss: number; tall: number },
): void {
  const { width, height } = into;
  const below = mirrored(camera, floor, height);
  type Draw = (things: readonly Standing[], from: Camera, by: Light, size: Size) => Raster;
  const picture = (reduced: number, of: Draw) => {
    const size = { width: Math.ceil(width / reduced), height: Math.ceil(height / reduced), backdrop: null };
    const raster = of(standing, scaled(below, 1 / reduced), light, size);
    return { raster, pixels: signedWords(raster), width: width / reduced, height: height / reduced };
  };
  // What is read between few pixels is blurred by as much.
  const rough = Math.max(KEEN, BLUR * height);
  const [near, far] = [picture(KEEN, drawProducts), picture(rough, drawProducts)];
  const heights = picture(rough, (things, from, _, size) =>
    drawHeights(things, from, { floor, lost: LOST * tall }, size),
  );
  const under = words(into);
  for (let y = 0; y < height; y++) {
    // The mirror image is upside down.
    const v = 1 - (y + 0.5) / height;
    const [nearRow, farRow] = [rowAt(near, v), rowAt(far, v)];
    for (let x = 0; x < width; x++) {
      const u = (x + 0.5) / width;
      const blurred = colourOnRow(far.pixels, farRow, u);
      if (blurred >>> 24 === 0) continue;
      const keen = colourOnRow(near.pixels, nearRow, u);
      const off = toLinear(colourOnRow(heights.pixels, farRow, u) & 255) * TOLD;
      const here = y * width + x;
      under[here] = mixed(under[here]!, keen, blurred, Math.max(0, 1 - off), gloss * 0.5 ** off);
    }
  }
}

interface Size {
  width: number;
  height: number;
  backdrop: null;
}

/** How far things reach over a floor at each place that is seen, in heights within which half of a reflection is lost. */
function drawHeights(
  standing: readonly Standing[],
  camera: Camera,
  { floor, lost }: { floor: number; lost: number },
  size: Size,
): Raster {
  const over = standing.flatMap(({ meshes, pose }) =>
    meshes.flatMap(({ points }) => points.map((point) => (posed(point, pose)[1] - floor) / lost / TOLD)),
  );
  const fallen = fall(standing, camera);
  const { triangles } = fallen;
  const shade: Shader['shade'] = (triangle, at, into) => {
    let height = 0;
    for (let k = 0; k < 3; k++) height += at[k]! * over[triangles[triangle * 3 + k]!]!;
    into[0] = into[1] = into[2] = Math.min(1, Math.max(0, height));
    into[3] = 1;
  };
  return paint(fallen, { shade }, size);
}

function scaled(camera: Camera, by: number): Camera {
  const { focal, centre } = camera;
  return { ...camera, focal: focal * by, centre: { x: centre.x * by, y: centre.y * by } };
}

/** The camera that sees things from below a floor as another sees their mirror image in it, upside down. */
export function mirrored(
  { eye, right, up, ahead, focal, centre }: Camera,
  floor: number,
  height: number,
): Camera {
  return {
    eye: [eye[0], 2 * floor - eye[1], eye[2]],
    right,
    up: [-up[0], up[1], -up[2]],
    ahead: [ahead[0], -ahead[1], ahead[2]],
    focal,
    centre: { x: centre.x, y: height - centre.y },
  };
}

/** A pixel of the floor with a share of what it shows, the keen picture of it and the blurred one mixed. */
function mixed(under: number, keen: number, blurred: number, share: number, strength: number): number {
  const alpha = ((keen >>> 24) * share + (blurred >>> 24) * (1 - share)) / 255;
  const covered = alpha * strength;
  if (covered === 0) return under;
  let word = 0xff000000;
  for (const shift of [0, 8, 16]) {
    const shown =
      (((keen >>> shift) & 255) * (keen >>> 24) * share +
        ((blurred >>> shift) & 255) * (blurred >>> 24) * (1 - share)) /
      (255 * alpha);
    const level = ((under >>> shift) & 255) * (1 - covered) + shown * covered;
    word |= Math.min(255, Math.round(level)) << shift;
  }
  return word >>> 0;
}
