import type { TwoSidedBody } from '../../blank/bodies/sheets';
import { surface, tube, type Material, type Mesh, type Spot } from '../mesh';
import { block, flatPiece, keepOutRing, ribbon, slab } from './slab';

const PRODUCT: Material = { faceId: null, colour: 'product', finish: 'product' };

type Side = TwoSidedBody['sides'][number];

/** How far the middle of a side stands out, 0 to 1, and how its edge is drawn in, in mm, at (s, t) of it. */
type Swell = (s: number, t: number) => { out: number; inX?: number; inY?: number };

/** A soft thing of two sides sewn or sealed together: front and back swell away from one another. */
function swollen({ sides }: TwoSidedBody, deep: number, swell: Swell, material: Partial<Material>): Mesh[] {
  return sides.slice(0, 2).map((side, i) => swollenSide(side, i === 1, deep, swell, material));
}

function swollenSide(
  { id, sheet }: Side,
  behind: boolean,
  deep: number,
  swell: Swell,
  material: Partial<Material>,
): Mesh {
  const { width, height } = sheet;
  const way = behind ? -1 : 1;
  return surface({ ...PRODUCT, ...material, faceId: id }, 36, 40, (s, t): Spot => {
    const { out, inX = 0, inY = 0 } = swell(s, t);
    return {
      at: [way * ((s - 0.5) * width + inX), (0.5 - t) * height + inY, way * (out * deep + 0.2)],
      place: [s * width, t * height],
    };
  });
}

/** Nought at both ends, one between; the higher the power, the longer it stays there. */
const hump = (at: number, power: number) => 1 - Math.abs(2 * at - 1) ** power;

/** A pouch that stands on its gusset, sealed along its sides and its top. */
export function pouchMeshes(body: TwoSidedBody): Mesh[] {
  const { sheet, keepOuts } = body.sides[0]!;
  const { width, height } = sheet;
  const seal = 0.09;
  const swell: Swell = (s, t) => {
    const down = Math.max(0, (t - seal) / (1 - seal));
    const across = hump(Math.min(1, Math.max(0, (s - 0.04) / 0.92)), 2.6);
    return {
      out: across * Math.sin(Math.min(1, down * 1.12) * 1.45) ** 0.85,
      inY: 3.5 * across * t ** 6 * -1,
    };
  };
  const deep = width * 0.2;
  const valve = keepOuts.find(({ effect }) => effect === 'cover');
  const floor = surface({ ...PRODUCT, tone: 0.6 }, 24, 2, (s, t) => {
    const out = swell(s, 1).out * deep;
    return { at: [(s - 0.5) * width, -height / 2 - 1, out * (1 - 2 * t)] };
  });
  return [
    ...swollen(body, deep, swell, {}),
    ...sealOf(width, height, seal),
    floor,
    ...(valve
      ? block(
          { ...PRODUCT, colour: '#d9d9d6', finish: 'matt' },
          keepOutRing(valve),
          sheet,
          valveZ(valve, sheet, swell, deep),
          1.4,
        )
      : []),
  ];
}

/** The pressed seal along the top, the zip beneath it and the notches to tear it by. */
function sealOf(width: number, height: number, seal: number): Mesh[] {
  const edge: Material = { ...PRODUCT, tone: 0.8 };
  const size = { width, height };
  const lines = [0.18, 0.34, 0.5, 0.66].map((share) => share * seal * height);
  const zip = height * (seal + 0.035);
  const across = (y: number, wide: number, z: number, tone: number) =>
    ribbon(
      { ...edge, tone },
      [
        [width * 0.015, y],
        [width * 0.985, y],
      ],
      size,
      z,
      wide,
    );
  const notch = (x: number) =>
    flatPiece(
      { faceId: null, colour: '#7d7a74', finish: 'matt' },
      [
        [
          [x, height * seal * 0.86],
          [x + (x < width / 2 ? 3.4 : -3.4), height * seal * 0.92],
          [x, height * seal * 0.98],
        ],
      ],
      size,
      0.9,
    );
  return [
    ...lines.map((y) => across(y, 0.7, 0.7, 0.84)),
    across(zip, 2.6, width * 0.05, 0.86),
    across(zip + 1.8, 0.6, width * 0.05 + 0.1, 0.62),
    notch(0),
    notch(width),
  ];
}

function valveZ(
  valve: Side['keepOuts'][number],
  { width, height }: Side['sheet'],
  swell: Swell,
  deep: number,
): number {
  const ring = keepOutRing(valve);
  const mean = (k: 0 | 1) => ring.reduce((sum, point) => sum + point[k], 0) / ring.length;
  return swell(mean(0) / width, mean(1) / height).out * deep + 0.4;
}

/** A cushion: round in the middle, drawn in between its corners. */
export function cushionMeshes(body: TwoSidedBody): Mesh[] {
  const { width, height } = body.sides[0]!.sheet;
  const swell: Swell = (s, t) => ({
    out: (hump(s, 2.2) * hump(t, 2.2)) ** 0.55,
    inX: (0.5 - s) * 2 * width * 0.035 * hump(t, 2),
    inY: (t - 0.5) * 2 * height * 0.035 * hump(s, 2),
  });
  return swollen(body, width * 0.15, swell, { finish: 'fabric', folds: 0.35 });
}

/** A box-like bag with a zip along its top and a handle over it. */
export function bagMeshes(body: TwoSidedBody): Mesh[] {
  const { width, height } = body.sides[0]!.sheet;
  const deep = width * 0.17;
  const swell: Swell = (s, t) => ({ out: 0.72 + 0.28 * (hump(s, 4) * hump(t, 4)) ** 0.8 });
  const cloth: Material = { faceId: null, colour: '#3f464c', finish: 'fabric' };
  const half = 0.72 * deep;
  const round = 12;
  const sides = slab(
    { width, height, cornerRadius: round, outline: null },
    {
      front: cloth,
      body: cloth,
      depth: 2 * half,
      round: 0,
    },
  ).map((mesh) => ({ ...mesh, points: mesh.points.map(([x, y, z]) => [x, y, z + half] as const) }));
  const strap = tube(
    cloth,
    [
      [-width * 0.2, height / 2 - 4, 0],
      [-width * 0.17, height / 2 + 22, 0],
      [0, height / 2 + 34, 0],
      [width * 0.17, height / 2 + 22, 0],
      [width * 0.2, height / 2 - 4, 0],
    ],
    [9, 2.6],
    [0, 0, 1],
  );
  const zip = tube(
    { faceId: null, colour: '#c9ccce', finish: 'metal' },
    [
      [-width * 0.42, height / 2 + 0.6, half * 0.35],
      [0, height / 2 + 0.8, half * 0.35],
      [width * 0.42, height / 2 + 0.6, half * 0.35],
    ],
    [2.4, 1.2],
    [0, 0, 1],
    8,
  );
  return [...swollen(body, deep, swell, { finish: 'fabric', folds: 0.12 }), ...sides, strap, zip];
}

/** A card or a tag: its two sides on one stiff sheet. */
export function cardMeshes({ sides }: TwoSidedBody): Mesh[] {
  const [front, back] = sides;
  return slab(front!.sheet, {
    front: { ...PRODUCT, faceId: front!.id },
    body: PRODUCT,
    depth: 0.8,
    round: 0,
    holes: front!.keepOuts.filter(({ effect }) => effect === 'hole').map(keepOutRing),
    ...(back && { back: { ...PRODUCT, faceId: back.id } }),
  });
}
