import { surface, tube, type Material, type Mesh } from '../../product/mesh';
import type { Vector } from '../../geometry/vector';
import type { Room } from './room';

const PLAIN: Material = { faceId: null, colour: '#d9cfbd', finish: 'matt' };

/** A rest in the shape of a hand that holds a flat thing upright: a palm behind it, a thumb and four fingers about its edges. */
export function hand({ low, high }: Room): Mesh[] {
  const [wide, tall] = [high[0] - low[0], high[1] - low[1]];
  const middle = (low[0] + high[0]) / 2;
  const [behind, before] = [low[2], high[2]];
  const finger = wide * 0.105;
  const back = behind - finger;
  /** Round an edge of the thing, from behind to its front: `way` 1 at the right. */
  const about = (way: 1 | -1, up: number, drop: number, over: number, thick: number): Mesh[] => {
    const edge = way === 1 ? high[0] : low[0];
    const y = low[1] + tall * up;
    const line: Vector[] = [
      [middle + way * wide * 0.1, y - tall * 0.03, back - thick * 0.4],
      [edge - way * thick * 0.3, y, back],
      [edge + way * thick, y - drop * 0.3, (behind + before) / 2],
      [edge - way * over * 0.55, y - drop * 0.8, before + thick * 0.72],
      [edge - way * over, y - drop, before + thick * 0.6],
    ];
    return [tube(PLAIN, line, [thick, thick], [0, 1, 0], 24), ball(line.at(-1)!, thick)];
  };
  const palm = surface(PLAIN, 40, 24, (s, t) => {
    const angle = -2 * Math.PI * s;
    // A hand seen from its inside: widest at the knuckles, narrow at the wrist.
    const share = 0.62 + 0.38 * Math.sin(Math.PI * Math.min(1, 0.22 + t * 0.62)) ** 1.2;
    const radius = wide * 0.48 * (1 - share + share * (1.02 - 0.3 * t));
    const up = low[1] + tall * (0.6 - 0.95 * t);
    return {
      at: [middle + radius * Math.sin(angle), up, back - finger * 1.5 + finger * 1.6 * Math.cos(angle)],
    };
  });
  const wrist = surface(PLAIN, 40, 8, (s, t) => {
    const angle = -2 * Math.PI * s;
    const radius = wide * (0.33 + 0.05 * t);
    const up = low[1] - tall * (0.3 + 1.2 * t);
    return {
      at: [middle + radius * Math.sin(angle), up, back - finger * 1.5 + radius * 0.72 * Math.cos(angle)],
    };
  });
  return [
    palm,
    wrist,
    ...[0.62, 0.49, 0.36, 0.24].flatMap((up, i) =>
      about(1, up, tall * 0.012, wide * (0.055 - 0.008 * i), finger * (0.88 - 0.06 * i)),
    ),
    ...about(-1, 0.5, -tall * 0.04, wide * 0.07, finger),
  ];
}

/** The round end of a finger. */
function ball([x, y, z]: Vector, radius: number): Mesh {
  return surface(PLAIN, 20, 12, (s, t) => {
    const [about, up] = [-2 * Math.PI * s, Math.PI * (t - 0.5)];
    return {
      at: [
        x + radius * Math.cos(up) * Math.sin(about),
        y - radius * Math.sin(up),
        z + radius * Math.cos(up) * Math.cos(about),
      ],
    };
  });
}
