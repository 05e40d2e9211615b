import type { CaseBody, FlatBody, GalleryBody, PlateBody } from '../../blank/bodies/sheets';
import { rectangle, type KeepOut } from '../../blank/face';
import type { Material, Mesh } from '../mesh';
import { block, flatPiece, keepOutRing, onSheet, ribbon, ringOf, slab } from './slab';
import { lathe } from './round';
import { moved, tube } from '../mesh';

const PRODUCT: Material = { faceId: null, colour: 'product', finish: 'product' };
const DARK: Material = { faceId: null, colour: '#1a1c1f', finish: 'matt' };
/** mm that a surface lies before another, so that the two never fight for a pixel. */
const BEFORE = 0.15;

const printed = (faceId: string): Material => ({ ...PRODUCT, faceId });
const holesOf = (keepOuts: readonly KeepOut[]) =>
  keepOuts.filter(({ effect }) => effect === 'hole').map(keepOutRing);

/** A phone in its case, from behind: the case with its wrapped sides, a plain dark opening for the camera, the keys beside. */
export function caseMeshes({ width, height, cornerRadius, depth, keepOuts }: CaseBody): Mesh[] {
  const sheet = rectangle(width, height, cornerRadius);
  const inner = (one: KeepOut) =>
    keepOutRing(one).every(([x, y]) => x > 0 && y > 0 && x < width && y < height);
  const cameras = keepOuts.filter((one) => one.effect === 'hole' && inner(one));
  const keys = keepOuts.filter((one) => one.effect === 'hole' && !inner(one));
  return [
    ...slab(sheet, {
      front: printed('back'),
      body: PRODUCT,
      depth: Math.max(8, depth + 2),
      round: Math.min(depth, 4),
      holes: cameras.map(keepOutRing),
      wrapped: true,
    }),
    ...cameras.flatMap((camera) => cameraMeshes(camera, sheet)),
    ...keys.flatMap((key) => keyMeshes(key, sheet, Math.min(depth, 4))),
  ];
}

/** What shows in a camera's hole: plain and dark, sunk behind the case. */
function cameraMeshes(camera: KeepOut, sheet: ReturnType<typeof rectangle>): Mesh[] {
  return [flatPiece(DARK, [keepOutRing(camera)], sheet, -1.6)];
}

/** A key that stands out of the side. */
function keyMeshes(key: KeepOut, { width, height }: ReturnType<typeof rectangle>, round: number): Mesh[] {
  const ys = keepOutRing(key).map(([, y]) => y);
  const high = Math.max(...ys) - Math.min(...ys);
  const middle = height / 2 - (Math.max(...ys) + Math.min(...ys)) / 2;
  const bar = slab(rectangle(4, high, 2), {
    front: PRODUCT,
    body: { ...PRODUCT, tone: 0.8 },
    depth: 2.2,
    round: 0.8,
  });
  const turn = (mesh: Mesh) =>
    moved(mesh, ([x, y, z]) => [width / 2 + round + 1 + z, y + middle, -round - 2 - x]);
  return bar.map(turn);
}

/** A print stretched over a frame, its edge wrapped. */
export function galleryMeshes({ width, height, depth }: GalleryBody): Mesh[] {
  const wood: Material = { faceId: null, colour: '#cdb892', finish: 'matt' };
  return slab(rectangle(width, height), {
    front: { ...printed('front'), finish: 'fabric' },
    body: wood,
    depth,
    round: 0,
    wrapped: true,
  });
}

/** A plate that is screwed on, with its knobs and screws in place. */
export function plateMeshes({ sheet, keepOuts }: PlateBody): Mesh[] {
  const covers = keepOuts.filter(({ effect }) => effect === 'cover');
  const screws = keepOuts.filter(({ id }) => id.startsWith('screw'));
  const knob: Material = { faceId: null, colour: '#26282b', finish: 'matt' };
  return [
    ...slab(sheet, {
      front: printed('front'),
      body: PRODUCT,
      depth: 2,
      round: 0.5,
      holes: holesOf(keepOuts),
    }),
    ...covers.flatMap((one) => knobMeshes(one, sheet, knob)),
    ...screws.flatMap((one) =>
      block({ ...DARK, colour: '#9aa0a4', finish: 'metal' }, keepOutRing(one), sheet, -0.4, 1.2),
    ),
  ];
}

