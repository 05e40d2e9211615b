import { isRectangle, nearestSide, signedDistance, spansAt, SIDES, type Side } from '../../blank/shape';
import { extentOf, type Extent } from '../../fit/geometry';
import { areaOf } from '../../fit/area';
import { isMotifKind, type Piece } from '../../fit/schema';
import { parsePath } from '../../geometry/parse-path';
import { maskAt } from '../../raster/cover';
import { partsMarked } from '../../raster/parts';
import { renderFace } from '../../render/face';
import { coverOn, flatGround } from '../../render/ground';
import { bleedPath } from '../../render/layers';
import { pixelCentre } from '../../render/transform';
import type { CheckContext } from '../context';
import { CHECK_LIMITS } from '../../limits';
import { alphaOf, columnsIn, withinOutline, worstSide, type AlphaAt, type BySide } from './grid';

export interface BleedMeasure {
  /** Share of the ring between trim and bleed edge that is covered, 0 to 1; 1 where there is no ring. */
  share: number;
  /** Deepest gap of each side in mm, from the bleed edge inward, past the trim where need be. */
  gaps: BySide;
  /** Every place in the ring that is bare, the largest first. */
  places: Extent[];
  /** Whether the largest of them lies within the ring, with something between it and the bleed edge. */
  within: boolean;
}

type Covers = (column: number, row: number) => boolean;

/**
 * Measures how far the grounds reach, pixel by pixel on the context's grid. A gap is followed inward from the
 * bleed edge along each pixel row and column until something covers; a line that nothing covers belongs to the
 * sides it runs along, and a gap's pixel to the side it is nearest to. What else of the ring is bare (a hole, a gap
 * between two grounds) is as deep as it is narrow.
 */
export function measureBleed(context: CheckContext, grounds: readonly Piece[]): BleedMeasure {
  const { width, height, bleed } = context.face;
  const alphaAt = context.face.cut?.spread ? alphaPrinted(context) : alphaOf(context, grounds);
  const covers: Covers = (column, row) => alphaAt(column, row) >= CHECK_LIMITS.covers;
  const reach = reachOf(context, grounds);
  const found = new Map(SIDES.map((side) => [side, gapAlong(context, side, reach, alphaAt)]));
  if (![...found.values()].some(({ reached }) => reached)) {
    const whole = Math.min(width, height) / 2 + bleed;
    const places = [{ left: 0, top: 0, right: width, bottom: height }];
    return {
      share: 0,
      gaps: { top: whole, right: whole, bottom: whole, left: whole },
      places,
      within: false,
    };
  }
  const gap = (side: Side) => found.get(side)!.gap;
  const gaps = { top: gap('top'), right: gap('right'), bottom: gap('bottom'), left: gap('left') };
  const strips = SIDES.filter((side) => gaps[side] > 0)
    .sort((a, b) => gaps[b] - gaps[a])
    .map((side) => stripAlong(context, side, found.get(side)!.start, found.get(side)!.end, gaps[side]));
  const ring = ringOf(context, covers);
  const holes = ring.bare ? holesIn(context, ring.bare, alphaAt, covers) : [];
  const deepest = gaps[worstSide(gaps)];
  for (const { side, size } of holes) gaps[side] = Math.max(gaps[side], size);
  const within = (holes[0]?.size ?? 0) > deepest;
  const places = holes.map(({ place }) => place);
  return {
    share: ring.share,
    gaps,
    places: within ? [...places, ...strips] : [...strips, ...places],
    within,
  };
}

interface Hole {
  side: Side;
  /** mm that it is narrow. */
  size: number;
  place: Extent;
}

/** Bare parts of the ring that no gap at the bleed edge accounts for, the largest first; marks those that one does. */
function holesIn(context: CheckContext, bare: Uint8Array, alphaAt: AlphaAt, covers: Covers): Hole[] {
  const { grid, face } = context;
  for (const side of SIDES) {
    const line = linesFrom(context, side);
    for (let index = 0; index < line.count; index++) {
      let step = line.firstInside(index);
      const first = step;
      while (step < line.depth && !covers(line.column(index, step), line.row(index, step))) step++;
      if (step < line.depth)
        for (let back = first; back < step; back++) {
          const at = line.row(index, back) * grid.width + line.column(index, back);
          if (bare[at] === BARE) bare[at] = KNOWN;
        }
    }
  }
  const halfPixel = 0.5 / Math.min(grid.perMmX, grid.perMmY);
  return partsMarked(bare, BARE, grid.width)
    .map((part): Hole => {
      const place = {
        left: part.left / grid.perMmX - face.bleed,
        right: part.right / grid.perMmX - face.bleed,
        top: part.top / grid.perMmY - face.bleed,
        bottom: part.bottom / grid.perMmY - face.bleed,
      };
      let open = 0;
      let beside = false;
      for (let row = part.top; row < part.bottom; row++)
        for (let column = part.left; column < part.right; column++) {
          const at = row * grid.width + column;
          if (bare[at] !== BARE) continue;
          open += 1 - Math.min(255, alphaAt(column, row)) / 255;
          beside ||= [at - 1, at + 1, at - grid.width, at + grid.width].some((next) => bare[next] === KNOWN);
        }
      const long = Math.max(place.right - place.left, place.bottom - place.top);
      const side = nearestSide(face, (place.left + place.right) / 2, (place.top + place.bottom) / 2);
      // The corner where two sides fall short is told of with them.
      return { side, size: beside ? 0 : open / grid.perMmX / grid.perMmY / long, place };
    })
    .filter(({ size }) => size > halfPixel)
    .sort((a, b) => b.size - a.size);
}

