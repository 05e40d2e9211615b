import type { GarmentBody } from '../../blank/bodies/garment';
import { sleeveOf } from '../../blank/bodies/garment';
import { lerp } from '../../geometry/lerp';
import { spline } from '../../geometry/ring';
import { along, dot, minus, unit, type Vector } from '../../geometry/vector';
import { surface, tube, type Material, type Mesh } from '../mesh';

/** Something solid that cloth lies on: mm from its skin at a place, below zero inside, and the way out of it `into` three numbers. */
export type Solid = (x: number, y: number, z: number, into: Float64Array) => number;

/** How far across a place of cloth is held, how far before what holds it or behind, and how far both sides are swayed. */
export type Held = readonly [across: number, off: number, sway: number];

const LINEN: Material = { faceId: null, colour: '#d9cfbd', finish: 'fabric', folds: 0 };
const WOOD: Material = { faceId: null, colour: '#6f5338', finish: 'matt' };

/**
 * Half the width and half the depth of a tailor's form at heights from the neck down: heights as shares of the garment's
 * length, the others as shares of its flat chest, so that a garment hangs on it with an eighth of ease. Proportions of a plain
 * dummy, drawn by us.
 */
const PROFILE = [
  [-0.17, 0.098, 0.1],
  [-0.08, 0.098, 0.1],
  [-0.03, 0.108, 0.106],
  [0.0, 0.15, 0.118],
  [0.022, 0.24, 0.138],
  [0.048, 0.33, 0.157],
  [0.08, 0.372, 0.176],
  [0.14, 0.366, 0.2],
  [0.24, 0.334, 0.22],
  [0.34, 0.322, 0.224],
  [0.48, 0.296, 0.206],
  [0.6, 0.284, 0.196],
  [0.76, 0.306, 0.212],
  [0.92, 0.318, 0.222],
  [1.06, 0.312, 0.218],
] as const;
/** mm between the heights that the profile is worked out at. */
const STEP = 4;

/** A tailor's form that a garment fits on, in the garment's own mm: its middle at x = 0, the neck's base at y = 0. */
export class TailorsForm {
  private readonly top: number;
  private readonly wide: Float64Array;
  private readonly deep: Float64Array;
  private readonly arms: readonly Arm[];
  private readonly bottom: number;
  private readonly half: number;
  private readonly beside = new Float64Array(3);

  constructor(body: GarmentBody) {
    const { chest, length, collarWidth } = body;
    this.top = PROFILE[0][0] * length;
    this.bottom = PROFILE.at(-1)![0] * length;
    const count = Math.ceil((this.bottom - this.top) / STEP) + 1;
    // A neck that the collar goes round.
    const most = collarWidth * 0.42;
    const at = (k: 1 | 2) =>
      Float64Array.from({ length: count }, (_, i) => {
        const down = (this.top + i * STEP) / length;
        const size = profileAt(k, down) * chest;
        return down < -0.02 ? Math.min(size, most) : size;
      });
    this.wide = at(1);
    this.deep = at(2);
    this.arms = armsOf(body);
    this.half = chest / 2;
  }

  readonly pull = 0.05;
  readonly rounds = 2;
  readonly creased = false;

  /** Where a garment is held round the form before it is let go: its sleeves about the arms. */
  readonly held = (x: number): Held => {
    const far = Math.abs(x) / this.half;
    const share = Math.min(1, Math.max(0, (far - 0.45) / 0.55));
    const eased = share * share * (3 - 2 * share);
    const drawn = this.half * (1 - JOINT) * eased;
    return [x - Math.sign(x) * drawn, lerp(this.half * 0.52, this.half * 0.2, eased), 0];
  };

  readonly solid: Solid = (x, y, z, into) => {
    const least = this.trunk(x, y, z, into);
    const arm = this.arms[x > 0 ? 0 : 1];
    if (!arm) return least;
    const off = arm.solid(x, y, z, this.beside);
    if (off >= least) return least;
    into.set(this.beside);
    return off;
  };

  /** An upright stack of ellipses: the distance to first order, by how steep the ellipse's own measure is. */
  private trunk(x: number, y: number, z: number, into: Float64Array): number {
    const down = Math.min(this.bottom, Math.max(this.top, -y));
    const i = Math.min(this.wide.length - 2, Math.floor((down - this.top) / STEP));
    const share = (down - this.top) / STEP - i;
    const a = this.wide[i]! + (this.wide[i + 1]! - this.wide[i]!) * share;
    const b = this.deep[i]! + (this.deep[i + 1]! - this.deep[i]!) * share;
    const perA = (this.wide[i + 1]! - this.wide[i]!) / STEP;
    const perB = (this.deep[i + 1]! - this.deep[i]!) / STEP;
    const [u, v] = [x / a, z / b];
    const s = Math.max(1e-6, Math.sqrt(u * u + v * v));
    const gx = u / (a * s);
    const gz = v / (b * s);
    // Heights go down, y up.
    const gy = (u * u * perA) / (a * s) + (v * v * perB) / (b * s);
    const steep = Math.sqrt(gx * gx + gy * gy + gz * gz);
    into[0] = gx / steep;
    into[1] = gy / steep;
    into[2] = gz / steep;
    return (s - 1) / steep;
  }

