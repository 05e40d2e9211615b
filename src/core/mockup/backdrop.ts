import { rgbOf, type Rgb } from '../colour/hex';
import { rayAt, type Camera } from '../product/camera';
import { toLevel, toLinear } from '../product/light';
import type { Raster } from '../raster/raster';
import { dot, minus, unit, type Vector } from '../geometry/vector';
import type { Scene } from './schema';
import type { Shade } from './shadow';
import { daylightAt } from './daylight';
import { lightnessAt } from './surfaces';
import { lerp } from '../geometry/lerp';

/** Where things of a scene rest, in mm: the level of the floor, and the plane behind them. */
export interface Grounds {
  floor: number;
  wall: number;
  /** Width of what is shown, by which grain is drawn. */
  across: number;
}

/** Half the width of the edge between floor and wall, as a share of how far off it is; behind a table it is out of focus. */
const EDGE = 0.006;
const EDGE_BEHIND_TABLE = 0.02;
/** By how much what lies out of focus is blurred, as a share of how far it lies from what is in focus. */
const OUT_OF_FOCUS = 0.06;
/** Places within a circle that a blurred one is the mean of: by golden angles, so that they lie evenly. */
const WITHIN = Array.from({ length: 9 }, (_, i) => {
  const [angle, far] = [i * 2.399963, Math.sqrt((i + 0.5) / 9)];
  return [Math.cos(angle) * far, Math.sin(angle) * far] as const;
});

/** What lies behind the things of a scene: its ground and its wall, in its light, with their shadows. */
export function drawBackdrop(
  { backdrop, light }: Pick<Scene, 'backdrop' | 'light'>,
  camera: Camera,
  { floor, wall, across }: Grounds,
  shadow: Shade,
  { width, height, colour }: { width: number; height: number; colour: string },
): Raster {
  const ground = rgbOf(colour);
  const behind = rgbOf(backdrop.behind);
  const floored = backdrop.ground === 'sweep' || backdrop.ground === 'table';
  const lamp = lampOf(light);
  const edge = backdrop.ground === 'table' ? EDGE_BEHIND_TABLE : EDGE;
  const focus = Math.hypot(...camera.eye);
  // Worked out here and there: it is soft, and what stands before it is not.
  const step = Math.max(1, Math.round(Math.max(width, height) / (backdrop.surface === 'smooth' ? 200 : 500)));
  const [columns, rows] = [Math.ceil(width / step) + 1, Math.ceil(height / step) + 1];
  const grid = new Uint8Array(columns * rows * 3);
  for (let row = 0, at = 0; row < rows; row++) {
    for (let column = 0; column < columns; column++, at += 3) {
      const x = column * step;
      const y = row * step;
      const [rgb, lightness] = colourAt(x, y);
      // The picture is a little darker towards its corners, and where the lamp does not stand.
      const [dx, dy] = [x / width - 0.5 - lamp[0] * 0.18, y / height - 0.5 + 0.12];
      const fall = 1.02 - 0.3 * (dx * dx + dy * dy);
      const light = Math.min(1.08, lightness * fall);
      for (let c = 0; c < 3; c++) grid[at + c] = toLevel(toLinear(rgb[c]!) * light);
    }
  }
  return enlarged(grid, columns, step, width, height);

  function daylight(x: number, y: number): number {
    return backdrop.window ? daylightAt(x / width - 0.5, (y - height / 2) / width) : 1;
  }

  /** The floor and the wall behind it; between the two a little of each, so that no edge is sharper than the things. */
  function colourAt(x: number, y: number): readonly [Rgb, number] {
    const ray = rayAt(camera, x, y);
    const down = ray[1] < 0 ? (floor - camera.eye[1]) / ray[1] : Infinity;
    const deep = ray[2] < 0 ? (wall - camera.eye[2]) / ray[2] : Infinity;
    const hit = (way: number): Vector => [
      camera.eye[0] + ray[0] * way,
      camera.eye[1] + ray[1] * way,
      camera.eye[2] + ray[2] * way,
    ];
    if (!floored) {
      const [a, b] = hit(deep);
      const own = lightnessAt(backdrop.surface, a / across, -b / across) * shadow(a, b);
      return [ground, own * daylight(x, y)];
    }
    const behindAt = ([own, lightness]: readonly [Rgb, number]) => [own, lightness * daylight(x, y)] as const;
    if (down > deep * (1 + edge)) return behindAt(wallAt(hit(deep)));
    const onFloor = floorAt(hit(Math.min(down, deep)));
    if (down < deep * (1 - edge)) return onFloor;
    const share = (down / deep - 1 + edge) / (2 * edge);
    const [[near, nearLight], [far, farLight]] = [onFloor, behindAt(wallAt(hit(deep)))];
    const mix = (k: 0 | 1 | 2) => lerp(near[k], far[k], share);
    return [[mix(0), mix(1), mix(2)], lerp(nearLight, farLight, share)];
  }

  /** A table's grain, sharp where the things stand, the softer the further behind or before them. */
  function grainAt(place: Vector): number {
    const [x, , z] = place;
    const off = Math.abs(Math.hypot(...minus(place, camera.eye)) - focus);
    const blur = Math.max(0, off - across / 2) * OUT_OF_FOCUS;
    if (blur < 1) return lightnessAt(backdrop.surface, x / across, z / across);
    let sum = 0;
    for (const [dx, dz] of WITHIN)
      sum += lightnessAt(backdrop.surface, (x + dx * blur) / across, (z + dz * blur) / across);
    return sum / WITHIN.length;
  }

  function floorAt([x, y, z]: Vector): readonly [Rgb, number] {
    const back = Math.max(0, (z - wall) / across);
    // A shadow is lost towards the wall, where the floor takes light from it.
    const shade = 1 - (1 - shadow(x, z)) * Math.min(1, back * 2.2);
    if (backdrop.ground === 'table') return [ground, grainAt([x, y, z]) * shade];
    // Paper that rises behind the things in one curve: floor and wall are one.
    const rise = Math.exp(-1.6 * back) * 0.5;
    const mix = (k: 0 | 1 | 2) => lerp(ground[k], behind[k], rise);
    return [[mix(0), mix(1), mix(2)], shade];
  }

  function wallAt([, y]: Vector): readonly [Rgb, number] {
    const up = (y - floor) / across;
    if (backdrop.ground === 'table') return [behind, 0.97 - 0.1 * Math.exp(-6 * up)];
    const rise = Math.min(1, 0.5 + up);
    const mix = (k: 0 | 1 | 2) => lerp(ground[k], behind[k], rise);
    return [[mix(0), mix(1), mix(2)], 1];
  }
}

