import type { PrintFace } from '../blank/resolve';
import type { ArtworkPiece } from '../fit/schema';

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
export function gridToArtwork(grid: Grid, piece: ArtworkPiece): Affine {
  const cos = Math.cos(piece.rotation);
  const sin = Math.sin(piece.rotation);
  const flip = piece.flipped ? -1 : 1;
  const a = (flip * cos) / (grid.perMmX * piece.width);
  const c = (flip * sin) / (grid.perMmY * piece.width);
  const b = -sin / (grid.perMmX * piece.height);
  const d = cos / (grid.perMmY * piece.height);
  const originX = -grid.bleed - piece.x;
  const originY = -grid.bleed - piece.y;
  return {
    a,
    b,
    c,
    d,
    e: (flip * (cos * originX + sin * originY)) / piece.width + 0.5,
    f: (-sin * originX + cos * originY) / piece.height + 0.5,
  };
}
