import { MaxRectsPacker } from 'maxrects-packer';
import { common } from '../cut/polygons';
import { nest, reachOf } from './nest';
import type { Placed, Print, Room } from './print';
import { LEAST_ROOM, type Sheet, type Spot } from './schema';

/** A copy of a print, or a part of one that is larger than any sheet, where it lies. */
export interface Laid extends Spot {
  print: Print;
  /** Size on the sheet, turned or not. */
  width: number;
  height: number;
  /** What of the print it shows, in mm of its box; all of it where it is no part. */
  part: { x: number; y: number; width: number; height: number; column: number; row: number } | null;
}

export interface SheetLayout {
  /** mm; a roll is as long as its prints need. */
  width: number;
  height: number;
  /** How many sheets, or pieces of a roll, there are. */
  sheets: number;
  laid: Laid[];
  /** What is wrong with where something lies, in sentences. */
  troubles: string[];
}

const FITS = 1e-6;
/** A roll is first tried as long as its prints would need without a gap between them, then longer by so much a step. */
const STEP = 0.02;
const LONGEST = 60_000;

/** Where every copy lies: as placed by hand, or packed. Throws nothing: what has no room is said. */
export function layOut(sheet: Sheet, prints: readonly Print[]): SheetLayout {
  const wanted = sheet.items.flatMap(({ fitId, faceId, copies }) => {
    const print = prints.find((one) => one.fitId === fitId && one.faceId === faceId);
    return print ? Array.from({ length: copies }, () => print) : [];
  });
  return sheet.placed ? byHand(sheet, prints, sheet.placed) : packed(sheet, wanted);
}

function packed(sheet: Sheet, wanted: readonly Print[]): SheetLayout {
  const { paper, margin } = sheet;
  const room = { width: paper.width - 2 * margin, height: (paper.height ?? LONGEST) - 2 * margin };
  const trouble = troubleOf(sheet, room, wanted);
  if (trouble !== null) return { ...paperOf(sheet), sheets: 0, laid: [], troubles: [trouble] };
  const fitting = wanted.filter((print) => fits(print, room, sheet.turning));
  const large = wanted.filter((print) => !fits(print, room, sheet.turning));
  const boxed = paper.height === null ? onRoll(sheet, fitting, room.width) : onSheets(sheet, fitting, room);
  const whole = closer(sheet, boxed, fitting, room);
  const laid = [...whole.laid];
  let { sheets } = whole;
  for (const print of large) {
    const parts = inParts(sheet, print, room, sheets);
    laid.push(...parts);
    sheets = Math.max(sheets, ...parts.map((part) => part.sheet + 1));
  }
  return { width: paper.width, height: whole.height, sheets, laid, troubles: [] };
}

/** Copies that are laid out at once, sheets that one print is parted over, and mm of a roll, at most. */
const MOST_COPIES = 5_000;
const MOST_PARTS = 400;

/** Why nothing can be laid out, in a sentence; null where it can. */
function troubleOf(sheet: Sheet, room: Room, wanted: readonly Print[]): string | null {
  if (Math.min(room.width, room.height) < LEAST_ROOM)
    return `The margins leave less than ${LEAST_ROOM} mm of the sheet: make them smaller, or take a larger sheet.`;
  if (wanted.length > MOST_COPIES)
    return `${wanted.length} copies are more than are laid out at once: ${MOST_COPIES} at most. Make several sheets.`;
  const area = wanted.reduce((sum, { width, height }) => sum + width * height, 0);
  if (sheet.paper.height === null && area / room.width > LONGEST)
    return `These prints need more than ${LONGEST / 1000} m of this roll: make several sheets.`;
  const large = wanted.find(
    (print) => !fits(print, room, sheet.turning) && partsOf(sheet, print, room) > MOST_PARTS,
  );
  return large ? `“${large.name}” would go over more than ${MOST_PARTS} sheets: take a larger one.` : null;
}

function partsOf(sheet: Sheet, print: Print, room: Room): number {
  return (
    cuts(print.width, room.width, sheet.overlap).length *
    cuts(print.height, room.height, sheet.overlap).length
  );
}

interface Lying {
  laid: Laid[];
  sheets: number;
  height: number;
}

