import earcut from 'earcut';
import type { GarmentBody, GarmentPrint } from '../../blank/bodies/garment';
import { garmentOutline, printOrigin } from '../../blank/bodies/garment';
import { common, fromRings, united, type Shape } from '../../cut/polygons';
import { flattenPath } from '../../geometry/path';
import { parsePath } from '../../geometry/parse-path';
import type { Material, Mesh } from '../mesh';
import { capMeshes } from './cap';
import { dense, rolledEdge, softened } from './roll';
import { CLOTH, collar, detailsOf, DRAWN, HALF, hoodOpening, nape, ON, type Line } from './seams';
import { settled } from './settled';
import { flatPiece, keepOutRing, ribbon } from './slab';

/** A sewn thing lying flat, front and back, in its own folds; each print where the body says. */
export function garmentMeshes(body: GarmentBody): Mesh[] {
  if (body.cut === 'cap') return capMeshes(body);
  const { lie, lieAs } = settled(body);
  const { front, back } = patternOf(body);
  const sides = [
    { front: softened(front), back: softened(back) },
    // What is sewn to it keeps its ends, which lie under the cloth that holds them.
    ...addedTo(body).map((ring) => ({ front: dense(ring), back: dense(ring) })),
  ];
  return [
    ...sides.flatMap((side) => {
      const [upper, lower] = [side.front.map(lie), side.back.map(lie)];
      return [
        ...sidesOf(body, upper, lower),
        rim(upper),
        rolledEdge(CLOTH, upper, HALF + 0.2),
        rolledEdge(CLOTH, lower, -HALF - 0.2, { behind: true }),
      ];
    }),
    ...[...sewnOn(body), ...(body.cut === 'hooded' ? [hoodOpening(body), nape(body)] : [])].map(lieAs),
  ];
}

/** A sewn thing as its pattern has it, with all that is sewn to it, before it is laid down or hung up. */
export function plainMeshes(body: GarmentBody): Mesh[] {
  const added = addedTo(body);
  return [
    ...sewnMeshes(body),
    ...added.flatMap((ring) => sidesOf(body, ring, ring)),
    ...[patternOf(body).front, ...added].map(rim),
  ];
}

/** The lines of what is sewn to a garment and lies beside it: handles, a hood. */
function addedTo(body: GarmentBody): Line[] {
  return ringsOf(body).slice(1);
}

/** All that is cut from one pattern and sewn on it, as it lies: the cloth of both sides, its prints, pockets and seams. */
export function sewnMeshes(body: GarmentBody): Mesh[] {
  const { front, back } = patternOf(body);
  return [...sidesOf(body, front, back), ...sewnOn(body)];
}

/** What lies on a garment's cloth: its prints, pockets and seams. */
function sewnOn(body: GarmentBody): Mesh[] {
  return [
    ...body.prints.map((print) => printMesh(body, print)),
    ...body.prints.flatMap((print) => coversOf(body, print)),
    ...detailsOf(body),
  ];
}

/** The lines that a garment's two sides are cut along. */
export function patternOf(body: GarmentBody): { front: Line; back: Line } {
  const [front] = ringsOf(body);
  return { front: front!, back: isSewn(body) ? withoutNeck(front!, body) : front! };
}

function sidesOf(body: GarmentBody, front: Line, back: Line): Mesh[] {
  return [
    flatPiece(CLOTH, [front], DRAWN, HALF),
    flatPiece({ ...CLOTH, tone: isSewn(body) ? 0.8 : 1 }, [back], DRAWN, -HALF + 0.5),
    flatPiece(CLOTH, [back], DRAWN, -HALF, { behind: true }),
  ];
}

function ringsOf(body: GarmentBody): Line[] {
  return flattenPath(parsePath(garmentOutline(body))!, 0.3).map(pointsOf);
}

/** Only the inside of the back with its collar, as the garment lies opened for what is printed there. */
export function openedMeshes(body: GarmentBody): Mesh[] {
  const neck = body.prints.find(({ place }) => place === 'neck');
  const half = body.chest * 0.33;
  const low = body.length * 0.3;
  const line = patternOf(body).back.filter(([x, y]) => Math.abs(x) <= half && y <= low);
  const inside: Line = [...line.filter(([, y]) => y < low), [half, low], [-half, low]];
  const turn: Line = hullOf(inside);
  return [
    flatPiece({ ...CLOTH, folds: 0.5 }, [turn], DRAWN, 0),
    ...collar(body, ON, true),
    ...(neck ? [printMesh(body, neck, ON)] : []),
  ];
}

