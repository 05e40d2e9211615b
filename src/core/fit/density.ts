import { stretchAt } from '../blank/bodies/sector';
import type { PrintFace } from '../blank/resolve';
import { MM_PER_INCH } from '../length/units';
import type { PixelSize } from '../artwork/facts';
import { extentOf, type Box } from './geometry';

/**
 * Placed PPI along a piece's own axes: pixels along an axis / placed inches along that axis, and the smaller of the
 * two. A turn does not change it. On an arc it is the worst of the piece's: where the print is stretched the most.
 */
export function placedPpi(
  pixels: PixelSize,
  piece: Box,
  face?: Pick<PrintFace, 'bend' | 'height'>,
): {
  x: number;
  y: number;
  least: number;
  /** By how many pixels the worse axis falls short of a PPI. */
  short: (ppi: number) => number;
} {
  const wider = 1 + (face ? largestStretch(piece, face) : 0);
  const cos = Math.cos(piece.rotation);
  const sin = Math.sin(piece.rotation);
  const across = (piece.width * Math.hypot(cos * wider, sin)) / MM_PER_INCH;
  const down = (piece.height * Math.hypot(sin * wider, cos)) / MM_PER_INCH;
  const [x, y] = [pixels.width / across, pixels.height / down];
  const short = (ppi: number) => Math.max(ppi * across - pixels.width, ppi * down - pixels.height);
  return { x, y, least: Math.min(x, y), short };
}

/** The most that any of a piece is widened by bending, as a share; 0 where nothing is bent or it is only narrowed. */
function largestStretch(piece: Box, { bend, height }: Pick<PrintFace, 'bend' | 'height'>): number {
  if (!bend) return 0;
  const { top, bottom } = extentOf(piece);
  const within = (y: number) => Math.min(height, Math.max(0, y));
  return Math.max(0, stretchAt(bend, within(top)), stretchAt(bend, within(bottom)));
}

/** Largest size in mm that keeps a picture at a PPI: pixels / target. */
export function honestSize(pixels: PixelSize, ppi: number): PixelSize {
  return { width: (pixels.width / ppi) * MM_PER_INCH, height: (pixels.height / ppi) * MM_PER_INCH };
}