/** Alpha as it is printed, edge colours drawn out past the cut line and all. */
function alphaPrinted({ face, pieces, facts, pixels, grid }: CheckContext): AlphaAt {
  const { width, height, data } = renderFace(face, pieces, { facts, pixels }, { pixels: grid });
  const bleed = coverOn(flatGround(grid), parsePath(bleedPath(face)) ?? []);
  return (column, row) => {
    if (column < 0 || row < 0 || column >= width || row >= height) return 0;
    // A pixel that the bleed edge goes through is covered as far as it lies within.
    return data[(row * width + column) * 4 + 3]! + 255 - maskAt(bleed, column, row);
  };
}

/** The extent in mm that the grounds can reach. */
function reachOf({ face }: CheckContext, grounds: readonly Piece[]): Extent {
  if (face.cut?.spread) {
    const { width, height, bleed } = face;
    return { left: -bleed, top: -bleed, right: width + bleed, bottom: height + bleed };
  }
  const extents = grounds.map((piece) => (isMotifKind(piece) ? extentOf(piece) : areaOf(piece, face)));
  return {
    left: Math.min(...extents.map(({ left }) => left)),
    top: Math.min(...extents.map(({ top }) => top)),
    right: Math.max(...extents.map(({ right }) => right)),
    bottom: Math.max(...extents.map(({ bottom }) => bottom)),
  };
}

interface Gap {
  /** Deepest gap in mm. */
  gap: number;
  /** Where along the side gaps begin and end, in mm. */
  start: number;
  end: number;
  /** Whether anything covers any of the side's lines. */
  reached: boolean;
}

function gapAlong(context: CheckContext, side: Side, reach: Extent, alphaAt: AlphaAt): Gap {
  const line = linesFrom(context, side);
  const so: Gap = { gap: 0, start: Infinity, end: -Infinity, reached: false };
  let covered = 0;
  for (let index = 0; index < line.count; index++) {
    if (index % 256 === 0) context.progress(index / line.count);
    const first = line.firstInside(index);
    // Nothing is drawn outside the grounds' reach: such pixels need not be asked.
    const { from, to } = line.within(index, reach);
    if (first >= line.depth || from >= to) continue;
    const [column, row] = [line.column(index, 0), line.row(index, 0)];
    const [across, down] = line.inward;
    const alphaOn = (step: number) => alphaAt(column + step * across, row + step * down);
    const isCovered = (step: number) => step >= from && step < to && alphaOn(step) >= CHECK_LIMITS.covers;
    let step = first;
    if (!isCovered(first)) {
      // A line that is covered where the deepest gap so far ends cannot hold a deeper one.
      const beyond = first + Math.floor(so.gap * line.perMm + 1e-6);
      const shallow = beyond > first && beyond < line.depth && isCovered(beyond);
      if (!shallow) {
        step = Math.max(first, from);
        const own = line.ownSteps(index);
        // Past what is this side's own, all that counts is whether anything covers the line: often where it did the last.
        while (step < to && !isCovered(step)) {
          step++;
          if (step === own && covered > step && isCovered(covered)) step = covered;
        }
        if (step >= to) continue;
        covered = step;
        // The ground's edge runs through the last pixel that it does not cover.
        const last = Math.min(step, own) - 1;
        const part = last >= from ? Math.min(255, alphaOn(last)) / 255 / line.perMm : 0;
        so.gap = Math.max(so.gap, line.gapDepth(index, step) - part);
      }
      so.start = Math.min(so.start, line.along(index));
      so.end = Math.max(so.end, line.along(index));
    }
    so.reached = true;
  }
  // Half a pixel short is in place.
  return so.gap * line.perMm <= 0.5 ? { ...so, gap: 0 } : so;
}

