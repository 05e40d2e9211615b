import { lerp } from '../geometry/lerp';
import type { Outline } from '../geometry/outline';
import type { PathPoint } from '../geometry/path';
import { grow } from '../cut/polygons';
import { coverOf } from '../raster/cover';
import type { Placed, Print, Room } from './print';

/** mm of a cell: outlines are laid on squares of this size, and so never nearer than the gap. */
const CELL = 0.5;
/** mm that an outline is followed inside of itself, so that one along a line of the grid takes nothing beyond it. */
const INSIDE = 0.0005;
/** More prints than these are packed by their boxes alone. */
const MOST = 400;
const BITS = 32;

interface NestRoom extends Room {
  /** mm between prints. */
  gap: number;
  turning: boolean;
}

/** A print's cells, one way round: rows of bits from its box's top left. */
interface Stamp {
  turned: boolean;
  /** Cells that it goes past its box's top left, for the gap round it. */
  off: number;
  width: number;
  height: number;
  /** Bits of each row, for each of the 32 places within a word. */
  shifted: Uint32Array[];
  words: number;
}

/**
 * Lays prints by their outlines: the largest first, each as far up, and there as far left, as it goes (bottom-left, Baker,
 * Coffman and Rivest 1980, on a grid). Null where there are too many for that, or one fits nowhere.
 */
export function nest(prints: readonly Print[], room: NestRoom): Placed[][] | null {
  if (prints.length > MOST) return null;
  const stamps = new Map<Print, Stamp[]>();
  for (const print of prints) if (!stamps.has(print)) stamps.set(print, stampsOf(print, room));
  const order = [...prints].sort((a, b) => b.width * b.height - a.width * a.height);
  const sheets: { grid: Grid; placed: Placed[] }[] = [];
  for (const print of order) {
    const own = stamps.get(print)!;
    let found = false;
    for (let index = 0; !found; index++) {
      const fresh = index === sheets.length;
      if (fresh) sheets.push({ grid: new Grid(room), placed: [] });
      const sheet = sheets[index]!;
      const spot = sheet.grid.place(own);
      if (spot) {
        const { stamp, column, row } = spot;
        sheet.placed.push({
          x: (column + stamp.off) * CELL,
          y: (row + stamp.off) * CELL,
          turned: stamp.turned,
          print,
        });
        found = true;
      } else if (fresh) return null;
    }
  }
  return sheets.map(({ placed }) => placed);
}

/** What a print covers, in mm of its box as it lies. */
export function reachOf({ cut, width, height }: Print, turned: boolean): Outline[] {
  const reach: readonly Outline[] = cut?.reach ?? [[[0, 0], [width, 0], [width, height], [0, height]]]; // prettier-ignore
  return reach.map((ring) => ring.map(([x, y]): [number, number] => (turned ? [height - y, x] : [x, y])));
}

function stampsOf(print: Print, { gap, turning }: NestRoom): Stamp[] {
  return (turning ? [false, true] : [false]).map((turned) => {
    const { outers } = grow({ outers: reachOf(print, turned), holes: [] }, gap / 2);
    const off = Math.ceil(gap / 2 / CELL);
    const [across, down] = turned ? [print.height, print.width] : [print.width, print.height];
    const [width, height] = [Math.ceil(across / CELL) + 2 * off, Math.ceil(down / CELL) + 2 * off];
    const mask = coverOf(
      outers.map((ring) => Float64Array.from(ring.flatMap(([x, y]) => [x / CELL + off, y / CELL + off]))),
      { left: 0, top: 0, right: width, bottom: height },
    );
    const cells = edgeCells(
      grow({ outers: reachOf(print, turned), holes: [] }, gap / 2 - INSIDE).outers,
      off,
    );
    for (let y = 0; y < mask.height; y++)
      for (let x = 0; x < mask.width; x++)
        if (mask.data[y * mask.width + x]! > 0) cells.push([mask.left + x, mask.top + y]);
    const words = Math.ceil((width + BITS) / BITS);
    const shifted = Array.from({ length: BITS }, (_, shift) => {
      const rows = new Uint32Array(words * height);
      for (const [x, y] of cells) {
        if (x < 0 || y < 0 || x >= width || y >= height) continue;
        const at = x + shift;
        rows[y * words + (at >>> 5)]! |= 1 << (at & 31);
      }
      return rows;
    });
    return { turned, off, width, height, shifted, words };
  });
}

