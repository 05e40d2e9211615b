import { nearestSide, signedDistance, SIDES, type Side } from '../../blank/shape';
import { corners, extentOf, factsFor, opaqueBox, type Extent } from '../../fit/geometry';
import type { PlacedPiece } from '../../fit/schema';
import { PRESENT } from '../../raster/bounds';
import { pixelCentre } from '../../render/transform';
import type { CheckContext } from '../context';
import { alphaAt, withinOutline, worstSide, type AlphaAt, type BySide } from './grid';

export interface SafeMeasure {
  /** mm past the safe edge at each side, and past the trim; 0 where nothing is. */
  pastSafe: BySide;
  pastTrim: number;
  /** Share of the motif's own pixels (alpha > 8) that lie outside, from at most 60,000 of them. */
  share: number;
  /** Least distance in mm from the motif's pixels to the safe edge, where nothing is past it. */
  clearance: number;
  place: Extent | null;
}

const SHARE_SAMPLES = 60_000;

/** Columns and rows of the grid that a piece can touch; they may lie outside the grid, past the bleed. */
interface Span {
  left: number;
  right: number;
  top: number;
  bottom: number;
}

/**
 * Measures a motif's pixels with alpha > 8 outside the safe area, also those past the bleed. On each side every pixel
 * line is followed inward to its first pixel that is there: no other of that line lies further out.
 */
export function measureSafe(context: CheckContext, piece: PlacedPiece): SafeMeasure {
  const { grid, face } = context;
  const box = opaqueBox(piece, factsFor(piece, context.facts));
  const reach = Math.max(...corners(box).map(({ x, y }) => signedDistance(face, -face.safe, x, y)));
  const measure: SafeMeasure = {
    pastSafe: { top: 0, right: 0, bottom: 0, left: 0 },
    pastTrim: 0,
    share: 0,
    clearance: Math.max(0, -reach),
    place: null,
  };
  if (reach <= 0) return measure;

  const ready = alphaAt(context, piece);
  const extent = extentOf(box);
  const span: Span = {
    left: Math.floor((extent.left + grid.bleed) * grid.perMmX) - 1,
    right: Math.ceil((extent.right + grid.bleed) * grid.perMmX) + 1,
    top: Math.floor((extent.top + grid.bleed) * grid.perMmY) - 1,
    bottom: Math.ceil((extent.bottom + grid.bleed) * grid.perMmY) + 1,
  };
  if (face.outline) return measureWithin(context, ready, span);
  const places = new Map<Side, Extent>();
  for (const side of SIDES) places.set(side, followSide(context, ready, span, side, measure));
  const side = worstSide(measure.pastSafe);
  if (measure.pastSafe[side] === 0) return { ...measure, clearance: clearanceOf(context, ready, span) };
  return { ...measure, share: shareOutside(context, ready, span), place: places.get(side)! };
}

/** The same within an outline of any form: each pixel that lies past the safe edge by its own distance from it. */
function measureWithin(context: CheckContext, ready: AlphaAt, span: Span): SafeMeasure {
  const { grid, face } = context;
  const isSafe = withinOutline(context, -face.safe);
  const halfPixel = 0.5 / Math.min(grid.perMmX, grid.perMmY) + 1e-6;
  const measure: SafeMeasure = {
    pastSafe: { top: 0, right: 0, bottom: 0, left: 0 },
    pastTrim: 0,
    share: 0,
    clearance: Infinity,
    place: null,
  };
  const place: Extent = { left: Infinity, top: Infinity, right: -Infinity, bottom: -Infinity };
  let [there, outside] = [0, 0];
  for (let row = span.top; row < span.bottom; row++) {
    if (row % 64 === 0) context.progress((row - span.top) / (span.bottom - span.top));
    let before = false;
    for (let column = span.left; column < span.right; column++) {
      const alpha = ready(column, row);
      const present = alpha > PRESENT;
      const edge = present !== before;
      before = present;
      if (!present) continue;
      there++;
      const safe = isSafe(column, row);
      if (safe && !edge) continue;
      const { x, y } = pixelCentre(grid, column, row);
      const past = signedDistance(face, -face.safe, x, y);
      measure.clearance = Math.min(measure.clearance, -past);
      const edgePast = edgeIn(past, alpha, halfPixel);
      if (edgePast <= halfPixel) continue;
      outside++;
      const side = nearestSide(face, x, y);
      measure.pastSafe[side] = Math.max(measure.pastSafe[side], edgePast);
      const pastTrim = edgePast - face.safe;
      if (pastTrim > halfPixel) measure.pastTrim = Math.max(measure.pastTrim, pastTrim);
      place.left = Math.min(place.left, x);
      place.right = Math.max(place.right, x);
      place.top = Math.min(place.top, y);
      place.bottom = Math.max(place.bottom, y);
    }
  }
  return {
    ...measure,
    share: there === 0 ? 0 : outside / there,
    clearance: Math.max(0, Math.min(1e3, measure.clearance)),
    place: outside > 0 ? place : null,
  };
}

