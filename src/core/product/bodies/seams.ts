import type { GarmentBody } from '../../blank/bodies/garment';
import { sleeveOf } from '../../blank/bodies/garment';
import { lerp } from '../../geometry/lerp';
import type { Material, Mesh } from '../mesh';
import { flatPiece, ribbon } from './slab';

export type Line = (readonly [x: number, y: number])[];

/** The drawing's own mm: x = 0 at the centre line, y down from its highest point. */
export const DRAWN = { width: 0, height: 0 };
/** mm from the garment's middle to its front, and from there to what lies on it. */
export const HALF = 4;
export const ON = 0.6;
export const CLOTH: Material = { faceId: null, colour: 'product', finish: 'fabric', folds: 1 };

const curve = (at: (t: number) => readonly [number, number], steps = 24): Line =>
  Array.from({ length: steps + 1 }, (_, i) => at(i / steps));

/** A line on the front and the same on the back. */
function sewnLine(line: Line, wide = 1.6, tone = 0.66): Mesh[] {
  const material: Material = { ...CLOTH, folds: 0, tone };
  return [ribbon(material, line, DRAWN, HALF + 0.3, wide), ribbon(material, line, DRAWN, -HALF - 0.3, wide)];
}

/** The ribbed collar: along the front's opening and along the back's. */
export function collar({ collarWidth, collarDrop }: GarmentBody, z: number, only = false): Mesh[] {
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
export function detailsOf(body: GarmentBody): Mesh[] {
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
export function hoodOpening({ collarWidth, length }: GarmentBody): Mesh {
  const half = collarWidth * 0.34;
  const opening = curve(
    (t) => [(2 * t - 1) * half, -length * 0.03 - length * 0.1 * (1 - (2 * t - 1) ** 2)] as const,
  );
  return flatPiece({ ...CLOTH, tone: 0.55 }, [[...opening, [half, 6], [-half, 6]]], DRAWN, HALF + 0.35);
}

/** The cloth that joins a hood to the back of the neck, behind all that lies on it. */
export function nape({ collarWidth, collarDrop }: GarmentBody): Mesh {
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
