import { stretchAt } from '../blank/bodies/sector';
import type { PrintFace } from '../blank/resolve';
import { MM_PER_INCH } from '../length/units';
import type { Facts, PixelSize, PlacedImage } from '../artwork/facts';
import { heldSize } from '../artwork/limits';
import { extentOf, type Box } from './geometry';

/** What a picture's or a drawing's PPI are reckoned from. */
type Shown = Pick<Facts, 'pixels' | 'physical' | 'images'>;
type Bent = Pick<PrintFace, 'bend' | 'height'>;

export interface PlacedPpi {
  x: number;
  y: number;
  least: number;
  /** By how many pixels the worse axis falls short of a PPI. */
  short: (ppi: number) => number;
}

/**
 * Placed PPI of what a piece shows: of a picture its own (of the copy that is printed, where it is too large to hold), of a
 * drawing that of the picture inside it that has the least. Null of a drawing that holds none: it is sharp at any size.
 */
export function shownPpi(facts: Shown, piece: Box, face?: Bent): PlacedPpi | null {
  const { pixels, images = [] } = facts;
  if (pixels) return placedPpi(heldSize(pixels), piece, face);
  let worst: PlacedPpi | null = null;
  for (const image of images) {
    const placed = imagePpi(facts, image, piece, face);
    if (placed && !(worst && worst.least <= placed.least)) worst = placed;
  }
  return worst;
}

/** Placed PPI of one of the pictures inside a piece's drawing; null where the drawing has no size. */
export function imagePpi(
  { physical }: Pick<Facts, 'physical'>,
  { ppi }: PlacedImage,
  piece: Box,
  face?: Bent,
): PlacedPpi | null {
  if (!physical) return null;
  // As many pixels as the whole drawing would have at the picture's density.
  const whole = {
    width: (physical.width / MM_PER_INCH) * ppi.x,
    height: (physical.height / MM_PER_INCH) * ppi.y,
  };
  return placedPpi(whole, piece, face);
}

/** Whether there are pixels enough for a PPI: half a pixel over the printed length is no shortfall. */
export function meetsPpi({ short }: Pick<PlacedPpi, 'short'>, ppi: number): boolean {
  return short(ppi) <= 0.5 + 1e-6;
}

/** The PPI as they are told on a face: its own target or floor where they meet that by half a pixel. */
export function toldPpi(placed: PlacedPpi, { target, floor }: Pick<PrintFace, 'target' | 'floor'>): number {
  const met = [target, floor].find((ppi) => meetsPpi(placed, ppi)) ?? 0;
  return wholePpi(Math.max(placed.least, met));
}

/** PPI in whole numbers, cut and not rounded up: 299.6 is not 300. */
export function wholePpi(ppi: number): number {
  return Math.floor(ppi + 0.005);
}

/**
 * Placed PPI along a piece's own axes: pixels along an axis / placed inches along that axis, and the smaller of the
 * two. A turn does not change it. On an arc it is the worst of the piece's: where the print is stretched the most.
 */
export function placedPpi(pixels: PixelSize, piece: Box, face?: Bent): PlacedPpi {
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
function largestStretch(piece: Box, { bend, height }: Bent): number {
  if (!bend) return 0;
  const { top, bottom } = extentOf(piece);
  const within = (y: number) => Math.min(height, Math.max(0, y));
  return Math.max(0, stretchAt(bend, within(top)), stretchAt(bend, within(bottom)));
}

/**
 * Largest size in mm that keeps a PPI: of a picture pixels / PPI, of a drawing that at which the picture inside it that has the
 * least still has as many. Null where it is sharp at any size.
 */
export function honestSize(facts: Shown, ppi: number): { width: number; height: number } | null {
  const { pixels, physical, images = [] } = facts;
  if (pixels) {
    const { width, height } = heldSize(pixels);
    return { width: (width / ppi) * MM_PER_INCH, height: (height / ppi) * MM_PER_INCH };
  }
  if (!physical || images.length === 0) return null;
  const least = images.reduce((low, image) => Math.min(low, image.ppi.x, image.ppi.y), Infinity);
  return { width: (physical.width * least) / ppi, height: (physical.height * least) / ppi };
}
