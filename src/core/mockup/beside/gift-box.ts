import { tube, type Material, type Mesh } from '../../product/mesh';
import type { Vector } from '../../geometry/vector';
import type { Room } from './room';
import { block } from './block';

const CARD: Material = { faceId: null, colour: '#c9b59a', finish: 'matt' };
const LID: Material = { faceId: null, colour: '#d6c4ab', finish: 'matt' };
const RIBBON: Material = { faceId: null, colour: '#3f5f63', finish: 'fabric' };
/** Radians that the box is turned, so that two of its sides are seen. */
const TURNED = -0.5;

/** A closed box with a ribbon and a bow, behind the things and to the right of them. */
export function giftBox({ low, high, unit }: Room): Mesh[] {
  const side = unit * 0.78;
  const tall = Math.min(side * 0.8, (high[1] - low[1]) * 0.62);
  const x = high[0] + side * 0.34;
  const z = low[2] - side * 0.62;
  const at = (up: number): Vector => [x, low[1] + up, z];
  const lid = tall * 0.24;
  const over = side * 0.03;
  const band = side * 0.13;
  const box = (material: Material, up: number, size: Vector) => block(material, at(up), size, TURNED);
  const [cos, sin] = [Math.cos(TURNED), Math.sin(TURNED)];
  /** A place on the lid, across the box as it stands. */
  const above = (across: number, up: number, deep: number): Vector => [
    x + across * cos + deep * sin,
    low[1] + tall + up,
    z - across * sin + deep * cos,
  ];
  const bow = [1, -1].flatMap((way) =>
    [0, Math.PI / 2].map((about): Mesh => {
      const turned = (along: number, up: number): Vector =>
        above(way * along * Math.cos(about), up, way * along * Math.sin(about));
      const [reach, rise] = [side * 0.27, side * 0.16];
      const across: Vector = [-Math.sin(about + TURNED), 0, -Math.cos(about + TURNED)];
      return tube(
        RIBBON,
        [
          turned(0, 1),
          turned(reach * 0.5, rise),
          turned(reach, rise * 0.75),
          turned(reach * 0.7, 1),
          turned(0, 1),
        ],
        [band * 0.42, side * 0.006],
        across,
        12,
      );
    }),
  );
  return [
    ...box(CARD, (tall - lid) / 2, [side, tall - lid, side]),
    ...box(LID, tall - lid / 2, [side + 2 * over, lid, side + 2 * over]),
    ...box(RIBBON, tall / 2 + 0.4, [band, tall + 0.8, side + 2 * over + 1.6]),
    ...box(RIBBON, tall / 2 + 0.4, [side + 2 * over + 1.6, tall + 0.8, band]),
    ...bow,
  ];
}