  /** The form itself on its stand, as deep as `floor` below the neck. */
  meshes(floor: number): Mesh[] {
    const skin = (from: number, to: number, rows: number): Mesh =>
      surface(LINEN, 48, rows, (s, t) => {
        const down = from + (to - from) * t;
        const place = Math.min(this.wide.length - 1.001, Math.max(0, (down - this.top) / STEP));
        const i = Math.floor(place);
        const between = (of: Float64Array) => lerp(of[i]!, of[i + 1]!, place - i);
        const angle = -2 * Math.PI * s;
        return { at: [between(this.wide) * Math.sin(angle), -down, between(this.deep) * Math.cos(angle)] };
      });
    const cap = (down: number, wide: number, deep: number, material: Material, way: number): Mesh =>
      surface(material, 40, 6, (s, t) => {
        const angle = -2 * Math.PI * s * way;
        const [round, rise] = [Math.cos((1 - t) * (Math.PI / 2)), Math.sin((1 - t) * (Math.PI / 2))];
        return {
          at: [
            wide * round * Math.sin(angle),
            -down + way * rise * wide * 0.25,
            deep * round * Math.cos(angle),
          ],
        };
      });
    const [last, base] = [this.wide.length - 1, floor];
    const pole = (from: number, to: number, wide: number) =>
      surface(WOOD, 20, 4, (s, t) => {
        const angle = -2 * Math.PI * s;
        return { at: [wide * Math.sin(angle), -(from + (to - from) * t), wide * Math.cos(angle)] };
      });
    const reach = this.wide[last]! * 0.8;
    return [
      skin(this.top, this.bottom, 90),
      cap(this.top, this.wide[0]!, this.deep[0]!, WOOD, 1),
      cap(this.bottom, this.wide[last]!, this.deep[last]!, LINEN, -1),
      pole(this.bottom, base - 14, this.wide[last]! * 0.085),
      cap(base - 14, reach, reach, WOOD, 1),
      pole(base - 14, base, reach),
      ...this.arms.flatMap((arm) => arm.meshes(LINEN)),
    ];
  }
}

function profileAt(k: 1 | 2, down: number): number {
  const last = PROFILE.length - 1;
  let i = 0;
  while (i < last - 1 && PROFILE[i + 1]![0] <= down) i++;
  const row = (n: number) => PROFILE[Math.min(last, Math.max(0, n))]!;
  const share = Math.min(1, Math.max(0, (down - row(i)[0]) / (row(i + 1)[0] - row(i)[0])));
  return spline(row(i - 1)[k], row(i)[k], row(i + 1)[k], row(i + 2)[k], share);
}

/** An arm as a bar that grows thinner, along the middle of a sleeve. */
export class Arm {
  private readonly way: Vector;
  private readonly squared: number;

  constructor(
    private readonly from: Vector,
    private readonly to: Vector,
    private readonly thick: number,
    private readonly thin: number,
  ) {
    this.way = minus(to, from);
    this.squared = dot(this.way, this.way);
  }

  readonly solid: Solid = (x, y, z, into) => {
    const { from, way, squared } = this;
    const [hx, hy, hz] = [x - from[0], y - from[1], z - from[2]];
    const share = Math.min(1, Math.max(0, (hx * way[0] + hy * way[1] + hz * way[2]) / squared));
    const dx = hx - way[0] * share;
    const dy = hy - way[1] * share;
    const dz = hz - way[2] * share;
    const far = Math.max(1e-6, Math.sqrt(dx * dx + dy * dy + dz * dz));
    into[0] = dx / far;
    into[1] = dy / far;
    into[2] = dz / far;
    return far - (this.thick + (this.thin - this.thick) * share);
  };

  /** Drawn as thick as a share of its thin end. */
  meshes(material: Material, share = 0.9): Mesh[] {
    const out: Vector = [0, 0, 1];
    const points = [0, 0.33, 0.66, 1].map((at) => along(this.from, this.way, at));
    const end = along(this.to, unit(this.way), this.thin * 0.5);
    return [tube(material, [...points, end], [this.thin * share, this.thin * share], out)];
  }
}

/** How far out the joint of an arm lies, as a share of where the flat garment's shoulder ends. */
const JOINT = 0.64;
/** How far down a sleeve its arm reaches: short of the cuff. */
const REACH = 0.9;

function armsOf(body: GarmentBody): Arm[] {
  if (body.sleeve <= 0) return [];
  const { shoulder, armpit, cuff } = sleeveOf(body);
  const [outer, inner] = cuff;
  const wide = Math.hypot(outer[0] - inner[0], outer[1] - inner[1]);
  // As round as what the cuff holds, with some ease.
  const thin = (wide / Math.PI) * 0.72;
  const thick = Math.max(thin, body.chest * 0.082);
  const end = [(outer[0] + inner[0]) / 2, (outer[1] + inner[1]) / 2] as const;
  // The joint lies further in than the sleeve's seam: cloth wraps round the form, and its shoulders come in.
  const from = [shoulder[0] * JOINT, (shoulder[1] + armpit[1]) / 2 - thick * 0.55] as const;
  const drawn = shoulder[0] - from[0];
  const to = [end[0] - drawn, end[1]] as const;
  return [1, -1].map((side) => {
    const point = ([x, y]: readonly [number, number]): Vector => [side * x, -y, 0];
    return new Arm(point(from), along(point(from), minus(point(to), point(from)), REACH), thick, thin);
  });
}