/**
 * Where the edge of what is drawn runs through a pixel, in mm past a line that its centre is `past`: the pixel is
 * covered from within. An edge that is past by no more than half a pixel touches the line and does not cross it.
 */
function edgeIn(past: number, alpha: number, halfPixel: number): number {
  return past - halfPixel + (Math.min(255, alpha) / 255) * 2 * halfPixel;
}

/** Follows a side's lines inward, notes in `measure` how far the motif is past, and gives back where. */
function followSide(
  context: CheckContext,
  ready: AlphaAt,
  span: Span,
  side: Side,
  measure: SafeMeasure,
): Extent {
  const { grid, face } = context;
  const halfPixel = 0.5 / Math.min(grid.perMmX, grid.perMmY) + 1e-6;
  const rows = side === 'left' || side === 'right';
  const near = side === 'left' || side === 'top';
  const [firstLine, lastLine] = rows ? [span.top, span.bottom] : [span.left, span.right];
  const [low, high] = rows ? [span.left, span.right] : [span.top, span.bottom];
  const place: Extent = { left: Infinity, top: Infinity, right: -Infinity, bottom: -Infinity };
  for (let line = firstLine; line < lastLine; line++) {
    if (line % 256 === 0) context.progress((line - firstLine) / (lastLine - firstLine));
    for (let step = 0; step < high - low; step++) {
      const inward = near ? low + step : high - 1 - step;
      const [column, row] = rows ? [inward, line] : [line, inward];
      const { x, y } = pixelCentre(grid, column, row);
      const past = signedDistance(face, -face.safe, x, y);
      if (past <= -halfPixel) {
        if (nearestSide(face, x, y) === side || past <= 0) break;
        continue;
      }
      const alpha = ready(column, row);
      if (alpha <= PRESENT) continue;
      if (nearestSide(face, x, y) !== side) break;
      const edgePast = edgeIn(past, alpha, halfPixel);
      if (edgePast <= halfPixel) break;
      measure.pastSafe[side] = Math.max(measure.pastSafe[side], edgePast);
      const pastTrim = edgeIn(signedDistance(face, 0, x, y), alpha, halfPixel);
      if (pastTrim > halfPixel) measure.pastTrim = Math.max(measure.pastTrim, pastTrim);
      const edge = { x: rows ? x + (near ? past : -past) : x, y: rows ? y : y + (near ? past : -past) };
      place.left = Math.min(place.left, x, edge.x);
      place.right = Math.max(place.right, x, edge.x);
      place.top = Math.min(place.top, y, edge.y);
      place.bottom = Math.max(place.bottom, y, edge.y);
      break;
    }
  }
  return place;
}

/**
 * Least distance in mm from a motif's pixels to the safe edge, where none is past it. The distance to a convex
 * edge is least at an end of a row, so that only each row's first and last pixel count.
 */
function clearanceOf(
  { grid, face }: CheckContext,
  ready: AlphaAt,
  { left, top, right, bottom }: Span,
): number {
  const isThere = (column: number, row: number) => ready(column, row) > PRESENT;
  let nearest = -Infinity;
  for (let row = top; row < bottom; row++) {
    let first = left;
    while (first < right && !isThere(first, row)) first++;
    let last = right - 1;
    while (last > first && !isThere(last, row)) last--;
    if (first === right) continue;
    for (const column of [first, last]) {
      const { x, y } = pixelCentre(grid, column, row);
      nearest = Math.max(nearest, signedDistance(face, -face.safe, x, y));
    }
  }
  return Math.max(0, -nearest);
}

function shareOutside(
  { grid, face }: CheckContext,
  ready: AlphaAt,
  { left, top, right, bottom }: Span,
): number {
  const step = Math.max(1, Math.ceil(Math.sqrt(((right - left) * (bottom - top)) / SHARE_SAMPLES)));
  let there = 0;
  let outside = 0;
  for (let row = top; row < bottom; row += step) {
    for (let column = left; column < right; column += step) {
      if (ready(column, row) <= PRESENT) continue;
      there++;
      const { x, y } = pixelCentre(grid, column, row);
      if (signedDistance(face, -face.safe, x, y) > 0) outside++;
    }
  }
  return there === 0 ? 0 : outside / there;
}
