import type { RoundBody } from '../blank/body';
import { diametersOf, uprightOf } from '../blank/kinds/round';

/** Thickness of a wall in mm: not in the blank's numbers, and only seen at the lip. */
const WALL = 3;

/** A point of an outline: distance from the body's axis and height above its foot, in mm. */
export type ProfilePoint = readonly [radius: number, height: number];

/** Radius in mm of the outer wall at a height above the foot; the cone goes on through lip and foot. */
export function radiusAt(body: RoundBody, height: number): number {
  const { top, bottom } = diametersOf(body);
  const { print, foot } = uprightOf(body);
  return (bottom + ((top - bottom) * (height - foot)) / print) / 2;
}

/** The body's outline from its foot's middle, up the wall, over the lip and down the inside. */
export function bodyProfile(body: RoundBody): ProfilePoint[] {
  const { lip, foot, whole } = uprightOf(body);
  const r = (height: number) => radiusAt(body, height);
  const round = Math.min(1.4, lip || 1);
  const step = Math.min(1.6, foot);
  const rim = r(whole);
  return [
    [0, 0],
    [r(0) - step - 1, 0],
    [r(0) - step, Math.min(1, foot)],
    [r(foot * 0.7) - step * 0.5, foot * 0.7],
    [r(foot), foot],
    [r(whole - round), whole - round],
    [rim - round * 0.35, whole - round * 0.3],
    [rim - WALL / 2, whole],
    [rim - WALL + round * 0.35, whole - round * 0.3],
    [rim - WALL, whole - round],
    [r(5) - WALL, 5],
    [r(3) - WALL - 4, 3],
    [0, 3],
  ];
}

/** A point of the handle's middle line: height above the foot, and how far behind the axis (negative), in mm. */
export type HandlePoint = readonly [height: number, behind: number];

/** The handle's middle line, at the back of the body (opposite the front), from its upper root round to its lower. */
export function handleLine(body: RoundBody): HandlePoint[] {
  if (!body.handle) return [];
  const { reach, thickness, top, bottom } = body.handle;
  const upper = uprightOf(body).whole - top - thickness / 2;
  const lower = bottom + thickness / 2;
  const rootUp = 1 - radiusAt(body, upper);
  const rootLow = 1 - radiusAt(body, lower);
  const out = Math.min(rootUp, rootLow) - 1 - reach + thickness / 2;
  return [
    [upper, rootUp],
    [upper, rootUp * 0.35 + out * 0.65],
    [upper - (upper - lower) * 0.2, out],
    [upper - (upper - lower) * 0.55, out],
    [lower + (upper - lower) * 0.12, rootLow * 0.4 + out * 0.6],
    [lower, rootLow],
  ];
}

/** Largest radius in mm of the body, lip and foot included. */
export function widestRadius(body: RoundBody): number {
  return Math.max(radiusAt(body, 0), radiusAt(body, uprightOf(body).whole));
}
