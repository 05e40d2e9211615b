import { sleeveOf, type GarmentBody } from '../../blank/bodies/garment';
import { memo } from '../../memo';
import { HALF, patternOf, sewnMeshes } from '../bodies/garment';
import { lerp } from '../../geometry/lerp';
import { surface, type Mesh } from '../mesh';
import { along, minus, unit, type Vector } from '../../geometry/vector';
import { drape, type Draped, type Pattern } from './drape';
import { TailorsForm } from './form';
import { Hanger } from './hanger';
import { tessellated } from './tessellate';

/** Sides of triangles at most, as a multiple of the distance between the cloth's points. */
const FINE = 1.4;
/** mm from an opening that an inside is seen in it. */
const SEEN = 130;
/** Points of the cloth across a flat chest: every size takes as long. */
const ACROSS = 40;
/** What is printed or sewn on counts as nearer by so many times what it lies off, so that bent cloth does not show through. */
const OVER = 9;
/** mm that the inside of cloth lies further in at a seam. */
const INSIDE = 5;
/** Share of lying folds that cloth has besides those that it hangs in. */
const FOLDS = 0.22;
/** How far round a neck a hood lies to either side: nearly to the throat where it is worn, and behind it on a hanger. */
const [WORN, HUNG] = [Math.PI * 0.92, Math.PI * 0.56];
/** How far below the neck a form's stand ends, as a multiple of the garment's length. */
const STAND = 1.75;

/** What a garment is hung on: where it is, and where the cloth is held before it is let go. */
type Support = Pick<TailorsForm, 'solid'> & Pick<Pattern, 'held' | 'pull' | 'rounds' | 'creased'>;

/** How a garment is hung: on what, what of its inside is seen there, and what is seen besides. */
interface Hold {
  support: Support;
  isSeen: (x: number, y: number) => boolean;
  props: Mesh[];
}

const known = memo<string, { meshes: Mesh[] }>(12);

/** Whether a garment is one that is put on. */
export function hangsOnForm({ cut, sleeve }: GarmentBody): boolean {
  return (cut === 'shirt' || cut === 'hooded') && sleeve > 0;
}

/** A shirt or a top on a tailor's form of its size. */
export function onForm(body: GarmentBody): Mesh[] {
  return hung('form', body, () => {
    const form = new TailorsForm(body);
    const props = form.meshes(body.length * STAND).map((mesh) => ({ ...mesh, prop: true }));
    return { support: form, isSeen: openOnForm(body), props: [...props, ...hoodOf(body, WORN)] };
  });
}

/** A shirt or a top on a hanger of its size. */
export function onHanger(body: GarmentBody): Mesh[] {
  return hung('hanger', body, () => {
    const hanger = new Hanger(body);
    return {
      support: hanger,
      isSeen: openOnHanger(body),
      props: [...hanger.meshes(), ...hoodOf(body, HUNG)],
    };
  });
}

/** Hung once for a size, and kept. */
function hung(on: string, body: GarmentBody, hold: () => Hold): Mesh[] {
  return known(`${on} ${JSON.stringify(body)}`, () => {
    const { support, isSeen, props } = hold();
    const pattern = wornPattern(body, support);
    const cloth = drape(pattern, support.solid);
    const seam = seamsOf(pattern);
    const sewn = sewnMeshes(body).map((mesh) =>
      worn(seenOf(tessellated(mesh, pattern.cell * FINE), isSeen), cloth, seam),
    );
    return { meshes: [...sewn, ...props] };
  }).meshes;
}

function hoodOf(body: GarmentBody, turn: number): Mesh[] {
  return body.cut === 'hooded' ? [hoodBehind(body, turn)] : [];
}

/** A hood that lies down behind the neck: a roll round it, thin at the throat and deep between the shoulders. */
function hoodBehind({ collarWidth, length }: GarmentBody, turn: number): Mesh {
  const cloth = { faceId: null, colour: 'product', finish: 'fabric' as const, folds: 0.3 };
  return surface(cloth, 48, 20, (s, t) => {
    const angle = (2 * s - 1) * turn;
    // 0 at the throat, 1 at the nape.
    const behind = (1 + Math.cos(angle)) / 2;
    const thick = lerp(length * 0.012, length * 0.062, behind);
    const [around, up] = [Math.cos(2 * Math.PI * t), Math.sin(2 * Math.PI * t)];
    const reach = collarWidth * lerp(0.46, 0.5, behind) + thick * (0.5 + around);
    // It hangs down the back by its own weight, furthest where it lies furthest out.
    const hangs = behind ** 3 * length * 0.1 * (0.5 + 0.5 * around);
    return {
      at: [
        reach * Math.sin(angle),
        thick * up - length * lerp(0.075, -0.012, behind) - hangs,
        -reach * Math.cos(angle) * lerp(0.8, 0.95, behind),
      ],
    };
  });
}

