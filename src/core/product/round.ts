import type { WrapBody } from '../blank/schema';

/** Thickness of a wall in mm: not in the blank's numbers, and only seen at the lip. */
const WALL = 3;

/** A point of an outline: distance from the body's axis and height above its foot, in mm. */
export type ProfilePoint = readonly [radius: number, height: number];

/** The body's outline from its foot's middle, up the wall, over the lip and down the inside. */
export function bodyProfile({ diameter, height, lip, foot }: WrapBody): ProfilePoint[] {
  const r = diameter / 2;
  const round = Math.min(1.4, lip || 1);
  const step = Math.min(1.6, foot);
  return [
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
}

/** A point of the handle's middle line: height above the foot, and how far behind the axis (negative), in mm. */
export type HandlePoint = readonly [height: number, behind: number];

/** The handle's middle line, at the back of the body (opposite the front), from its upper root round to its lower. */
export function handleLine({ diameter, height, handle }: WrapBody): HandlePoint[] {
  if (!handle) return [];
  const { reach, thickness, top, bottom } = handle;
  const root = -diameter / 2 + 1;
  const out = -diameter / 2 - reach + thickness / 2;
  const upper = height - top - thickness / 2;
  const lower = bottom + thickness / 2;
  return [
    [upper, root],
    [upper, root * 0.35 + out * 0.65],
    [upper - (upper - lower) * 0.2, out],
    [upper - (upper - lower) * 0.55, out],
    [lower + (upper - lower) * 0.12, root * 0.4 + out * 0.6],
    [lower, root],
  ];
}
