import type { GarmentBody } from '../../blank/bodies/garment';
import { sleeveOf } from '../../blank/bodies/garment';
import type { Vector } from '../../geometry/vector';
import { surface, tube, type Material, type Mesh } from '../mesh';
import { Arm, type Held, type Solid } from './form';

const WOOD: Material = { faceId: null, colour: '#b08a5e', finish: 'matt' };
const WIRE: Material = { faceId: null, colour: '#8b9094', finish: 'matt' };

/** How far out a bar reaches, as a share of where the flat garment's shoulder ends. */
const REACH = 0.9;
/** Half the thickness of a bar under the hook and at its end, as shares of the flat chest. */
const [THIN, THICK] = [0.016, 0.026];
/** A bar is drawn leaner than cloth is kept off it, so that none shows through. */
const LEAN = 0.5;
/** Waves that cloth begins to fall in: how high, as a share of half the chest, and what they draw it in by. */
const [WAVE, DRAWN] = [0.085, 0.09];
/** mm that cloth lies over a bar. */
const OVER = 4;
/** How far the hook rises over the bars, and how wide it bends, in mm: hooks are alike for all sizes. */
const [RISES, BENDS] = [46, 20];
/** Half the thickness of its wire, and of the peg. */
const WIRED = 2.2;
export const PEG = 5.5;

/** A wooden hanger that a garment of a size hangs on, in the garment's own mm: its middle at x = 0, the neck's base at y = 0. */
export class Hanger {
  private readonly bars: readonly [right: Arm, left: Arm];
  private readonly apex: number;
  private readonly half: number;
  private readonly length: number;

  constructor({ chest, length, collarWidth, ...body }: GarmentBody) {
    const neck = collarWidth / 2;
    const { shoulder } = sleeveOf({ chest, length, collarWidth, ...body });
    // Under the seam of the shoulder, drawn out to the middle.
    const steep = shoulder[1] / (shoulder[0] - neck);
    const down = (x: number, thick: number) => (x - neck) * steep + thick + OVER;
    const [thin, thick] = [THIN * chest, THICK * chest];
    const end = shoulder[0] * REACH;
    this.apex = -down(0, thin);
    this.bars = [
      new Arm([0, this.apex, 0], [end, -down(end, thick), 0], thin, thick),
      new Arm([0, this.apex, 0], [-end, -down(end, thick), 0], thin, thick),
    ];
    this.half = chest / 2;
    this.length = length;
  }

  readonly pull = 0.02;
  readonly rounds = 3;
  readonly creased = true;

  /** Where a garment is held before it is let go: drawn together towards its hem in waves as long as it is wide. */
  readonly held = (x: number, y: number): Held => {
    const down = Math.min(1, Math.max(0, y / this.length)) ** 1.5;
    const far = x / this.half;
    const wave = Math.sin(far * 6.4 + 0.4) + 0.55 * Math.sin(far * 11.3 + 2);
    return [x * (1 - DRAWN * down), 16, wave * WAVE * down * this.half];
  };

  readonly solid: Solid = (x, y, z, into) => this.bars[x >= 0 ? 0 : 1].solid(x, y, z, into);

  /** The hanger with its hook, and the peg that it hangs on. */
  meshes(): Mesh[] {
    const middle = this.apex + RISES + BENDS;
    // From under its middle round to the far side, as a hook is bent over a peg.
    const bent = Array.from({ length: 16 }, (_, i): Vector => {
      const angle = (1.5 - (i / 15) * 1.62) * Math.PI;
      return [BENDS * Math.cos(angle), middle + BENDS * Math.sin(angle), 0];
    });
    return [
      ...this.bars.flatMap((bar) => bar.meshes(WOOD, LEAN)),
      tube(WIRE, [[0, this.apex, 0], [0, middle - BENDS - 8, 0], ...bent], [WIRED, WIRED], [0, 0, 1]),
      peg(middle + BENDS - WIRED - PEG),
    ];
  }
}

/** A round peg out of the wall with a knob before it. */
export function peg(up: number): Mesh {
  return surface(WOOD, 24, 12, (s, t) => {
    const angle = -2 * Math.PI * s;
    const knob = Math.sqrt(Math.max(0, 1 - ((t - 0.8) / 0.2) ** 2));
    const thick = t < 0.6 ? PEG : Math.max(t < 0.75 ? PEG : 0, PEG * 1.7 * knob);
    return { at: [thick * Math.sin(angle), up + thick * Math.cos(angle), -30 + 56 * t] };
  });
}
