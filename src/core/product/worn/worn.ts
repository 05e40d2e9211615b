import { sleeveOf, type GarmentBody } from '../../blank/bodies/garment';
import { memo } from '../../memo';
import { patternOf, sewnMeshes } from '../bodies/garment';
import { HALF } from '../bodies/seams';
import { lerp } from '../../geometry/lerp';
import { surface, type Mesh } from '../mesh';
import { drape, type Draped, type Pattern } from './drape';
import { TailorsForm } from './form';
import { Hanger } from './hanger';
import { laidOver } from './laid-over';
import { tessellated } from './tessellate';

/** Sides of triangles at most, as a multiple of the distance between the cloth's points. */
const FINE = 1.4;
/** mm below the collar that an inside is seen. */
const SEEN = 45;
/** mm within which a place is on the line that cloth is cut along. */
const ON_LINE = 1;
/** Points of the cloth across a flat chest: every size takes as long. */
const ACROSS = 40;
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

/** How a garment is hung: on what, and what is seen besides. */
interface Hold {
  support: Support;
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
    return { support: form, props: [...props, ...hoodOf(body, WORN)] };
  });
}

/** A shirt or a top on a hanger of its size. */
export function onHanger(body: GarmentBody): Mesh[] {
  return hung('hanger', body, () => {
    const hanger = new Hanger(body);
    return { support: hanger, props: [...hanger.meshes(), ...hoodOf(body, HUNG)] };
  });
}

/** Hung once for a size, and kept. */
function hung(on: string, body: GarmentBody, hold: () => Hold): Mesh[] {
  return known(`${on} ${JSON.stringify(body)}`, () => {
    const { support, props } = hold();
    const pattern = wornPattern(body, support);
    const cloth = drape(pattern, support.solid);
    const sewn = sewnMeshes(body).map((mesh) =>
      worn(seenOf(tessellated(mesh, pattern.cell * FINE), body), cloth),
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
    // Its ends are closed.
    const closing = Math.sqrt(Math.min(1, (1 - Math.abs(2 * s - 1)) / 0.3));
    const thick = closing * lerp(length * 0.026, length * 0.085, behind);
    const [around, up] = [Math.cos(2 * Math.PI * t), Math.sin(2 * Math.PI * t)];
    const reach = collarWidth * lerp(0.42, 0.44, behind) + thick * (0.5 + 0.8 * around);
    // It hangs down the back by its own weight, furthest where it lies furthest out.
    const hangs = behind ** 3 * length * 0.1 * (0.5 + 0.5 * around);
    return {
      at: [
        reach * Math.sin(angle),
        thick * up - length * lerp(0.066, -0.03, behind) - hangs,
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
    if (y >= length - ON_LINE && across < chest / 2 - ON_LINE) return true;
    if (across < collarWidth / 2 && y < collarDrop * 1.3) return true;
    // On the line from the cuff's outer end to its inner one, or past it.
    const [ux, uy] = [bx - ax, by - ay];
    const along = ((across - ax) * ux + (y - ay) * uy) / (ux * ux + uy * uy);
    return (
      along > 0.02 &&
      along < 0.98 &&
      ux * (y - ay) - uy * (across - ax) < ON_LINE * Math.hypot(ux, uy) &&
      across > chest / 2
    );
  };
}

/** A piece without what of an inside nobody sees: it is looked into through the neck alone. */
function seenOf(mesh: Mesh, { collarWidth, collarDrop }: GarmentBody): Mesh {
  const isInside = mesh.points.every(([, , z]) => Math.abs(z) < HALF);
  if (!isInside || mesh.material.faceId !== null) return mesh;
  const seen = (i: number) => {
    const [x, y] = mesh.points[i]!;
    return Math.abs(x) < collarWidth / 2 && -y < collarDrop + SEEN;
  };
  const triangles: number[] = [];
  for (let i = 0; i < mesh.triangles.length; i += 3) {
    const corners = mesh.triangles.slice(i, i + 3);
    if (corners.some(seen)) triangles.push(...corners);
  }
  return { ...mesh, triangles };
}

/** A piece of the lying garment as it hangs. */
function worn(mesh: Mesh, cloth: Draped): Mesh {
  const spots = mesh.points.map(([x, y, z]) => {
    const off = Math.abs(z) - HALF;
    // An inside keeps away from where it would come out at a seam.
    return cloth.at(x, -y, z >= 0 ? 'front' : 'back', off < 0 ? off - INSIDE : off);
  });
  return laidOver(mesh, spots, FOLDS);
}