/** The pixel lines that run inward from a side of the bleed edge, one for each pixel along it. */
function linesFrom(context: CheckContext, side: Side) {
  const { grid, face } = context;
  const inside = face.outline ? withinOutline(context, face.bleed) : null;
  const flat = side === 'top' || side === 'bottom';
  const near = side === 'top' || side === 'left';
  const depth = flat ? grid.height : grid.width;
  const inward = (step: number) => (near ? step : depth - 1 - step);
  const column = (index: number, step: number) => (flat ? index : inward(step));
  const row = (index: number, step: number) => (flat ? inward(step) : index);
  const distance = (index: number, step: number) => {
    const { x, y } = pixelCentre(grid, column(index, step), row(index, step));
    return signedDistance(face, face.bleed, x, y);
  };
  const perMm = flat ? grid.perMmY : grid.perMmX;
  const perMmAlong = flat ? grid.perMmX : grid.perMmY;
  const length = (flat ? face.width : face.height) + 2 * face.bleed;
  /** How many steps of a line lie nearer to this side than to another. */
  const ownSteps = (index: number) => {
    const at = (index + 0.5) / perMmAlong;
    return Math.max(1, Math.ceil(Math.min(at, length - at, depth / perMm / 2) * perMm));
  };
  return {
    count: flat ? grid.width : grid.height,
    depth,
    /** From one step of a line to the next, in columns and rows. */
    inward: flat ? ([0, near ? 1 : -1] as const) : ([near ? 1 : -1, 0] as const),
    perMm,
    column,
    row,
    /** The steps of a line that can lie within an extent in mm; none where the line passes it by. */
    within: (index: number, reach: Extent) => {
      const along = (index + 0.5) / perMmAlong - face.bleed;
      const [start, end] = flat ? [reach.left, reach.right] : [reach.top, reach.bottom];
      if (along < start - 1 / perMmAlong || along > end + 1 / perMmAlong) return { from: 0, to: 0 };
      const [low, high] = flat ? [reach.top, reach.bottom] : [reach.left, reach.right];
      const far = flat ? face.height : face.width;
      const [from, to] = near ? [low, high] : [far - high, far - low];
      const step = (mm: number) => (mm + face.bleed) * perMm;
      return { from: Math.max(0, Math.floor(step(from)) - 1), to: Math.min(depth, Math.ceil(step(to)) + 1) };
    },
    /** mm along the side, from the trim's corner. */
    along: (index: number) => (index + 0.5) / perMmAlong - face.bleed,
    /** The first step that lies within the bleed edge. */
    firstInside: (index: number) => {
      let step = 0;
      if (inside) while (step < depth && !inside(column(index, step), row(index, step))) step++;
      else if (!isRectangle(face)) while (step < depth && distance(index, step) > 0) step++;
      return step;
    },
    /** How deep in mm a gap of this many steps is, counting only what lies nearer to this side than to another. */
    gapDepth: (index: number, steps: number) =>
      Math.max(0, 0.5 / perMm - distance(index, Math.min(steps, ownSteps(index)) - 1)),
    ownSteps,
  };
}

/** The strip of a side's allowance between two places along it, as deep as its gap. */
function stripAlong({ face }: CheckContext, side: Side, start: number, end: number, depth: number): Extent {
  const { width, height, bleed } = face;
  switch (side) {
    case 'top':
      return { left: start, right: end, top: -bleed, bottom: depth - bleed };
    case 'bottom':
      return { left: start, right: end, top: height + bleed - depth, bottom: height + bleed };
    case 'left':
      return { top: start, bottom: end, left: -bleed, right: depth - bleed };
    case 'right':
      return { top: start, bottom: end, left: width + bleed - depth, right: width + bleed };
  }
}

/** Marks of the ring's pixels. */
const [BARE, KNOWN] = [1, 2];

/** Share of the ring between trim and bleed edge that is covered, and where it is not; null where all of it is. */
function ringOf(context: CheckContext, covers: Covers): { share: number; bare: Uint8Array | null } {
  const { grid, face } = context;
  let ring = 0;
  let covered = 0;
  let bare: Uint8Array | null = null;
  for (let row = 0; row < grid.height; row++) {
    const { y } = pixelCentre(grid, 0, row);
    const inner = spansAt(face, 0, y).map((span) => columnsIn(context, span));
    for (const span of spansAt(face, face.bleed, y)) {
      const outer = columnsIn(context, span);
      for (let column = Math.max(0, outer.from); column < Math.min(grid.width, outer.to); column++) {
        const within = inner.find(({ from, to }) => column >= from && column < to);
        if (within) {
          column = within.to - 1;
          continue;
        }
        ring++;
        if (covers(column, row)) covered++;
        else (bare ??= new Uint8Array(grid.width * grid.height))[row * grid.width + column] = BARE;
      }
    }
  }
  return { share: ring === 0 ? 1 : covered / ring, bare };
}
