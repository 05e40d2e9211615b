import { middleRadius, sectorBox, stretchAt, type Sector } from '../blank/kinds/sector';
import type { PrintFace } from '../blank/resolve';
import { IN_SILENCE, type Progress } from '../raster/raster';
import type { Grid } from './transform';

/** Visits a pixel of the print: its index, where it lies on the rectangle's grid, and how much of it is printed. */
export type Visit = (at: number, x: number, y: number, edge: number) => void;

/** Draws on an arc as if on the rectangle that art is laid on. */
export interface Bender {
  /** The grid of the rectangle. It is as fine as the arc's narrow edge, so that shrinking skips no pixel there. */
  grid: Grid;
  /** Visits every pixel of the print within the bleed, row by row. */
  walk: (visit: Visit, progress?: Progress) => void;
}

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
  const most = (outer + slack) ** 2;
  const least = Math.max(0, inner - slack) ** 2;

  const walk = (visit: Visit, progress: Progress = IN_SILENCE) => {
    for (let row = 0; row < pixels.height; row++) {
      if (row % 64 === 0) progress(row / pixels.height);
      const down = (row + 0.5) / perMmY - box.apexY;
      const along = sector.wideTop ? -down : down;
      for (let column = 0, at = row * pixels.width; column < pixels.width; column++, at++) {
        const beside = (column + 0.5) / perMmX - box.apexX;
        const square = beside * beside + along * along;
        if (square > most || square < least) continue;
        const radius = Math.sqrt(square);
        const angle = Math.atan2(beside, along);
        const past = Math.max(radius - outer, inner - radius, (Math.abs(angle) - halfSweep) * radius);
        const edge = past <= -slack ? 1 : 0.5 - past * perMm;
        if (edge <= 0) continue;
        const x = ((angle + start) * mid + bleed) * grid.perMmX;
        const y = (sector.wideTop ? outer - radius : radius - inner) * perMmY;
        visit(at, inside(x, grid.width), inside(y, grid.height), edge);
      }
    }
  };
  return { grid, walk };
}

/** At least half a pixel inside the grid: what ends on the bleed edge covers the edge's own pixels whole. */
function inside(value: number, length: number): number {
  return value < 0.5 ? 0.5 : value > length - 0.5 ? length - 0.5 : value;
}
