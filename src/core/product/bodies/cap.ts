import { printOrigin, type GarmentBody } from '../../blank/bodies/garment';
import { lerp } from '../../geometry/lerp';
import type { Vector } from '../../geometry/vector';
import { surface, type Material, type Mesh } from '../mesh';

const CLOTH: Material = { faceId: null, colour: 'product', finish: 'fabric', folds: 0.1 };
/** Share of the drawing's height that is crown; the rest is what is seen of the peak. */
const CROWN = 0.72;
/** How much deeper than wide a head is. */
const DEEP = 1.18;
/** Panels that the crown is sewn from. */
const PANELS = 6;
/** Steps down the crown by which its length along the cloth is measured. */
const STEPS = 200;

/** A cap with its peak towards the viewer: a crown of panels over a head, as wide and as high as its numbers say. */
export function capMeshes(body: GarmentBody): Mesh[] {
  const crown = new Crown(body);
  const [print] = body.prints;
  const seams = Array.from({ length: PANELS }, (_, i) => (i * 2 * Math.PI) / PANELS);
  const front: Material = { ...CLOTH, faceId: print?.place ?? null };
  return [
    surface(front, 96, 48, (s, t) => {
      const angle = (2 * s - 1) * Math.PI;
      return { at: crown.at(angle, t), ...(print && { place: crown.placeOf(angle, t, body) }) };
    }),
    // The front panel has no seam where its print is.
    ...seams.filter((angle) => angle !== 0).map((angle) => seam(crown, angle)),
    button(crown),
    ...peak(crown, body),
  ];
}

/** The crown as a surface: an angle round the head, 0 in front, and how far down it is, 0 at the button to 1 at the edge. */
class Crown {
  readonly wide: number;
  readonly deep: number;
  readonly high: number;
  /** mm along the cloth from the edge up to each step, in front. */
  private readonly lengths: readonly number[];

  constructor({ chest, length }: GarmentBody) {
    this.wide = chest / 2;
    this.deep = this.wide * DEEP;
    this.high = length * CROWN;
    const lengths = [0];
    for (let i = STEPS; i > 0; i--) {
      const [a, b] = [this.at(0, i / STEPS), this.at(0, (i - 1) / STEPS)];
      lengths.push(lengths.at(-1)! + Math.hypot(a[1] - b[1], a[2] - b[2]));
    }
    this.lengths = lengths.reverse();
  }

  at(angle: number, t: number): Vector {
    const tilt = (t * Math.PI) / 2;
    // Fuller than a ball: it rises steeply from its edge.
    const out = Math.sin(tilt) ** 0.82;
    return [
      this.wide * out * Math.sin(angle),
      this.high * Math.cos(tilt) ** 0.94,
      this.deep * out * Math.cos(angle),
    ];
  }

  /** A place of the front's print in mm: as far up the cloth from the edge, and as far round, as it lies on the drawing. */
  placeOf(angle: number, t: number, body: GarmentBody): readonly [x: number, y: number] {
    const print = body.prints[0]!;
    const { x, y } = printOrigin(body, print);
    const step = Math.min(STEPS - 1e-6, t * STEPS);
    const i = Math.floor(step);
    const up = lerp(this.lengths[i]!, this.lengths[i + 1]!, step - i);
    const out = Math.sin((t * Math.PI) / 2) ** 0.82;
    return [this.round(angle) * out - x, this.high - up - y];
  }

  /** mm round the edge from its front to an angle, by the ellipse's own arc. */
  private round(angle: number): number {
    const parts = 24;
    let long = 0;
    for (let i = 0; i < parts; i++) {
      const [a, b] = [(angle * i) / parts, (angle * (i + 1)) / parts];
      const across = this.wide * (Math.sin(b) - Math.sin(a));
      const along = this.deep * (Math.cos(b) - Math.cos(a));
      long += Math.hypot(across, along);
    }
    return Math.sign(angle) * long;
  }
}

/** Two rows of stitches down a seam, as one narrow strip that lies on it. */
function seam(crown: Crown, angle: number): Mesh {
  const half = 0.9 / crown.wide;
  const strip = surface({ ...CLOTH, folds: 0, tone: 0.72 }, 2, 32, (s, t) => {
    const down = lerp(0.06, 1, t);
    const at = crown.at(
      angle + (2 * s - 1) * half * (1 / Math.max(0.2, Math.sin((down * Math.PI) / 2))),
      down,
    );
    return { at };
  });
  return { ...strip, over: 2 };
}

function button(crown: Crown): Mesh {
  return surface({ ...CLOTH, tone: 0.85 }, 24, 6, (s, t) => {
    const angle = (2 * s - 1) * Math.PI;
    const out = 6 * Math.sin((t * Math.PI) / 2);
    return {
      at: [out * Math.sin(angle), crown.high - 1.5 + 4 * Math.cos((t * Math.PI) / 2), out * Math.cos(angle)],
    };
  });
}

/** Degrees to each side that a peak is sewn on, and how far it stands out as a share of the crown's depth. */
const [SEWN, OUT] = [66, 0.62];
/** mm that it is thick. */
const THICK = 2.4;

/** A peak bent as the head is, its upper side and its lower one, with a row of stitches along its edge. */
function peak(crown: Crown, { length }: GarmentBody): Mesh[] {
  const edge = (SEWN * Math.PI) / 180;
  const fall = length * (1 - CROWN) * 0.75;
  const at = (s: number, t: number, low: number): Vector => {
    const side = 2 * s - 1;
    const from = crown.at(side * edge, 1);
    const reach = crown.deep * OUT * Math.max(0, 1 - side ** 2) ** 0.6;
    // It leaves the crown level, and bends down ahead and to its sides.
    const down = fall * t ** 1.4 * Math.sqrt(Math.max(0, 1 - side ** 2)) * (0.8 + 0.4 * side ** 2);
    return [from[0] * (1 + 0.06 * t), -low - down, from[2] + reach * t];
  };
  const upper = surface({ ...CLOTH, folds: 0.05, tone: 0.96 }, 40, 14, (s, t) => ({ at: at(s, t, 0) }));
  const lower = surface({ ...CLOTH, folds: 0, tone: 0.62 }, 40, 14, (s, t) => ({ at: at(1 - s, t, THICK) }));
  const rim = surface({ ...CLOTH, folds: 0, tone: 0.78 }, 40, 1, (s, t) => ({ at: at(s, 1, t * THICK) }));
  const stitches = [0.93, 0.84, 0.75].map((t) => ({
    ...surface({ ...CLOTH, folds: 0, tone: 0.74 }, 40, 1, (s, share) => ({
      at: at(s, t + share * 0.012, -0.2),
    })),
    over: 2,
  }));
  return [upper, lower, rim, ...stitches];
}