/** Points in order about their middle: the piece is star-shaped from there. */
function hullOf(points: Line): Line {
  const mean = (k: 0 | 1) => points.reduce((sum, point) => sum + point[k], 0) / points.length;
  const [cx, cy] = [mean(0), mean(1)];
  return [...points].sort((a, b) => Math.atan2(a[1] - cy, a[0] - cx) - Math.atan2(b[1] - cy, b[0] - cx));
}

function pointsOf(polygon: Float64Array): Line {
  return Array.from(
    { length: polygon.length / 2 },
    (_, i) => [polygon[i * 2]!, polygon[i * 2 + 1]!] as const,
  );
}

/** The back reaches further up between the shoulders than the front. */
function withoutNeck(ring: Line, { collarWidth, collarDrop }: GarmentBody): Line {
  const half = collarWidth / 2 + 0.01;
  return ring.map(([x, y]) =>
    Math.abs(x) < half && y <= collarDrop * 1.05 ? ([x, y * 0.16] as const) : ([x, y] as const),
  );
}

/** Front and back are sewn together along the outline. */
function rim(ring: Line): Mesh {
  const points = ring.flatMap(([x, y]) => [[x, -y, HALF] as const, [x, -y, -HALF] as const]);
  const count = ring.length;
  return {
    material: { ...CLOTH, folds: 0, tone: 0.85 },
    points,
    normals: points.map(([x, y]) => {
      const length = Math.hypot(x, y) || 1;
      return [x / length, y / length, 0];
    }),
    places: [],
    triangles: ring.flatMap((_, i) => {
      const [a, b] = [i * 2, ((i + 1) % count) * 2];
      return [a, a + 1, b, b, a + 1, b + 1];
    }),
  };
}

/** A print area on the cloth, as far as there is cloth. */
function printMesh(body: GarmentBody, print: GarmentPrint, z?: number): Mesh {
  const { x, y } = printOrigin(body, print);
  const { width, height, place } = print;
  const behind = place === 'back';
  const front = z ?? (place === 'neck' ? -HALF + 0.5 + ON : HALF + ON);
  const area = fromRings([
    [
      [x, y],
      [x + width, y],
      [x + width, y + height],
      [x, y + height],
    ],
  ]);
  const [ring] = place === 'neck' ? area.outers : common(area, clothOf(body, behind)).outers;
  const corners = ring ?? area.outers[0]!;
  return {
    material: { ...CLOTH, faceId: place },
    points: corners.map(([px, py]) => (behind ? [-px, -py, -HALF - ON] : [px, -py, front])),
    normals: corners.map(() => [0, 0, behind ? -1 : 1]),
    places: corners.map(([px, py]) => [px - x, py - y]),
    triangles: earcut(corners.flat()),
  };
}

/** All the cloth of one side. */
function clothOf(body: GarmentBody, behind: boolean): Shape {
  return united(
    ...ringsOf(body).map((ring, i) =>
      fromRings([
        (behind && i === 0 && isSewn(body) ? withoutNeck(ring, body) : ring).map(([x, y]) => [x, y]),
      ]),
    ),
  );
}

function isSewn({ cut }: GarmentBody): boolean {
  return cut === 'shirt' || cut === 'hooded';
}

/** Pockets that lie over the print, zips and seams through it. */
function coversOf(body: GarmentBody, print: GarmentPrint): Mesh[] {
  const { x, y } = printOrigin(body, print);
  const way = print.place === 'back' ? -1 : 1;
  const z = way * (HALF + 2 * ON);
  return print.keepOuts.flatMap((one) => {
    const ring: Line = keepOutRing(one).map(([px, py]) => [x + px, y + py] as const);
    const zip = one.id.startsWith('zip');
    const piece = flatPiece({ ...CLOTH, ...(zip && { tone: 0.72, folds: 0 }) }, [ring], DRAWN, z);
    const edge = ribbon({ ...CLOTH, folds: 0, tone: 0.62 }, [...ring, ring[0]!], DRAWN, z + way * 0.3, 1.6);
    if (!zip) return [piece, edge];
    const middle = ring.reduce((sum, [px]) => sum + px, 0) / ring.length;
    const teeth: Material = { faceId: null, colour: '#8f9498', finish: 'metal' };
    const whole: Line = [
      [middle, body.collarDrop],
      [middle, body.length - 4],
    ];
    return [piece, ribbon(teeth, whole, DRAWN, z + way * 0.4, 4.5)];
  });
}
