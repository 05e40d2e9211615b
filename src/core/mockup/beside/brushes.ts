import { surface, tube, type Material, type Mesh } from '../../product/mesh';
import type { Vector } from '../../geometry/vector';
import type { Room } from './room';

const TIN: Material = { faceId: null, colour: '#9aa3a6', finish: 'metal' };
const INSIDE: Material = { faceId: null, colour: '#3c4144', finish: 'matt' };
const BRISTLE: Material = { faceId: null, colour: '#5b4a3a', finish: 'fabric' };
const FERRULE: Material = { faceId: null, colour: '#b9bdbd', finish: 'metal' };
const HANDLES: readonly Material[] = ['#a9793f', '#5d6d5c', '#8a3f34', '#c7a667'].map((colour) => ({
  faceId: null,
  colour,
  finish: 'gloss' as const,
}));

/** A tin of brushes behind the things, to the left of them. */
export function brushes({ low, high, unit }: Room): Mesh[] {
  const tall = (high[1] - low[1]) * 0.52;
  const radius = Math.max(unit * 0.24, tall * 0.24);
  const [x, y, z] = [low[0] - radius * 1.25, low[1], low[2] - radius * 2.2];
  const wall = (material: Material, r: number, from: number, to: number, way: number) =>
    surface(material, 40, 4, (s, t) => {
      const angle = -2 * Math.PI * s * way;
      return { at: [x + r * Math.sin(angle), y + from + (to - from) * t, z + r * Math.cos(angle)] };
    });
  const stuck = HANDLES.map((handle, i) => {
    const angle = 0.7 + i * 1.55;
    const lean = 0.62 + 0.1 * (i % 2);
    const long = tall * (1.55 + 0.22 * ((i * 7) % 4) * 0.5);
    const at = (share: number): Vector => [
      x + Math.sin(angle) * radius * (0.1 + lean * share),
      y + long * share,
      z + Math.cos(angle) * radius * (0.1 + lean * share),
    ];
    const thick = radius * 0.085;
    const bar = (material: Material, from: number, to: number, wide: number) =>
      tube(material, [at(from), at((from + to) / 2), at(to)], [wide, wide], [0, 0, 1], 12);
    return [
      bar(handle, 0.05, 0.74, thick),
      bar(FERRULE, 0.74, 0.84, thick * 1.25),
      bar(BRISTLE, 0.84, 1, thick * 1.15),
    ];
  }).flat();
  return [
    wall(TIN, radius, tall, 0, 1),
    wall(INSIDE, radius * 0.97, tall * 0.9, tall, -1),
    surface(INSIDE, 40, 2, (s, t) => {
      const angle = -2 * Math.PI * s;
      return { at: [x + radius * t * Math.sin(angle), y + tall * 0.93, z + radius * t * Math.cos(angle)] };
    }),
    ...stuck,
  ];
}
