import { halfWidthAt, nearestSide, signedDistance, SIDES, type Side } from '../blank/shape';
import type { Extent } from '../fit/geometry';
import { corners, extentOf, opaqueBox } from '../fit/geometry';
import type { ArtworkPiece, Piece } from '../fit/schema';
import { PRESENT } from '../raster/bounds';
import { sampleAlpha, sampler } from '../render/sampler';
import { pixelCentre } from '../render/transform';
import type { CheckContext } from './context';
import { CHECK_LIMITS } from './limits';

type BySide = Record<Side, number>;
const none = (): BySide => ({ top: 0, right: 0, bottom: 0, left: 0 });

/** The side with the largest value. */
export function worstSide(values: BySide): Side {
  return SIDES.reduce((best, side) => (values[side] > values[best] ? side : best));
}

/** Alpha, 0 to 255, of several pieces over one another at a grid pixel; reads no colour. */
export function alphaOf(
  context: CheckContext,
  pieces: readonly Piece[],
): (column: number, row: number) => number {
  const layers = pieces.map((piece) => {
    if (piece.kind === 'fill') return () => 255;
    const ready = sampler(context.grid, piece, context.pixels(piece.artworkId), context.progress);
    return (column: number, row: number) => sampleAlpha(ready, column, row);
  });
  return (column, row) => {
    let clear = 1;
    for (const layer of layers) {
      clear *= 1 - layer(column, row) / 255;
      if (clear < 1e-4) return 255;
    }
    return 255 * (1 - clear);
  };
}

export interface BleedMeasure {
  /** Share of the ring between trim and bleed edge that is covered, 0 to 1; 1 where there is no ring. */
  share: number;
  /** Deepest gap of each side in mm, from the bleed edge inward, past the trim where need be. */
  gaps: BySide;
  /** Where the deepest gap is. */
  place: Extent | null;
}

/**
 * Measures how far the grounds reach, pixel by pixel on the context's grid. A gap is followed inward from the
 * bleed edge along each pixel row and column until something covers; a line that nothing covers belongs to the
 * sides it runs along, and a gap's pixel to the side it is nearest to.
 */
export function measureBleed(context: CheckContext, grounds: readonly Piece[]): BleedMeasure {
  const { grid, face } = context;
  const alphaAt = alphaOf(context, grounds);
  const covers = (column: number, row: number) => alphaAt(column, row) >= CHECK_LIMITS.covers;
  const gaps = none();
  const places = new Map<Side, Extent>();
  let reached = false;

  for (const side of SIDES) {
    const flat = side === 'top' || side === 'bottom';
    const lines = flat ? grid.width : grid.height;
    const depth = flat ? grid.height : grid.width;
    const halfPixel = 0.5 / (flat ? grid.perMmY : grid.perMmX);
    for (let line = 0; line < lines; line++) {
      if (line % 256 === 0) context.progress(line / lines);
      let deepest = 0;
      let covered = false;
      for (let step = 0; step < depth && !covered; step++) {
        const inward = side === 'top' || side === 'left' ? step : depth - 1 - step;
        const column = flat ? line : inward;
        const row = flat ? inward : line;
        const at = pixelCentre(grid, column, row);
        const distance = signedDistance(face, face.bleed, at.x, at.y);
        if (distance > 0) continue;
        covered = covers(column, row);
        if (!covered && nearestSide(face, at.x, at.y) === side) deepest = halfPixel - distance;
      }
      if (!covered) continue;
      reached = true;
      if (deepest === 0) continue;
      gaps[side] = Math.max(gaps[side], deepest);
      const at = pixelCentre(grid, flat ? line : 0, flat ? 0 : line);
      const place = places.get(side);
      places.set(side, alongSide(context, side, flat ? at.x : at.y, gaps[side], place));
    }
  }
  if (!reached) {
    const whole = Math.min(face.width, face.height) / 2 + face.bleed;
    const { width, height } = face;
    return {
      share: 0,
      gaps: { top: whole, right: whole, bottom: whole, left: whole },
      place: { left: 0, top: 0, right: width, bottom: height },
    };
  }
  return { share: ringShare(context, covers), gaps, place: places.get(worstSide(gaps)) ?? null };
}

function alongSide(context: CheckContext, side: Side, at: number, depth: number, so?: Extent): Extent {
  const { width, height, bleed } = context.face;
  const from = { left: -bleed, top: -bleed, right: width + bleed, bottom: height + bleed };
  if (side === 'top' || side === 'bottom') {
    const left = Math.min(at, so?.left ?? at);
    const right = Math.max(at, so?.right ?? at);
    return side === 'top'
      ? { left, right, top: from.top, bottom: from.top + depth }
      : { left, right, top: from.bottom - depth, bottom: from.bottom };
  }
  const top = Math.min(at, so?.top ?? at);
  const bottom = Math.max(at, so?.bottom ?? at);
  return side === 'left'
    ? { top, bottom, left: from.left, right: from.left + depth }
    : { top, bottom, left: from.right - depth, right: from.right };
}

