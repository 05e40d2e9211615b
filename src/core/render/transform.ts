import type { PrintFace } from '../blank/resolve';
import type { Box } from '../fit/geometry';
import type { PlacedPiece } from '../fit/schema';
import { combined, type Matrix } from '../geometry/matrix';

/**
 * The pixel grid a face is drawn on: `width` x `height` pixels laid exactly over trim plus bleed, so that its
 * outermost pixels end on the bleed edge whatever the rounding.
 */
export interface Grid {
  width: number;
  height: number;
  /** Pixels a mm, across and down. */
  perMmX: number;
  perMmY: number;
  /** mm from the grid's left and top edge to the trim. */
  bleed: number;
}

export function gridOver(face: PrintFace, pixels: { width: number; height: number }): Grid {
  return {
    ...pixels,
    perMmX: pixels.width / (face.width + 2 * face.bleed),
    perMmY: pixels.height / (face.height + 2 * face.bleed),
    bleed: face.bleed,
  };
}

/** Centre of a grid pixel in mm from the trim's top left. */
export function pixelCentre(grid: Grid, column: number, row: number): { x: number; y: number } {
  return { x: (column + 0.5) / grid.perMmX - grid.bleed, y: (row + 0.5) / grid.perMmY - grid.bleed };
}

/** Affine map: (x, y) -> (a x + c y + e, b x + d y + f). */
export interface Affine {
  a: number;
  b: number;
  c: number;
  d: number;
  e: number;
  f: number;
}

/** From grid coordinates in pixels to coordinates in the artwork, where 0 to 1 spans its width and height. */
export function gridToArtwork(grid: Grid, piece: PlacedPiece): Affine {
  const box = gridToBox(grid, piece);
  const flip = piece.flipped ? -1 : 1;
  return { ...box, a: flip * box.a, c: flip * box.c, e: flip * box.e + 0.5, f: box.f + 0.5 };
}

/** From shares of a placed artwork, 0 to 1 across and down, to mm of the face. */
export function shareMatrix({ x, y, width, height, rotation, flipped }: PlacedPiece): Matrix {
  const [cos, sin] = [Math.cos(rotation), Math.sin(rotation)];
  const across = flipped ? -width : width;
  return combined([cos, sin, -sin, cos, x, y], [across, 0, 0, height, -across / 2, -height / 2]);
}

/** From grid coordinates in pixels to shares of a turned box, 0 in its middle. */
export function gridToBox(grid: Grid, box: Box): Affine {
  const cos = Math.cos(box.rotation);
  const sin = Math.sin(box.rotation);
  const originX = -grid.bleed - box.x;
  const originY = -grid.bleed - box.y;
  return {
    a: cos / (grid.perMmX * box.width),
    c: sin / (grid.perMmY * box.width),
    b: -sin / (grid.perMmX * box.height),
    d: cos / (grid.perMmY * box.height),
    e: (cos * originX + sin * originY) / box.width,
    f: (-sin * originX + cos * originY) / box.height,
  };
}
