import earcut from 'earcut';
import type { GarmentBody, GarmentPrint } from '../../blank/bodies/garment';
import { garmentOutline, printOrigin, sleeveOf } from '../../blank/bodies/garment';
import { common, fromRings, united, type Shape } from '../../cut/polygons';
import { flattenPath } from '../../geometry/path';
import { parsePath } from '../../geometry/parse-path';
import type { Material, Mesh } from '../mesh';
import { capMeshes } from './cap';
import { rolledEdge, softened } from './roll';
import { settled } from './settled';
import { flatPiece, keepOutRing, ribbon } from './slab';
import { lerp } from '../../geometry/lerp';

type Line = (readonly [x: number, y: number])[];

/** The drawing's own mm: x = 0 at the centre line, y down from its highest point. */
const DRAWN = { width: 0, height: 0 };
/** mm from the garment's middle to its front, and from there to what lies on it. */
export const HALF = 4;
const ON = 0.6;
const CLOTH: Material = { faceId: null, colour: 'product', finish: 'fabric', folds: 1 };

/** A sewn thing lying flat, front and back, in its own folds; each print where the body says. */
export function garmentMeshes(body: GarmentBody): Mesh[] {
  if (body.cut === 'cap') return capMeshes(body);
  const { lie, lieAs } = settled(body);
  const { front, back } = patternOf(body);
  const others = ringsOf(body).slice(1);
  const sides = [{ front, back }, ...others.map((ring) => ({ front: ring, back: ring }))].map((side) => ({
    front: softened(side.front).map(lie),
    back: softened(side.back).map(lie),
  }));
  return [
    ...sides.flatMap((side) => [
      ...sidesOf(body, side.front, side.back),
      rim(side.front),
      rolledEdge(CLOTH, side.front, HALF + 0.2),
      rolledEdge(CLOTH, side.back, -HALF - 0.2, { behind: true }),
    ]),
    ...[...sewnOn(body), ...(body.cut === 'hooded' ? [hoodOpening(body), nape(body)] : [])].map(lieAs),
  ];
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

const curve = (at: (t: number) => readonly [number, number], steps = 24): Line =>
  Array.from({ length: steps + 1 }, (_, i) => at(i / steps));

/** A line on the front and the same on the back. */
function sewnLine(line: Line, wide = 1.6, tone = 0.66): Mesh[] {
  const material: Material = { ...CLOTH, folds: 0, tone };
  return [ribbon(material, line, DRAWN, HALF + 0.3, wide), ribbon(material, line, DRAWN, -HALF - 0.3, wide)];
}

/** The ribbed collar: along the front's opening and along the back's. */
function collar({ collarWidth, collarDrop }: GarmentBody, z: number, only = false): Mesh[] {
  const half = collarWidth / 2;
  const wide = Math.min(22, collarWidth * 0.12);
  const arc = (deep: number) => curve((t) => [(2 * t - 1) * half, deep * (1 - (2 * t - 1) ** 2)] as const);
  const rib: Material = { ...CLOTH, folds: 0, tone: 0.9 };
  const seam: Material = { ...CLOTH, folds: 0, tone: 0.6 };
  const low = collarDrop * 0.16;
  const behind = [
    ribbon(
      rib,
      arc(low).map(([x, y]) => [x, y + wide / 2] as const),
      DRAWN,
      z,
      wide,
    ),
    ribbon(
      seam,
      arc(low).map(([x, y]) => [x, y + wide] as const),
      DRAWN,
      z + 0.1,
      1.5,
    ),
  ];
  if (only) return behind;
  return [
    ...[HALF + 0.4].flatMap((at) => [
      ribbon(
        rib,
        arc(collarDrop).map(([x, y]) => [x, y + wide / 2] as const),
        DRAWN,
        at,
        wide,
      ),
      ribbon(
        seam,
        arc(collarDrop).map(([x, y]) => [x, y + wide] as const),
        DRAWN,
        at + 0.1,
        1.5,
      ),
    ]),
    ribbon(
      { ...rib, tone: 0.7 },
      arc(low).map(([x, y]) => [x, y + wide / 2] as const),
      DRAWN,
      -HALF + 0.9,
      wide,
    ),
    ribbon(
      rib,
      arc(low).map(([x, y]) => [x, y + wide / 2] as const),
      DRAWN,
      -HALF - 0.4,
      wide,
    ),
  ];
}

/** What makes a garment a shirt, a cap, a bag or an apron to the eye. */
function detailsOf(body: GarmentBody): Mesh[] {
  const { chest, length, sleeve, cut } = body;
  const half = chest / 2;
  switch (cut) {
    case 'shirt':
    case 'hooded': {
      const slope = length * 0.055;
      const armhole = (way: number) =>
        curve(
          (t) =>
            [
              way * (half - chest * 0.055 * Math.sin(Math.PI * t)),
              slope + (length * 0.31 - slope) * t,
            ] as const,
        );
      const hem = length - (cut === 'hooded' ? 55 : 20);
      const level: Line = [
        [-half, hem],
        [half, hem],
      ];
      const { cuff, shoulder, armpit } = sleeveOf(body);
      const share = cut === 'hooded' ? 0.86 : 0.9;
      const cuffLine = (way: number): Line =>
        [
          [shoulder, cuff[0]],
          [armpit, cuff[1]],
        ].map(([from, to]) => [way * lerp(from![0], to![0], share), lerp(from![1], to![1], share)] as const);
      return [
        ...sewnLine(armhole(1)),
        ...sewnLine(armhole(-1)),
        ...sewnLine(level),
        ...sewnLine(cuffLine(1)),
        ...sewnLine(cuffLine(-1)),
        ...collar(body, HALF),
        ...(cut === 'hooded' ? cords(body) : []),
      ];
    }
    case 'tote': {
      const hem: Line = [
        [-half, sleeve + 30],
        [half, sleeve + 30],
      ];
      const at = chest * 0.22;
      const band = chest * 0.06;
      const patch = (x: number): Line => [
        [x, sleeve + 4],
        [x + band, sleeve + 4],
        [x + band, sleeve + 34],
        [x, sleeve + 34],
        [x, sleeve + 4],
        [x + band, sleeve + 34],
        [x + band, sleeve + 4],
        [x, sleeve + 34],
      ];
      return [...sewnLine(hem), ...sewnLine(patch(-at - band), 0.9), ...sewnLine(patch(at), 0.9)];
    }
    case 'apron':
      return apronDetails(body);
    case 'cap':
      return [];
  }
}

/** The opening of a hood that lies back. */
function hoodOpening({ collarWidth, length }: GarmentBody): Mesh {
  const half = collarWidth * 0.34;
  const opening = curve(
    (t) => [(2 * t - 1) * half, -length * 0.03 - length * 0.1 * (1 - (2 * t - 1) ** 2)] as const,
  );
  return flatPiece({ ...CLOTH, tone: 0.55 }, [[...opening, [half, 6], [-half, 6]]], DRAWN, HALF + 0.35);
}

/** The cloth that joins a hood to the back of the neck, behind all that lies on it. */
function nape({ collarWidth, collarDrop }: GarmentBody): Mesh {
  const half = collarWidth / 2;
  const ring: Line = [
    [-half, -12],
    [half, -12],
    [half, collarDrop * 0.3],
    [-half, collarDrop * 0.3],
  ];
  return flatPiece({ ...CLOTH, tone: 0.62 }, [ring], DRAWN, -HALF + 0.4);
}

/** The cords of a hood. */
function cords({ collarWidth, collarDrop, length }: GarmentBody): Mesh[] {
  const cord: Material = { faceId: null, colour: '#dedbd2', finish: 'fabric' };
  const hang = (way: number): Line =>
    curve(
      (t) =>
        [way * (collarWidth * 0.17 + 5 * Math.sin(3 * t)), collarDrop * 0.7 + length * 0.16 * t] as const,
    );
  return [1, -1].map((way) => ribbon(cord, hang(way), DRAWN, HALF + 1.4, 5));
}

/** Neck strap and ties of an apron, and the hems round it. */
function apronDetails({ chest, length, collarWidth }: GarmentBody): Mesh[] {
  const bib = collarWidth / 2;
  const tape: Material = { ...CLOTH, folds: 0, tone: 0.84 };
  const strap = curve(
    (t) => [-bib + 14 + (2 * bib - 28) * t, -150 * Math.sin(Math.PI * t) ** 0.7] as const,
    40,
  );
  const tie = (way: number) =>
    curve(
      (t) =>
        [
          way * (chest / 2 + 130 * t),
          length * 0.365 + 60 * Math.sin(2.2 * t) + 14 * Math.sin(9 * t),
        ] as const,
    );
  return [
    ribbon(tape, strap, DRAWN, 0, 24),
    ribbon(tape, tie(1), DRAWN, 0, 20),
    ribbon(tape, tie(-1), DRAWN, 0, 20),
    ...sewnLine([
      [-bib, 16],
      [bib, 16],
    ]),
    ...sewnLine([
      [-chest / 2, length - 18],
      [chest / 2, length - 18],
    ]),
  ];
}
