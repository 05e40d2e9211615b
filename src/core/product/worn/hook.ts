import type { GarmentBody } from '../../blank/bodies/garment';
import { cross, minus, unit, type Vector } from '../../geometry/vector';
import { memo } from '../../memo';
import { plainMeshes } from '../bodies/garment';
import { boxOf, type Mesh } from '../mesh';
import { peg, PEG } from './hanger';
import { laidOver } from './laid-over';
import { tessellated } from './tessellate';

/** Sides of triangles at most, as a share of the flat width. */
const FINE = 1 / 26;
/** How narrow what it hangs by is drawn at the peg, as a share of its width where it lies. */
const DRAWN = 0.3;
/** How far the upper edge dips between what it hangs by, and how deep its folds are, as shares of the flat width. */
const [DIPS, FOLDED] = [0.035, 0.05];
/** Share of lying folds that cloth has besides those that it hangs in. */
const FOLDS = 0.3;
const NEAR = 0.01;

const known = memo<string, { meshes: Mesh[] }>(8);

/** Whether a sewn thing is hung up by its handles or by its strap. */
export function hangsOnHook({ cut }: GarmentBody): boolean {
  return cut === 'tote' || cut === 'apron';
}

/** A bag by its handles or an apron by its strap, on a peg: it dips between them and falls in folds from there. */
export function onHook(body: GarmentBody): Mesh[] {
  return known(JSON.stringify(body), () => {
    const { chest, length, sleeve } = body;
    const lying = plainMeshes(body);
    const top = -boxOf(lying).high[1];
    // Where the cloth begins that hangs on the handles or the strap.
    const edge = body.cut === 'tote' ? sleeve : 0;
    const half = chest / 2;
    const hung = ([x, up, z]: Vector): Vector => {
      const y = -up;
      const above = Math.min(1, Math.max(0, (edge - y) / (edge - top)));
      const below = Math.min(1, Math.max(0, (y - edge) / (length - edge)));
      const far = x / half;
      const dip = DIPS * chest * Math.max(0, 1 - (far / 0.5) ** 2) * (1 - below) ** 3 * (1 - above);
      // From each handle a fold falls, which opens towards the hem.
      const fold = Math.cos(far * Math.PI * 2.2) + 0.4 * Math.cos(far * Math.PI * 4.7 + 1);
      const deep = FOLDED * chest * (0.35 + 0.65 * below) * (1 - above) ** 2;
      const narrower = 1 - (1 - DRAWN) * above ** 1.3;
      return [x * narrower * (1 - 0.03 * below), -(y + dip), z + fold * deep];
    };
    const meshes = lying.map((mesh): Mesh => {
      const fine = tessellated(mesh, chest * FINE);
      const spots = fine.points.map((point, i) => ({
        at: hung(point),
        normal: turnedAs(hung, point, fine.normals[i]!),
      }));
      return laidOver(fine, spots, FOLDS);
    });
    return { meshes: [...meshes, { ...peg(-(top + chest * 0.028) - PEG), prop: true }] };
  }).meshes;
}

/** A normal as a change of places turns it: across the changed directions of the surface. */
function turnedAs(change: (point: Vector) => Vector, [x, y, z]: Vector, normal: Vector): Vector {
  const at = change([x, y, z]);
  const across = minus(change([x + NEAR, y, z]), at);
  const up = minus(change([x, y + NEAR, z]), at);
  const out = unit(cross(across, up));
  // What lies flat looks to the front or to the back; an edge keeps its own way.
  return Math.abs(normal[2]) < 0.5 ? normal : normal[2] > 0 ? out : [-out[0], -out[1], -out[2]];
}
