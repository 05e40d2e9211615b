import earcut from 'earcut';
import { rectangle } from '../../blank/face';
import type { PrintFace } from '../../blank/resolve';
import { shapePath } from '../../blank/shape';
import { common, fromRings, type Shape } from '../../cut/polygons';
import { flattenPath } from '../../geometry/path';
import { parsePath } from '../../geometry/parse-path';
import { isInRing } from '../../geometry/ring';
import type { Material, Mesh } from '../mesh';
import { inRows } from '../strew';
import type { Vector } from '../../geometry/vector';
import { flatPiece, ringOf, slab } from './slab';

const VINYL: Material = { faceId: null, colour: 'product', finish: 'product' };
const BACK: Material = { faceId: null, colour: '#e9e5da', finish: 'matt' };
const BACKING: Material = { faceId: null, colour: '#f3f0e6', finish: 'matt' };
/** Strips that the lifted part is bent in. */
const STRIPS = 14;
/** How far the lifted edge is bent up, in radians. */
const LIFT = 2.2;
const STRAIGHT = 0.04;
const EDGE = 8;

/** Stickers as they lie: one with an edge lifted, a set in rows, or a sheet with its cuts. */
export function stickerMeshes(faces: readonly PrintFace[]): Mesh[] {
  const [first] = faces;
  if (first!.cuts.length > 0) return sheetMeshes(first!);
  if (faces.length === 1) return liftedMeshes(first!);
  const lying = inRows(faces, 1.3);
  const right = Math.max(...lying.map(({ face, x }) => x + face.width));
  const foot = Math.max(...lying.map(({ face, y }) => y + face.height));
  return lying.flatMap(({ face, x, y }) => {
    const [dx, dy] = [x + face.width / 2 - right / 2, foot / 2 - y - face.height / 2];
    return liftedMeshes(face, false).map((mesh) => ({
      ...mesh,
      points: mesh.points.map((point): Vector => [point[0] + dx, point[1] + dy, point[2]]),
    }));
  });
}

function cutShape(face: PrintFace): Shape {
  const d = face.cut?.d ?? shapePath(face);
  return fromRings(
    flattenPath(parsePath(d)!, 0.02).map((flat) =>
      Array.from({ length: flat.length / 2 }, (_, i): [number, number] => [flat[i * 2]!, flat[i * 2 + 1]!]),
    ),
  );
}

function liftedMeshes(face: PrintFace, lifted = true): Mesh[] {
  const shape = cutShape(face);
  const most = Math.max(...shape.outers.flat().map(([x, y]) => x + y));
  const side = Math.min(face.width, face.height);
  const fold = lifted ? most - 0.3 * side : most + 1;
  const radius = (0.3 * side) / Math.SQRT2 / LIFT;
  const bent = (x: number, y: number): { at: Vector; normal: Vector } => {
    const past = (x + y - fold) / Math.SQRT2;
    const [left, up] = [x - face.width / 2, face.height / 2 - y];
    if (past <= 0) return { at: [left, up, STRAIGHT], normal: [0, 0, 1] };
    const angle = past / radius;
    const [gone, high] = [radius * Math.sin(angle) - past, radius * (1 - Math.cos(angle))];
    const way = Math.SQRT1_2;
    return {
      at: [left + gone * way, up - gone * way, STRAIGHT + high],
      normal: [-Math.sin(angle) * way, Math.sin(angle) * way, Math.cos(angle)],
    };
  };
  const strips = lifted ? STRIPS : 0;
  const step = (most - fold) / STRIPS;
  const parts = [
    common(shape, band(face, -9999, fold)),
    ...Array.from({ length: strips }, (_, i) =>
      common(shape, band(face, fold + step * i, fold + step * (i + 1))),
    ),
  ];
  return parts.flatMap((part) => partMeshes(part, face.id, bent));
}

/** All of a face between two lines x + y. */
function band({ width, height }: PrintFace, from: number, to: number): Shape {
  const far = 3 * (width + height);
  const corner = (sum: number, side: number): [number, number] => [sum / 2 + side, sum / 2 - side];
  return fromRings([[corner(from, -far), corner(from, far), corner(to, far), corner(to, -far)]]);
}

/** A part of a sticker, its print and its back. */
function partMeshes(
  { outers, holes }: Shape,
  faceId: string,
  bent: (x: number, y: number) => { at: Vector; normal: Vector },
): Mesh[] {
  return outers.flatMap((outer) => {
    const rings = [outer, ...holes.filter(([point]) => point && isInRing(outer, point[0], point[1]))];
    const points = rings.flat();
    if (points.length < 3) return [];
    const starts: number[] = [];
    let at = 0;
    for (const ring of rings.slice(0, -1)) starts.push((at += ring.length));
    const triangles = earcut(points.flat(), starts);
    const lying = points.map(([x, y]) => bent(x, y));
    const front: Mesh = {
      material: { ...VINYL, faceId },
      points: lying.map((one) => one.at),
      normals: lying.map((one) => one.normal),
      places: points.map(([x, y]) => [x, y]),
      triangles,
    };
    const behind: Mesh = {
      material: BACK,
      points: lying.map(({ at: [x, y, z], normal: [nx, ny, nz] }) => [
        x - nx * 0.12,
        y - ny * 0.12,
        z - nz * 0.12,
      ]),
      normals: lying.map(({ normal: [nx, ny, nz] }) => [-nx, -ny, -nz]),
      places: [],
      triangles,
    };
    return [front, behind];
  });
}

/** A backing with the stickers that are cut on it. */
function sheetMeshes(face: PrintFace): Mesh[] {
  const { width, height } = face;
  const sheet = rectangle(width + 2 * EDGE, height + 2 * EDGE, 3);
  return [
    ...slab(sheet, { front: BACKING, body: BACKING, depth: 0.4, round: 0 }),
    ...face.cuts.flatMap((cut) => {
      const ring = ringOf(cut.sheet).map((point) => [point.x + cut.x, point.y + cut.y] as const);
      const middle = { x: cut.x + cut.sheet.width / 2, y: cut.y + cut.sheet.height / 2 };
      const grown = ring.map(
        ([x, y]) => [middle.x + (x - middle.x) * 1.012, middle.y + (y - middle.y) * 1.012] as const,
      );
      return [
        flatPiece({ ...BACKING, colour: '#a9a69c' }, [grown], face, 0.15),
        flatPiece({ ...VINYL, faceId: face.id }, [ring], face, 0.3),
      ];
    }),
  ];
}