/** What is cut to shape lies by its outlines where it needs fewer sheets so, or less of the last of them. */
function closer(sheet: Sheet, boxed: Lying, prints: readonly Print[], room: Room): Lying {
  if (!prints.some(({ cut }) => cut)) return boxed;
  const bins = nest(prints, { ...room, gap: sheet.gap, turning: sheet.turning });
  if (!bins) return boxed;
  const laid = bins.flatMap((bin, index) => laidOn(sheet, bin, index));
  const end = (lying: readonly Laid[], last: number) =>
    Math.max(0, ...lying.filter((one) => one.sheet === last).map(({ y, height }) => y + height));
  const nested = { laid, sheets: bins.length, height: sheet.paper.height ?? end(laid, 0) + sheet.margin };
  const fewer = nested.sheets - boxed.sheets;
  const shorter = end(laid, nested.sheets - 1) < end(boxed.laid, boxed.sheets - 1);
  return fewer < 0 || (fewer === 0 && shorter) ? nested : boxed;
}

function paperOf({ paper }: Sheet): { width: number; height: number } {
  return { width: paper.width, height: paper.height ?? 0 };
}

function fits({ width, height }: Print, room: Room, turning: boolean): boolean {
  const lies = (w: number, h: number) => w <= room.width + FITS && h <= room.height + FITS;
  return lies(width, height) || (turning && lies(height, width));
}

function onSheets(
  sheet: Sheet,
  prints: readonly Print[],
  room: Room,
): { laid: Laid[]; sheets: number; height: number } {
  const bins = pack(sheet, prints, room.width, room.height);
  return {
    laid: bins.flatMap((bin, index) => laidOn(sheet, bin, index)),
    sheets: bins.length,
    height: sheet.paper.height!,
  };
}

/** One piece of a roll, as short as it is found to go. */
function onRoll(
  sheet: Sheet,
  prints: readonly Print[],
  across: number,
): { laid: Laid[]; sheets: number; height: number } {
  if (prints.length === 0) return { laid: [], sheets: 0, height: 2 * sheet.margin };
  const { gap, margin } = sheet;
  const area = prints.reduce((sum, { width, height }) => sum + (width + gap) * (height + gap), 0);
  const least = Math.max(
    area / (across + gap),
    ...prints.map(({ width, height }) => (sheet.turning ? Math.min(width, height) : height)),
  );
  for (let length = least; ; length *= 1 + STEP) {
    const bins = pack(sheet, prints, across, length);
    if (bins.length !== 1) continue;
    const laid = laidOn(sheet, bins[0]!, 0);
    const end = Math.max(...laid.map(({ y, height }) => y + height));
    return { laid, sheets: 1, height: end + margin };
  }
}

/** Prints of so few sizes are tried all upright and all turned as well: rows of one size often lie closest so. */
const FEW_SIZES = 3;

/** Prints in as few rectangles of a size as are found to do. */
function pack({ gap, turning }: Sheet, prints: readonly Print[], width: number, height: number): Placed[][] {
  const free = packOnce(prints, { width, height, gap, turning, turned: false });
  const sizes = new Set(prints.map((print) => `${print.width} ${print.height}`));
  if (!turning || sizes.size > FEW_SIZES) return free;
  const ways = [free];
  for (const turned of [false, true]) {
    const lies = (print: Print) =>
      turned
        ? print.height <= width && print.width <= height
        : print.width <= width && print.height <= height;
    if (prints.every(lies)) ways.push(packOnce(prints, { width, height, gap, turning: false, turned }));
  }
  return ways.reduce((best, way) => (way.length < best.length ? way : best));
}

/** By maximal rectangles (Jylänki 2010): turned as it falls out, or all upright or all turned. */
function packOnce(
  prints: readonly Print[],
  {
    width,
    height,
    gap,
    turning,
    turned,
  }: { width: number; height: number; gap: number; turning: boolean; turned: boolean },
): Placed[][] {
  const packer = new MaxRectsPacker(width + FITS, height + FITS, gap, {
    smart: false,
    pot: false,
    square: false,
    allowRotation: turning,
    border: 0,
  });
  packer.addArray(prints.map((print) => ({ ...sizeOf(print, turned), data: print, x: 0, y: 0 })) as never);
  return packer.bins.map((bin) =>
    bin.rects.map((rect) => {
      const { x, y, rot, data } = rect as unknown as { x: number; y: number; rot: boolean; data: Print };
      return { x, y, turned: rot !== turned, print: data };
    }),
  );
}

