import type { Material, Mesh } from '../../product/mesh';
import type { Room } from './room';
import { block } from './block';

const WOOD: Material = { faceId: null, colour: '#b48f62', finish: 'matt' };
const SHADED: Material = { ...WOOD, tone: 0.72 };
/** Slats of a side, and the share of its height that they cover. */
const SLATS = 3;
const COVER = 0.78;

/** Slatted crates behind the things: a large one at the left, a lower one at the right. */
export function crates({ low, high, unit }: Room): Mesh[] {
  const tall = high[1] - low[1];
  const z = low[2] - unit * 0.75;
  return [
    ...crate([low[0] - unit * 0.5, low[1], z], [unit * 1.3, tall * 0.72, unit * 0.8], 0.2),
    ...crate([high[0] + unit * 0.55, low[1], z - unit * 0.1], [unit * 1.2, tall * 0.46, unit * 0.8], -0.28),
  ];
}

/** A crate that stands on a place: a dark inside, posts at its corners and slats between them. */
function crate(
  [x, y, z]: readonly [number, number, number],
  [wide, tall, deep]: readonly [number, number, number],
  yaw: number,
): Mesh[] {
  const [cos, sin] = [Math.cos(yaw), Math.sin(yaw)];
  const thick = wide * 0.035;
  const bar = (
    material: Material,
    [across, up, ahead]: readonly [number, number, number],
    size: [number, number, number],
  ): Mesh[] =>
    block(material, [x + across * cos + ahead * sin, y + up, z - across * sin + ahead * cos], size, yaw);
  const slat = (tall / SLATS) * COVER;
  const rows = Array.from({ length: SLATS }, (_, i) => (i + 0.5) * (tall / SLATS));
  const front = deep / 2 + thick / 2;
  const side = wide / 2 + thick / 2;
  return [
    ...bar(SHADED, [0, tall / 2 - thick, 0], [wide - thick, tall - 2 * thick, deep - thick]),
    ...[-1, 1].flatMap((way) =>
      bar(WOOD, [(way * wide) / 2 - way * thick, tall / 2, front - thick], [thick * 2, tall, thick]),
    ),
    ...rows.flatMap((up) => [
      ...bar(WOOD, [0, up, front], [wide + 2 * thick, slat, thick]),
      ...bar(WOOD, [side, up, 0], [thick, slat, deep]),
      ...bar(WOOD, [-side, up, 0], [thick, slat, deep]),
    ]),
  ];
}
