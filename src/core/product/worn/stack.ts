import type { GarmentBody } from '../../blank/bodies/garment';
import { memo } from '../../memo';
import { unit, type Vector } from '../../geometry/vector';
import { patternOf, sewnMeshes } from '../bodies/garment';
import { HALF } from '../bodies/seams';
import { flatPiece } from '../bodies/slab';
import type { Material, Mesh } from '../mesh';
import { tessellated } from './tessellate';

/** How wide and how long a folded garment is, as shares of its flat chest and of its length. */
const [WIDE, LONG] = [0.6, 0.66];
/** How thick one is, as a share of the flat chest. */
const THICK = 0.055;
/** Share of that at its shoulders, and how far below them it is all of it, as a share of its length. */
const [THIN, THICKENS] = [0.25, 0.16];
/** How many lie in a stack. */
const COUNT = 3;
/** Sides of triangles at most, as a share of how thick one is: its edges are round. */
const FINE = 0.3;
/** How far round an edge cloth is drawn, in radians: what lies under is not seen. */
const ROUND = 2.9;
/** mm that the ones below lie further off, so that a stack is no block. */
const ASIDE = [
  [0, 0],
  [5, -4],
  [-4, 3],
] as const;
/** Share of lying folds that folded cloth has. */
const FOLDS = 0.35;

const known = memo<string, { meshes: Mesh[] }>(12);

/** Whether a garment is folded as a shirt is. */
export function isFolded({ cut, sleeve }: GarmentBody): boolean {
  return cut === 'shirt' && sleeve > 0;
}

/** Shirts of a size folded on one another, the print uppermost: it goes round the folds where it reaches them. */
export function inStack(body: GarmentBody): Mesh[] {
  return known(JSON.stringify(body), () => {
    const thick = body.chest * THICK;
    const fine = (mesh: Mesh) => tessellated(mesh, thick * FINE);
    const upper = sewnMeshes(body).filter(isUpper).map(fine);
    const cloth: Material = { faceId: null, colour: 'product', finish: 'fabric', folds: 1, tone: 0.94 };
    const plain = fine(flatPiece(cloth, [patternOf(body).back], { width: 0, height: 0 }, HALF));
    // The back of each closes it where its front is cut out for the neck; its folds are the front's.
    const below = Array.from({ length: COUNT }, (_, i) => {
      const up = (COUNT - 1 - i) * thick;
      const lining = folded(plain, body, { thick, up: up - thick / 2, aside: ASIDE[i]!, round: 0.2 });
      return i === 0
        ? [lining]
        : [lining, folded(plain, body, { thick, up, aside: ASIDE[i]!, round: ROUND })];
    });
    const top = upper.map((mesh) =>
      folded(mesh, body, { thick, up: (COUNT - 1) * thick, aside: ASIDE[0], round: ROUND }),
    );
    return { meshes: [...below.flat(), ...top] };
  }).meshes;
}

/** What lies on the front, and the inside of the back that is seen at the neck. */
function isUpper({ points }: Mesh): boolean {
  return points.every(([, , z]) => z > 0) || points.every(([, , z]) => z > -HALF && z < 0);
}

/** Where a piece lies in a stack, in mm, and how far round the edges it is drawn, in radians. */
interface Lying {
  thick: number;
  up: number;
  aside: readonly [number, number];
  round: number;
}

/** A flat piece laid round the edges of a folded garment: at its sides and at its lower end. */
function folded(
  mesh: Mesh,
  { chest, length }: GarmentBody,
  { thick, up, aside: [aside, along], round: most }: Lying,
): Mesh {
  const end = length * LONG - thick / 2;
  const spots = mesh.points.map(([x, y, z]) => {
    // Thin where it ends above, so that its edges close there.
    const share = Math.min(1, Math.max(0, -y / (length * THICKENS)));
    const round = (thick / 2) * (THIN + (1 - THIN) * share);
    const side = (chest * WIDE) / 2 - round;
    const across = bent(Math.abs(x) - side, round);
    const down = bent(-y - end, thick / 2);
    const way = Math.sign(x);
    // Where both edges meet, cloth goes down by the one that is further on.
    const drop = Math.max(across.drop, down.drop);
    const normal = unit([way * across.lean, -down.lean, Math.max(0.02, Math.min(across.rise, down.rise))]);
    const off = z - HALF;
    const at: Vector = [
      way * Math.min(Math.abs(x), side + across.out) + aside + normal[0] * off,
      -Math.min(-y, end + down.out) + along + normal[1] * off,
      up + thick - drop + normal[2] * off,
    ];
    return { at, normal, turned: Math.max(across.angle, down.angle) };
  });
  const { material } = mesh;
  const triangles: number[] = [];
  for (let i = 0; i < mesh.triangles.length; i += 3) {
    const corners = mesh.triangles.slice(i, i + 3);
    if (corners.every((corner) => spots[corner]!.turned < most)) triangles.push(...corners);
  }
  // What is drawn under goes: it would lie lower than the table.
  const used = [...new Set(triangles)];
  const number = new Map(used.map((corner, i) => [corner, i]));
  return {
    ...mesh,
    material: { ...material, ...(material.folds && { folds: material.folds * FOLDS }) },
    points: used.map((corner) => spots[corner]!.at),
    normals: used.map((corner) => spots[corner]!.normal),
    places: mesh.places.length > 0 ? used.map((corner) => mesh.places[corner]!) : [],
    triangles: triangles.map((corner) => number.get(corner)!),
  };
}

/** What lies so many mm past where an edge begins, on a half circle: how far out, how far down, and how it leans. */
function bent(past: number, round: number) {
  const angle = Math.max(0, past / round);
  const within = Math.min(Math.PI, angle);
  return {
    angle,
    out: past <= 0 ? past : round * Math.sin(within),
    drop: round * (1 - Math.cos(within)),
    lean: Math.sin(within),
    rise: Math.cos(within),
  };
}