/** A garment's pattern as it is put on what holds it. */
export function wornPattern(body: GarmentBody, { held, pull, rounds, creased }: Support): Pattern {
  return {
    ...patternOf(body),
    isOpen: openingsOf(body),
    held,
    pull,
    rounds,
    creased,
    apart: 2 * (HALF + INSIDE),
    cell: body.chest / ACROSS,
  };
}

/** Where front and back are not sewn to one another: at the neck, the hem and the cuffs. */
function openingsOf(body: GarmentBody): (x: number, y: number) => boolean {
  const { chest, collarWidth, collarDrop, length } = body;
  const [[ax, ay], [bx, by]] = sleeveOf(body).cuff;
  return (x, y) => {
    const across = Math.abs(x);
    if (y >= length - 1 && across < chest / 2 - 1) return true;
    if (across < collarWidth / 2 && y < collarDrop * 1.3) return true;
    // Past the line from the cuff's outer end to its inner one, and beside it.
    const [ux, uy] = [bx - ax, by - ay];
    const along = ((across - ax) * ux + (y - ay) * uy) / (ux * ux + uy * uy);
    return along > 0.02 && along < 0.98 && ux * (y - ay) - uy * (across - ax) < 0 && across > chest / 2;
  };
}

/** Where the inside of a garment is seen on a form: at the neck, the hem and the cuffs. */
function openOnForm({ chest, collarDrop, length }: GarmentBody): Hold['isSeen'] {
  return (x, y) => y < collarDrop + SEEN || y > length - SEEN || Math.abs(x) > chest / 2;
}

/** The same on a hanger, where its sides lie on one another: through the neck alone. */
function openOnHanger({ collarWidth, collarDrop }: GarmentBody): Hold['isSeen'] {
  return (x, y) => Math.abs(x) < collarWidth / 2 && y < collarDrop + SEEN / 3;
}

/** A piece without what of an inside nobody sees. */
function seenOf(mesh: Mesh, isSeen: Hold['isSeen']): Mesh {
  const isInside = mesh.points.every(([, , z]) => Math.abs(z) < HALF);
  if (!isInside || mesh.material.faceId !== null) return mesh;
  const seen = (i: number) => isSeen(mesh.points[i]![0], -mesh.points[i]![1]);
  const triangles: number[] = [];
  for (let i = 0; i < mesh.triangles.length; i += 3) {
    const corners = mesh.triangles.slice(i, i + 3);
    if (corners.some(seen)) triangles.push(...corners);
  }
  return { ...mesh, triangles };
}

/** How near to a seam a place is: 1 on it, 0 where the cloth's next points are. */
function seamsOf({ front, isOpen, cell }: Pattern): (x: number, y: number) => number {
  const sewn = front.flatMap((to, i) => {
    const from = front[(i + front.length - 1) % front.length]!;
    return isOpen((from[0] + to[0]) / 2, (from[1] + to[1]) / 2) ? [] : [[from, to] as const];
  });
  return (x, y) => {
    let least = cell;
    for (const [[ax, ay], [bx, by]] of sewn) {
      const [ux, uy] = [bx - ax, by - ay];
      const share = Math.min(1, Math.max(0, ((x - ax) * ux + (y - ay) * uy) / (ux * ux + uy * uy || 1)));
      least = Math.min(least, Math.hypot(x - ax - ux * share, y - ay - uy * share));
    }
    return 1 - least / cell;
  };
}

/** A piece of the lying garment as it hangs; at a seam its two sides are one. */
function worn(mesh: Mesh, cloth: Draped, seam: (x: number, y: number) => number): Mesh {
  const { material } = mesh;
  const spots = mesh.points.map(([x, y, z]) => {
    const side = z >= 0 ? 'front' : 'back';
    const share = seam(x, -y);
    const off = Math.abs(z) - HALF;
    // An inside keeps away from where it would come out at a seam.
    if (off < 0) return cloth.at(x, -y, side, off - share * INSIDE);
    const own = cloth.at(x, -y, side, off);
    if (share <= 0) return own;
    const other = cloth.at(x, -y, side === 'front' ? 'back' : 'front');
    const mixed = (a: Vector, b: Vector) => along(a, minus(b, a), share / 2);
    return { at: mixed(own.at, other.at), normal: unit(mixed(own.normal, other.normal)) };
  });
  const over = Math.max(0, Math.abs(mesh.points[0]![2]) - HALF) * OVER;
  return {
    ...mesh,
    over,
    material: { ...material, ...(material.folds && { folds: material.folds * FOLDS }) },
    points: spots.map(({ at }) => at),
    normals: spots.map(({ normal }) => normal),
  };
}