function laidOn({ margin }: Sheet, placed: readonly Placed[], sheet: number): Laid[] {
  return placed.map(({ x, y, turned, print }) => ({
    ...spotOf(print, sheet, x + margin, y + margin, turned),
    print,
    ...sizeOf(print, turned),
    part: null,
  }));
}

function spotOf({ fitId, faceId }: Print, sheet: number, x: number, y: number, turned: boolean): Spot {
  return { fitId, faceId, sheet, x, y, turned };
}

function sizeOf({ width, height }: Print, turned: boolean): { width: number; height: number } {
  return turned ? { width: height, height: width } : { width, height };
}

/** A print over several sheets, a part on each, neighbours lying over one another by the overlap. */
function inParts(sheet: Sheet, print: Print, room: Room, first: number): Laid[] {
  const columns = cuts(print.width, room.width, sheet.overlap);
  const rows = cuts(print.height, room.height, sheet.overlap);
  return rows.flatMap((y, row) =>
    columns.map((x, column) => {
      const width = Math.min(room.width, print.width - x);
      const height = Math.min(room.height, print.height - y);
      const index = first + row * columns.length + column;
      return {
        ...spotOf(print, index, sheet.margin, sheet.margin, false),
        print,
        width,
        height,
        part: { x, y, width, height, column, row },
      };
    }),
  );
}

/** Where parts of a length begin, each no longer than the room, neighbours overlapping. */
function cuts(length: number, room: number, overlap: number): number[] {
  if (length <= room + FITS) return [0];
  const step = Math.max(room * 0.1, room - overlap);
  const count = Math.ceil((length - room) / step - FITS) + 1;
  return Array.from({ length: count }, (_, i) => i * step);
}

function byHand(sheet: Sheet, prints: readonly Print[], spots: readonly Spot[]): SheetLayout {
  const laid = spots.flatMap((spot): Laid[] => {
    const print = prints.find((one) => one.fitId === spot.fitId && one.faceId === spot.faceId);
    return print ? [{ ...spot, print, ...sizeOf(print, spot.turned), part: null }] : [];
  });
  const { paper, margin } = sheet;
  const end = Math.max(0, ...laid.map(({ y, height }) => y + height)) + margin;
  const height = paper.height ?? end;
  return {
    width: paper.width,
    height,
    sheets: Math.max(0, ...laid.map((one) => one.sheet + 1)),
    laid,
    troubles: [...outside(laid, paper.width, height, margin), ...overlapping(laid)],
  };
}

function outside(laid: readonly Laid[], width: number, height: number, margin: number): string[] {
  const out = laid.filter(
    (one) =>
      one.x < margin - FITS ||
      one.y < margin - FITS ||
      one.x + one.width > width - margin + FITS ||
      one.y + one.height > height - margin + FITS,
  );
  return out.map(({ print, sheet }) => `“${print.name}” on sheet ${sheet + 1} goes past the margin.`);
}

/** Whether two prints whose boxes overlap do so themselves: those that are cut to shape may lie in each other's bays. */
function touch(a: Laid, b: Laid): boolean {
  if (!a.print.cut && !b.print.cut) return true;
  const shape = ({ print, turned, x, y }: Laid) => ({
    outers: reachOf(print, turned).map((ring) => ring.map(([px, py]): [number, number] => [px + x, py + y])),
    holes: [],
  });
  return common(shape(a), shape(b)).outers.length > 0;
}

function overlapping(laid: readonly Laid[]): string[] {
  const said: string[] = [];
  laid.forEach((a, i) => {
    for (const b of laid.slice(i + 1)) {
      const apart =
        a.sheet !== b.sheet ||
        a.x + a.width <= b.x + FITS ||
        b.x + b.width <= a.x + FITS ||
        a.y + a.height <= b.y + FITS ||
        b.y + b.height <= a.y + FITS;
      if (!apart && touch(a, b))
        said.push(`“${a.print.name}” and “${b.print.name}” lie over one another on sheet ${a.sheet + 1}.`);
    }
  });
  return said;
}
