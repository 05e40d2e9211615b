import { linear } from '../colour/lab';
import type { Finish } from '../blank/schema';
import { unit, type Vector } from '../geometry/vector';

/** Light on a product: one lamp, and what comes from all around. */
export interface Light {
  /** Towards the lamp. */
  lamp: Vector;
  /** Share of light that comes from all around, 0 to 1: the softer, the more. 1 lights everything alike. */
  around: number;
  /** How much stronger all of it is than usual. */
  gain?: number;
}

/** How each finish mirrors the lamp: how strong, and how sharply. */
const SHINE: Record<Finish, readonly [strength: number, sharpness: number]> = {
  matt: [0, 1],
  fabric: [0, 1],
  gloss: [0.34, 70],
  metal: [0.3, 24],
  glass: [0.5, 120],
};

/** Linear light of each sRGB level in steps of a sixteenth. */
const STEPS = 16;
const LINEAR = Float64Array.from({ length: 255 * STEPS + 1 }, (_, i) => linear(i / STEPS));
/** Levels over the square root of light, in which they lie about evenly. */
const ROOTS = 4096;
const ENCODED = Uint8Array.from({ length: ROOTS + 1 }, (_, i) => {
  const value = (i / ROOTS) ** 2;
  return Math.round(255 * (value <= 0.0031308 ? value * 12.92 : 1.055 * value ** (1 / 2.4) - 0.055));
});

/** Linear light, 0 to 1, of an sRGB level that need not be whole. */
export function toLinear(level: number): number {
  return LINEAR[(level * STEPS + 0.5) | 0]!;
}

/** The sRGB level nearest to a linear light; what is brighter than white is white. */
export function toLevel(light: number): number {
  return light >= 1 ? 255 : ENCODED[(Math.sqrt(light) * ROOTS + 0.5) | 0]!;
}

/** A finish under a light, with what does not change from place to place. */
export interface Lamp {
  x: number;
  y: number;
  z: number;
  around: number;
  gain: number;
  strength: number;
  sharpness: number;
  brushed: boolean;
}

export function lampOn({ lamp: [x, y, z], around, gain = 1 }: Light, finish: Finish): Lamp {
  const [strength, sharpness] = SHINE[finish];
  return { x, y, z, around, gain, strength, sharpness, brushed: finish === 'metal' };
}

/**
 * Light on a surface: `at` is its normal and then the ray it is seen along, three numbers each; `into` takes the shade,
 * how much of the surface's own colour comes back, and the shine, how much of the lamp's white. The shade is one factor
 * for red, green and blue of linear light, so that no hue changes (the hue of CIE 1976 is one for all lights of one
 * chromaticity), and it is never above 1.
 */
export function lightOn(lamp: Lamp, at: Float64Array, into: Float64Array): void {
  const { around, x, y, z } = lamp;
  if (around >= 1) {
    into[0] = 1;
    into[1] = 0;
    return;
  }
  const nx = at[0]!;
  const ny = at[1]!;
  const nz = at[2]!;
  // Light wraps a little round: no lamp is a point.
  const direct = (nx * x + ny * y + nz * z + 0.25) * 0.8;
  let shade = around * (0.86 + 0.14 * ny) + (direct > 0 ? (1.12 - around) * direct : 0);
  shade *= lamp.gain;
  if (lamp.brushed) shade *= 0.82 + 0.3 * Math.cos(9 * nx + 2 * ny) ** 2;
  let shine = 0;
  if (lamp.strength > 0) {
    const rx = at[3]!;
    const ry = at[4]!;
    const rz = at[5]!;
    const back = 2 * (nx * rx + ny * ry + nz * rz);
    const mirrored = (rx - nx * back) * x + (ry - ny * back) * y + (rz - nz * back) * z;
    if (mirrored > 0.8) shine = lamp.strength * Math.pow(mirrored, lamp.sharpness);
  }
  into[0] = shade < 1 ? shade : 1;
  into[1] = shine;
}

/** The same light on everything: colours as they are in the print file. */
export const FLAT_LIGHT: Light = { lamp: [0, 0, 1], around: 1 };

/** A lamp over the left shoulder of whoever looks from `yaw`. */
export function lampAt(yaw: number, around = 0.52): Light {
  const turn = yaw - 0.5;
  return { lamp: unit([Math.sin(turn), 0.55, Math.cos(turn)]), around };
}