/** Every cell that outlines go through: a sharp tip covers too little of its last cell to be seen in a mask. */
function edgeCells(outers: readonly Outline[], off: number): [x: number, y: number][] {
  const cells: [number, number][] = [];
  for (const ring of outers)
    for (const [i, to] of ring.entries()) {
      const from = ring[(i + ring.length - 1) % ring.length]!;
      const [a, b] = [from, to].map(([x, y]) => ({ x: x / CELL + off, y: y / CELL + off })) as [
        PathPoint,
        PathPoint,
      ];
      // Between two crossings of a line of the grid it is in one cell.
      const crossings = [0, ...crossed(a.x, b.x), ...crossed(a.y, b.y), 1].sort((one, other) => one - other);
      for (let k = 1; k < crossings.length; k++) {
        const t = (crossings[k - 1]! + crossings[k]!) / 2;
        cells.push([Math.floor(lerp(a.x, b.x, t)), Math.floor(lerp(a.y, b.y, t))]);
      }
    }
  return cells;
}

/** Where on its way, 0 to 1, something that goes from one number to another passes whole ones. */
function crossed(from: number, to: number): number[] {
  const [low, high] = [Math.ceil(Math.min(from, to)), Math.floor(Math.max(from, to))];
  if (from === to) return [];
  return Array.from({ length: Math.max(0, high - low + 1) }, (_, i) => (low + i - from) / (to - from));
}

/** What of a sheet is taken: its room with half a gap round it, since every print brings half a gap of its own. */
class Grid {
  private readonly columns: number;
  private readonly rows: number;
  private readonly words: number;
  private readonly taken: Uint32Array;
  private readonly round: number;
  /** Rows before which there is no place for a stamp: where one was not free it never is again. */
  private readonly begun = new Map<Stamp, number>();

  constructor({ width, height, gap }: NestRoom) {
    this.round = Math.ceil(gap / 2 / CELL);
    this.columns = Math.floor(width / CELL) + 2 * this.round;
    // A roll has no end: as long as what lies on it, and some.
    this.rows = Math.min(Math.floor(height / CELL), LONGEST) + 2 * this.round;
    this.words = Math.ceil(this.columns / BITS) + 1;
    this.taken = new Uint32Array(this.words * this.rows);
  }

  /** The first free place of whichever way round comes to end furthest up; taken from then on. */
  place(stamps: readonly Stamp[]): { stamp: Stamp; column: number; row: number } | null {
    let best: { stamp: Stamp; column: number; row: number } | null = null;
    for (const stamp of stamps) {
      const last = this.rows - stamp.height;
      const worth = best ? best.row + best.stamp.height - stamp.height - 1 : last;
      const spot = this.find(stamp, Math.min(last, worth));
      if (spot) best = { stamp, ...spot };
    }
    if (!best) return null;
    this.take(best.stamp, best.column, best.row);
    // Places are told from the room's own corner.
    return { ...best, column: best.column - this.round, row: best.row - this.round };
  }

  private find(stamp: Stamp, last: number): { column: number; row: number } | null {
    for (let row = this.begun.get(stamp) ?? 0; row <= last; row++) {
      for (let column = 0; column <= this.columns - stamp.width; column++)
        if (this.isFree(stamp, column, row)) return { column, row };
      this.begun.set(stamp, row + 1);
    }
    return null;
  }

  private isFree({ shifted, words, height }: Stamp, column: number, row: number): boolean {
    const rows = shifted[column & 31]!;
    const start = column >>> 5;
    for (let y = 0; y < height; y++) {
      const at = (row + y) * this.words + start;
      for (let word = 0; word < words; word++)
        if ((rows[y * words + word]! & this.taken[at + word]!) !== 0) return false;
    }
    return true;
  }

  private take({ shifted, words, height }: Stamp, column: number, row: number): void {
    const rows = shifted[column & 31]!;
    const start = column >>> 5;
    for (let y = 0; y < height; y++) {
      const at = (row + y) * this.words + start;
      for (let word = 0; word < words; word++)
        if (start + word < this.words) this.taken[at + word]! |= rows[y * words + word]!;
    }
  }
}

/** Cells of a roll that are looked at: three metres. */
const LONGEST = 6000;