/** Towards a scene's lamp. */
export function lampOf({ yaw, pitch }: Scene['light']): Vector {
  const [y, p] = [(yaw * Math.PI) / 180, (pitch * Math.PI) / 180];
  return unit([Math.sin(y) * Math.cos(p), Math.sin(p), Math.cos(y) * Math.cos(p)]);
}

/** How a plane takes the lamp, so that a ground is as light as things that face as it does. */
export function facingLamp(light: Scene['light'], normal: Vector): number {
  return (
    light.around * (0.86 + 0.14 * normal[1]) + (1.12 - light.around) * Math.max(0, dot(normal, lampOf(light)))
  );
}

/** Levels between those that were worked out, joined straight: down the columns for each row, then along it. */
function enlarged(grid: Uint8Array, columns: number, step: number, width: number, height: number): Raster {
  const data = new Uint8Array(width * height * 4);
  const pixels = new Uint32Array(data.buffer);
  // In 1/65536 of a level, so that a step along a row is one sum.
  const row = new Int32Array(columns * 3);
  for (let y = 0, to = 0; y < height; y++) {
    const above = Math.floor(y / step) * columns * 3;
    const below = above + columns * 3;
    const share = ((y % step) * 65536) / step;
    for (let i = 0; i < row.length; i++) {
      const top = grid[above + i]!;
      row[i] = (top << 16) + (grid[below + i]! - top) * share + 32768;
    }
    for (let at = 0, x = 0; x < width; at += 3) {
      let red = row[at]!;
      let green = row[at + 1]!;
      let blue = row[at + 2]!;
      const perRed = ((row[at + 3]! - red) / step) | 0;
      const perGreen = ((row[at + 4]! - green) / step) | 0;
      const perBlue = ((row[at + 5]! - blue) / step) | 0;
      for (let along = 0; along < step && x < width; along++, x++, to++) {
        pixels[to] = 0xff000000 | ((blue >> 16) << 16) | ((green >> 16) << 8) | (red >> 16);
        red += perRed;
        green += perGreen;
        blue += perBlue;
      }
    }
  }
  return { width, height, data, opaque: true };
}