function ringShare(context: CheckContext, covers: (column: number, row: number) => boolean): number {
  const { grid, face } = context;
  let ring = 0;
  let covered = 0;
  const count = (from: number, to: number, row: number) => {
    for (let column = Math.max(0, from); column < Math.min(grid.width, to); column++) {
      ring++;
      if (covers(column, row)) covered++;
    }
  };
  for (let row = 0; row < grid.height; row++) {
    const { y } = pixelCentre(grid, 0, row);
    const outer = columns(context, halfWidthAt(face, face.bleed, y));
    const inner = columns(context, halfWidthAt(face, 0, y));
    if (inner.from >= inner.to) count(outer.from, outer.to, row);
    else {
      count(outer.from, inner.from, row);
      count(inner.to, outer.to, row);
    }
  }
  return ring === 0 ? 1 : covered / ring;
}

/** Columns whose pixel centres lie within `half` mm of the face's middle, `to` exclusive. */
function columns({ grid, face }: CheckContext, half: number): { from: number; to: number } {
  const middle = face.width / 2 + face.bleed;
  return {
    from: Math.ceil((middle - half) * grid.perMmX - 0.5),
    to: Math.floor((middle + half) * grid.perMmX - 0.5) + 1,
  };
}

export interface SafeMeasure {
  /** mm past the safe edge at each side, and past the trim; 0 where nothing is. */
  pastSafe: BySide;
  pastTrim: number;
  /** Share of the motif's own pixels (alpha > 8) that lie outside. */
  share: number;
  /** Least distance in mm from the opaque bounds to the safe edge, where nothing is past it. */
  clearance: number;
  place: Extent | null;
}

/** Measures a motif's pixels with alpha > 8 outside the safe area, also those past the bleed. */
export function measureSafe(context: CheckContext, piece: ArtworkPiece): SafeMeasure {
  const { grid, face } = context;
  const facts = context.facts(piece.artworkId);
  const box = opaqueBox(piece, facts);
  const reach = Math.max(...corners(box).map(({ x, y }) => signedDistance(face, -face.safe, x, y)));
  const measure: SafeMeasure = {
    pastSafe: none(),
    pastTrim: 0,
    share: 0,
    clearance: Math.max(0, -reach),
    place: null,
  };
  if (reach <= 0) return measure;

  const ready = sampler(grid, piece, context.pixels(piece.artworkId), context.progress);
  const extent = extentOf(box);
  const halfPixel = 0.5 / Math.min(grid.perMmX, grid.perMmY) + 1e-6;
  const left = Math.floor((extent.left + grid.bleed) * grid.perMmX) - 1;
  const right = Math.ceil((extent.right + grid.bleed) * grid.perMmX) + 1;
  const top = Math.floor((extent.top + grid.bleed) * grid.perMmY) - 1;
  const bottom = Math.ceil((extent.bottom + grid.bleed) * grid.perMmY) + 1;
  let outside = 0;
  const look = (from: number, to: number, row: number) => {
    for (let column = from; column < to; column++) {
      if (sampleAlpha(ready, column, row) <= PRESENT) continue;
      const { x, y } = pixelCentre(grid, column, row);
      const past = signedDistance(face, -face.safe, x, y);
      if (past <= halfPixel) continue;
      outside++;
      const side = nearestSide(face, x, y);
      measure.pastSafe[side] = Math.max(measure.pastSafe[side], past + halfPixel);
      const pastTrim = signedDistance(face, 0, x, y);
      if (pastTrim > halfPixel) measure.pastTrim = Math.max(measure.pastTrim, pastTrim + halfPixel);
      measure.place = grow(measure.place, x, y);
    }
  };
  for (let row = top; row < bottom; row++) {
    if (row % 64 === 0) context.progress((row - top) / (bottom - top));
    const safe = columns(context, halfWidthAt(face, -face.safe, pixelCentre(grid, 0, row).y));
    if (safe.from >= safe.to) look(left, right, row);
    else {
      look(left, Math.min(safe.from, right), row);
      look(Math.max(safe.to, left), right, row);
    }
  }
  const own = facts.alpha.share * piece.width * grid.perMmX * piece.height * grid.perMmY;
  measure.share = own > 0 ? Math.min(1, outside / own) : 0;
  return measure;
}

function grow(place: Extent | null, x: number, y: number): Extent {
  if (!place) return { left: x, top: y, right: x, bottom: y };
  place.left = Math.min(place.left, x);
  place.top = Math.min(place.top, y);
  place.right = Math.max(place.right, x);
  place.bottom = Math.max(place.bottom, y);
  return place;
}
