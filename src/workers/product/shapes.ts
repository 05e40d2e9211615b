import * as THREE from 'three';
import type { WrapBody } from '@/core/blank/schema';

/** Thickness of a wall in mm: not in the blank's numbers, and only seen at the lip. */
const WALL = 3;

/** The body's outline from its foot's middle, up the wall, over the lip and down the inside; radius and height in mm. */
export function bodyProfile({ diameter, height, lip, foot }: WrapBody): THREE.Vector2[] {
  const r = diameter / 2;
  const round = Math.min(1.4, lip || 1);
  const step = Math.min(1.6, foot);
  const points: [radius: number, height: number][] = [
    [0, 0],
    [r - step - 1, 0],
    [r - step, Math.min(1, foot)],
    [r - step * 0.5, foot * 0.7],
    [r, foot],
    [r, height - round],
    [r - round * 0.35, height - round * 0.3],
    [r - WALL / 2, height],
    [r - WALL + round * 0.35, height - round * 0.3],
    [r - WALL, height - round],
    [r - WALL, 5],
    [r - WALL - 4, 3],
    [0, 3],
  ];
  return points.map(([x, y]) => new THREE.Vector2(x, y));
}

/** The handle's middle line, at the back of the body (opposite the front), from its upper root round to its lower. */
export function handlePath({ diameter, height, handle }: WrapBody): THREE.Curve<THREE.Vector3> {
  const { reach, thickness, top, bottom } = handle!;
  const root = -diameter / 2 + 1;
  const out = -diameter / 2 - reach + thickness / 2;
  const upper = height - top - thickness / 2;
  const lower = bottom + thickness / 2;
  const points: [y: number, z: number][] = [
    [upper, root],
    [upper, root * 0.35 + out * 0.65],
    [upper - (upper - lower) * 0.2, out],
    [upper - (upper - lower) * 0.55, out],
    [lower + (upper - lower) * 0.12, root * 0.4 + out * 0.6],
    [lower, root],
  ];
  return new THREE.CatmullRomCurve3(points.map(([y, z]) => new THREE.Vector3(0, y, z)));
}