function knobMeshes(one: KeepOut, sheet: PlateBody['sheet'], material: Material): Mesh[] {
  if (one.shape.kind !== 'circle') return block(material, keepOutRing(one), sheet, BEFORE, 3);
  const { x, y, diameter } = one.shape;
  const r = diameter / 2;
  const [cx, cy] = onSheet(sheet, x, y, 0);
  const profile = [
    [0, 14.5],
    [r * 0.78, 14.5],
    [r * 0.86, 13.6],
    [r * 0.93, 3],
    [r, 2.4],
    [r, BEFORE],
  ] as const;
  const lying = lathe(material, profile, { columns: 48 }).map((mesh) =>
    moved(mesh, ([a, b, c]) => [a + cx, cy - c, b]),
  );
  const mark: Material = { faceId: null, colour: '#f2f1ec', finish: 'matt' };
  return [
    ...lying,
    ribbon(
      mark,
      [
        [x, y - r * 0.72],
        [x, y - r * 0.2],
      ],
      sheet,
      14.7,
      1.4,
    ),
  ];
}

/** A flat thing: a tile with its back, or, where it has a hole to hang by, with its cord. */
export function tileMeshes({ sheet, keepOuts }: FlatBody): Mesh[] {
  const hanging = keepOuts.find(({ id }) => id.startsWith('hanging'));
  const thick = Math.min(4, Math.max(1.2, Math.min(sheet.width, sheet.height) * 0.04));
  const board = slab(sheet, {
    front: printed('front'),
    body: hanging ? { ...PRODUCT, tone: 0.94 } : { ...PRODUCT, colour: '#b08a5c', finish: 'matt' },
    depth: thick,
    round: 0.6,
    holes: holesOf(keepOuts),
  });
  if (!hanging || hanging.shape.kind !== 'circle') return board;
  const [x, y] = onSheet(sheet, hanging.shape.x, hanging.shape.y, 0);
  const cord: Material = { faceId: null, colour: '#8c3b2e', finish: 'matt' };
  const loop = tube(
    cord,
    [
      [x, y, -thick - 1],
      [x - 3, y + 16, -thick],
      [x - 9, y + 38, -thick / 2],
      [x, y + 52, -thick / 2],
      [x + 9, y + 38, -thick / 2],
      [x + 3, y + 16, 0.6],
      [x, y, 1],
    ],
    [1, 1],
    [0.3, 0.3, 0.9],
    10,
  );
  return [...board, loop];
}

/** A sheet on a wall, beside a rule one metre long. */
export function wallMeshes({ sheet, keepOuts }: FlatBody): Mesh[] {
  const eyelets = keepOuts.filter(({ effect, shape }) => effect === 'hole' && shape.kind === 'circle');
  const soft = eyelets.length > 2;
  return [
    ...slab(sheet, {
      front: { ...printed('front'), ...(soft && { folds: 0.16 }) },
      body: PRODUCT,
      depth: soft ? 1 : 0.6,
      round: 0,
      holes: holesOf(keepOuts),
    }),
    ...eyelets.flatMap((one) => eyelet(one, sheet)),
    ...metreRule(sheet).map((mesh) => ({ ...mesh, aid: true })),
  ];
}

function eyelet({ shape }: KeepOut, sheet: FlatBody['sheet']): Mesh[] {
  if (shape.kind !== 'circle') return [];
  const brass: Material = { faceId: null, colour: '#b9a069', finish: 'metal' };
  const ring = (r: number) =>
    ringOf(rectangle(r * 2, r * 2, r)).map(
      (point) => [point.x + shape.x - r, point.y + shape.y - r] as const,
    );
  return [flatPiece(brass, [ring(shape.diameter * 0.95), ring(shape.diameter / 2)], sheet, BEFORE * 8)];
}

/** A metre, its tenths marked, standing at the right of a sheet, its foot level with the sheet's. */
function metreRule(sheet: FlatBody['sheet']): Mesh[] {
  const wide = Math.max(18, sheet.width * 0.012);
  const left = sheet.width + Math.max(60, sheet.width * 0.06);
  const top = sheet.height - 1000;
  const rule: Material = { faceId: null, colour: '#f3b90a', finish: 'matt' };
  const mark: Material = { faceId: null, colour: '#20252b', finish: 'matt' };
  const ring = ringOf(rectangle(wide, 1000)).map(({ x, y }) => [x + left, y + top] as const);
  return [
    ...block(rule, ring, sheet, -0.4, 2),
    ...Array.from({ length: 9 }, (_, i) =>
      ribbon(
        mark,
        [
          [left + wide * 0.95, top + (i + 1) * 100],
          [left + wide * (i === 4 ? 0.2 : 0.5), top + (i + 1) * 100],
        ],
        sheet,
        2,
        Math.max(3, sheet.width * 0.003),
      ),
    ),
  ];
}
