import type { Laid, SheetLayout } from './layout';
import type { Sheet } from './schema';

/** A mark in ink on a sheet, in mm from its top left: never inside a print. */
export type SheetMark =
  | { kind: 'line'; x1: number; y1: number; x2: number; y2: number; thickness: number }
  | { kind: 'shape'; points: readonly (readonly [number, number])[] }
  | {
      kind: 'words';
      text: string;
      x: number;
      y: number;
      size: number;
      anchor: 'start' | 'middle' | 'end';
      within: number;
    };

const HAIR = 0.25 * (25.4 / 72);
/** mm of the ruler that proves the scale, and from the sheet's edge to the marks in its margin. */
export const RULER = 100;
const EDGE = 3;
/** Legs of the triangle that tells a sheet from its mirror image. */
export const FLAG = 4;
/** Margin that marks in it need. */
const NEEDS = 9;

/** Crop marks at every trim, the ruler, labels, and the flag in the corner, of one of the sheets. */
export function marksOf(sheet: Sheet, layout: SheetLayout, index: number): SheetMark[] {
  const laid = layout.laid.filter((one) => one.sheet === index);
  const room = sheet.margin >= NEEDS;
  return [
    ...flag(),
    ...(sheet.crops ? laid.filter(({ print }) => !print.cut).flatMap((one) => cropMarks(one, sheet)) : []),
    ...(sheet.ruler && room ? ruler(layout) : []),
    ...(sheet.labels && room ? labels(sheet, layout, laid, index) : []),
  ];
}

/** A right triangle at the top left whose right angle is there: in a mirror image it is at the top right. */
function flag(): SheetMark[] {
  return [
    {
      kind: 'shape',
      points: [
        [EDGE, EDGE],
        [EDGE + FLAG, EDGE],
        [EDGE, EDGE + FLAG],
      ],
    },
  ];
}

/** Two short lines at each corner of the trim, outside the bleed. */
function cropMarks({ x, y, width, height, print, part }: Laid, { gap, margin }: Sheet): SheetMark[] {
  const bleed = part ? 0 : print.bleed;
  const long = Math.min(5, gap > 0 ? gap / 2 : margin / 2);
  if (long < 0.8) return [];
  const [left, top, right, bottom] = [x + bleed, y + bleed, x + width - bleed, y + height - bleed];
  const line = (x1: number, y1: number, x2: number, y2: number): SheetMark => ({
    kind: 'line',
    ...{ x1, y1, x2, y2 },
    thickness: HAIR,
  });
  const off = long * 0.2;
  return [left, right]
    .flatMap((at) => [line(at, y - long, at, y - off), line(at, y + height + off, at, y + height + long)])
    .concat(
      [top, bottom].flatMap((at) => [
        line(x - long, at, x - off, at),
        line(x + width + off, at, x + width + long, at),
      ]),
    );
}

/** 100 mm in the lower margin, a tick at every ten. */
function ruler({ width, height }: SheetLayout): SheetMark[] {
  if (width < RULER + 2 * EDGE) return [];
  const [left, base] = [EDGE, height - EDGE];
  return [
    { kind: 'line', x1: left, y1: base, x2: left + RULER, y2: base, thickness: HAIR },
    ...Array.from({ length: RULER / 10 + 1 }, (_, i): SheetMark => {
      const x = left + i * 10;
      const tall = i % 5 === 0 ? 3 : 1.8;
      return { kind: 'line', x1: x, y1: base - tall, x2: x, y2: base, thickness: HAIR };
    }),
    {
      kind: 'words',
      text: '100 mm: measure it before you print on',
      x: left + RULER + 3,
      y: base,
      size: 2.4,
      anchor: 'start',
      within: Math.max(20, width - RULER - 3 * EDGE - 3),
    },
  ];
}

/** What the sheet is and what lies on it, along the upper margin. */
function labels(
  { name, mirrored }: Sheet,
  { width, sheets }: SheetLayout,
  laid: readonly Laid[],
  index: number,
): SheetMark[] {
  const names = [...new Set(laid.map(({ print }) => print.name))];
  const parts = laid.flatMap(({ part }) =>
    part ? [`part ${part.column + 1} across, ${part.row + 1} down`] : [],
  );
  const said = [
    `${name}, ${index + 1} of ${sheets}`,
    ...(mirrored ? ['mirrored: print as it is'] : []),
    `${laid.length} × ${names.join(', ')}`,
    ...parts,
  ];
  const from = EDGE + FLAG + 3;
  return [
    {
      kind: 'words',
      text: said.join(' · '),
      x: from,
      y: EDGE + 3,
      size: 2.6,
      anchor: 'start',
      within: width - from - EDGE,
    },
  ];
}
