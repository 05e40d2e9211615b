import { middleRadius, sectorBox, stretchAt, type Sector } from '../blank/bodies/sector';
import type { PrintFace } from '../blank/resolve';
import { IN_SILENCE, type Progress } from '../raster/raster';
import type { Grid } from './transform';

/** How an arc is drawn: pixels well within it in runs along a row, those at its edges one by one. */
export interface Visitor {
  /** So many pixels from index `at`; the first lies at (x, y) on the rectangle's grid, each next one (dx, dy) on. */
  run: (at: number, count: number, x: number, y: number, dx: number, dy: number) => void;
  /** One pixel, and how much of it is printed. */
  pixel: (at: number, x: number, y: number, edge: number) => void;
}

/** Draws on an arc as if on the rectangle that art is laid on. */
export interface Bender {
  /** The grid of the rectangle. It is as fine as the arc's narrow edge, so that shrinking skips no pixel there. */
  grid: Grid;
  /** Visits every pixel of the print within the bleed once. */
  walk: (visitor: Visitor, progress?: Progress) => void;
}

/** A run is as long as keeps what is straight between its ends this near, in pixels, to the arc. */
const STRAY = 0.01;
const LONGEST_RUN = 48;
/**
 * Pixels of a row that are drawn before the next row's: a level row of the print runs aslant through the artwork, and
 * a short piece of it stays among few of the artwork's rows, which memory then has at hand.
 */
const BAND = 512;

/**
 * Readies the arc of a tapered face for a print of so many pixels over its box. What lies past the rectangle's own
 * bleed, at the narrow end of the arc's, repeats the rectangle's last column.
 */
export function bender(face: PrintFace, sector: Sector, pixels: { width: number; height: number }): Bender {
  const { bleed } = face;
  const box = sectorBox(sector, bleed);
  const perMmX = pixels.width / box.width;
  const perMmY = pixels.height / box.height;
  const narrow = 1 + stretchAt(sector, sector.wideTop ? face.height : 0);
  const across = face.width + 2 * bleed;
  const down = face.height + 2 * bleed;
  const grid: Grid = {
    width: across * perMmX * narrow,
    height: down * perMmY,
    perMmX: perMmX * narrow,
    perMmY,
    bleed,
  };

  const outer = sector.outerRadius + bleed;
  const inner = Math.max(0, sector.innerRadius - bleed);
  const halfSweep = Math.min(Math.PI, sector.sweep / 2 + bleed / sector.innerRadius);
  const mid = middleRadius(sector);
  const start = sector.sweep / 2;
  const perMm = Math.min(perMmX, perMmY);
  const slack = 0.5 / perMm;
  const run = Math.max(1, Math.min(LONGEST_RUN, Math.floor(Math.sqrt(8 * inner * STRAY * perMm))));

  /** Where a pixel lies on the rectangle's grid, and how far in mm it is past the bleed (negative: within). */
  const place = (column: number, along: number, out: Place) => {
    const beside = (column + 0.5) / perMmX - box.apexX;
    const radius = Math.sqrt(beside * beside + along * along);
    const angle = Math.atan2(beside, along);
    out.x = ((angle + start) * mid + bleed) * grid.perMmX;
    out.y = (sector.wideTop ? outer - radius : radius - inner) * perMmY;
    out.past = Math.max(radius - outer, inner - radius, (Math.abs(angle) - halfSweep) * radius);
  };
  const isPlain = ({ x, y, past }: Place) =>
    past <= -2 * slack && x >= 0.5 && y >= 0.5 && x <= grid.width - 0.5 && y <= grid.height - 0.5;

  const first: Place = { x: 0, y: 0, past: 0 };
  const last: Place = { x: 0, y: 0, past: 0 };
  const one: Place = { x: 0, y: 0, past: 0 };

  const walkRow = (row: number, left: number, right: number, visitor: Visitor) => {
    const down = (row + 0.5) / perMmY - box.apexY;
    const along = sector.wideTop ? -down : down;
    for (let column = left; column < right; column += run) {
      const count = Math.min(run, right - column);
      const at = row * pixels.width + column;
      place(column, along, first);
      place(column + count - 1, along, last);
      if (count > 1 && isPlain(first) && isPlain(last)) {
        const steps = count - 1;
        visitor.run(at, count, first.x, first.y, (last.x - first.x) / steps, (last.y - first.y) / steps);
        continue;
      }
      // Ends further past the edge than the run is long have none of it between them.
      const length = count / perMmX;
      if (first.past > length && last.past > length) continue;
      for (let i = 0; i < count; i++) {
        place(column + i, along, one);
        const edge = one.past <= -slack ? 1 : 0.5 - one.past * perMm;
        if (edge > 0) visitor.pixel(at + i, inside(one.x, grid.width), inside(one.y, grid.height), edge);
      }
    }
  };
  const walk = (visitor: Visitor, progress: Progress = IN_SILENCE) => {
    for (let left = 0; left < pixels.width; left += BAND) {
      const right = Math.min(pixels.width, left + BAND);
      for (let row = 0; row < pixels.height; row++) {
        if (row % 128 === 0) progress((left + ((right - left) * row) / pixels.height) / pixels.width);
        walkRow(row, left, right, visitor);
      }
    }
  };
  return { grid, walk };
}

interface Place {
  x: number;
  y: number;
  past: number;
}

/** At least half a pixel inside the grid: what ends on the bleed edge covers the edge's own pixels whole. */
function inside(value: number, length: number): number {
  return value < 0.5 ? 0.5 : value > length - 0.5 ? length - 0.5 : value;
}
