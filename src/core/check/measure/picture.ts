import { common, extentOf, overlap, union, type Extent } from '../../fit/geometry';
import { isMotifKind, isShowing, type Piece } from '../../fit/schema';
import { deltaE00 } from '../../colour/difference';
import { measureWhole } from '../../raster/band';
import { countColours, partsWith, wideParts, type ColourCounts } from '../../raster/colours';
import { flatColours, inkMeasure, MERGED, type Ink } from '../../raster/inks';
import { walkBoundary } from '../../raster/outline';
import type { Raster } from '../../raster/raster';
import { numberOf } from '../../raster/number';
import { PartFinder, type Part } from '../../raster/parts';
import { renderFace } from '../../render/face';
import type { CheckContext } from '../context';
import { placed, type Finding } from '../finding';

/** Shares of colours are counted on as many pixels at most: of eight million, one in a thousand is eight thousand. */
const MOST_PIXELS = 8e6;
/** Pixels of the patches that are kept, for when other pieces than theirs are moved. */
const MOST_KEPT = 24e6;

/** Pieces that touch, as they will be printed over one another on the flat, by themselves. */
interface Patch {
  raster: Raster;
  /** mm from the trim's top left to its own. */
  left: number;
  top: number;
  perMmX: number;
  perMmY: number;
}

const patches = new WeakMap<CheckContext, Patch[]>();
const kept = new Map<string, Raster>();
const counted = new WeakMap<Raster, ColourCounts>();
const edges = new WeakMap<Raster, ColourCounts>();
/** Where sets of colours are, which belong to one patch each. */
const partsOf = new WeakMap<ReadonlySet<number>, Part[]>();

/** The colours of a face, patch by patch. */
export interface Coloured {
  patches: ColourCounts[];
  /** mm2 of one pixel of each patch. */
  areas: number[];
}

/** Colours of a face's patches, each patch's as the same object for as long as they are the same, and mm2 of a pixel. */
export function coloursOf(context: CheckContext): Coloured {
  const all = patchesOf(context);
  return {
    patches: all.map(({ raster }) => once(counted, raster, () => countColours(raster, context.progress))),
    areas: all.map(({ perMmX, perMmY }) => 1 / (perMmX * perMmY)),
  };
}

/** The same along the boundary between artwork and product. */
export function boundaryOf(context: CheckContext): ColourCounts[] {
  return patchesOf(context).map(({ raster }) =>
    once(edges, raster, () => {
      const found = new Map<number, number>();
      walkBoundary(
        raster,
        (_x, _y, colour) => found.set(colour, (found.get(colour) ?? 0) + 1),
        context.progress,
      );
      const counts = Uint32Array.from(found.values());
      const total = counts.reduce((sum, count) => sum + count, 0);
      return { colours: Uint32Array.from(found.keys()), counts, total };
    }),
  );
}

/** Where in mm certain colours of each patch are, one by one, the largest first; `edge` along the boundary only. */
export function whereIs(
  context: CheckContext,
  colours: readonly ReadonlySet<number>[],
  edge = false,
): Pick<Finding, 'place' | 'places'> {
  const found = patchesOf(context).flatMap((patch, index) => {
    const own = colours[index]!;
    if (own.size === 0) return [];
    const parts = once(partsOf, own, () =>
      edge ? partsOnEdge(patch.raster, own) : partsWith(patch.raster, own),
    );
    return parts.map((part) => ({ pixels: part.pixels, extent: extentOfPart(patch, part) }));
  });
  return placed(found.sort((a, b) => b.pixels - a.pixels).map(({ extent }) => extent));
}

function extentOfPart({ left, top, perMmX, perMmY }: Patch, part: Part): Extent {
  return {
    left: left + part.left / perMmX,
    right: left + part.right / perMmX,
    top: top + part.top / perMmY,
    bottom: top + part.bottom / perMmY,
  };
}

/** Of each patch whether it is flat artwork, and no photograph. */
export function flatPatches(context: CheckContext): boolean[] {
  return patchesOf(context).map(({ raster }) => flatColours(raster) !== null);
}

/** mm2 of the areas of certain colours of each patch that are as wide as so many mm, every way, and each so many mm2. */
export function wideAreas(
  context: CheckContext,
  colours: readonly ReadonlySet<number>[],
  mm: number,
  least: number,
): { area: number; places: Extent[] } {
  const places: Extent[] = [];
  let area = 0;
  patchesOf(context).forEach((patch, index) => {
    const { raster, perMmX, perMmY } = patch;
    const own = colours[index]!;
    if (own.size === 0) return;
    for (const part of wideParts(raster, own, mm * perMmX, mm * perMmY)) {
      const size = part.pixels / perMmX / perMmY;
      if (size < least) continue;
      area += size;
      places.push(extentOfPart(patch, part));
    }
  });
  return { area, places };
}

/** Inks that the face needs, the commonest first; null where it is no flat artwork. */
export function inksOfFace(context: CheckContext): Ink[] | null {
  const all: Ink[] = [];
  for (const { raster } of patchesOf(context)) {
    const own = measureWhole(inkMeasure(raster.width, raster.height), raster, context.progress);
    if (own === null) return null;
    for (const ink of own) {
      const same = all.find((one) => deltaE00(one.lab, ink.lab) < MERGED);
      if (same) same.pixels += ink.pixels;
      else all.push({ ...ink });
    }
  }
  return all.sort((a, b) => b.pixels - a.pixels);
}

/** Stretches of a picture's boundary that have certain colours. */
function partsOnEdge(raster: Raster, colours: ReadonlySet<number>): Part[] {
  const finder = new PartFinder();
  let row = -1;
  walkBoundary(raster, (x, y, colour) => {
    if (!colours.has(colour)) return;
    while (row < y) finder.beginRow(++row);
    finder.take(x, x + 1);
  });
  return finder.parts();
}

function patchesOf(context: CheckContext): Patch[] {
  return once(patches, context, () => {
    const { width, height, bleed } = context.face;
    const whole = { left: -bleed, top: -bleed, right: width + bleed, bottom: height + bleed };
    const visible = context.pieces.filter((piece) => piece.visible);
    const clusters = clustersOf(visible, whole, 2 / Math.min(context.grid.perMmX, context.grid.perMmY));
    return clusters.length === 0
      ? [drawPatch(context, visible, whole)]
      : clusters.map((cluster) => drawPatch(context, ...cluster));
  });
}

/** Pieces that overlap are looked at together; none where one of them goes all over. */
function clustersOf(
  visible: readonly Piece[],
  whole: Extent,
  margin: number,
): [pieces: Piece[], extent: Extent][] {
  // A fill or a repeat lies over all of its area.
  if (!visible.every(isMotifKind)) return [];
  let clusters: [(typeof visible)[number][], Extent][] = [];
  for (const piece of visible) {
    const touched = clusters.filter(([pieces]) => pieces.some((one) => overlap(one, piece)));
    clusters = clusters.filter((cluster) => !touched.includes(cluster));
    clusters.push([
      visible.filter((one) => one === piece || touched.some(([pieces]) => pieces.includes(one))),
      touched.reduce((so, [, extent]) => union(so, extent), extentOf(piece)),
    ]);
  }
  // What lies past the bleed is cut off, as it will be; anywhere else a piece's own edge borders on the product.
  return clusters
    .map(([pieces, extent]): [Piece[], Extent] => [pieces, common(grown(extent, margin), whole)])
    .filter(([, { left, top, right, bottom }]) => left < right && top < bottom);
}

/** Draws pieces on a grid as fine as the context's. Where they lie on the face does not change what is drawn. */
function drawPatch(context: CheckContext, pieces: readonly Piece[], extent: Extent): Patch {
  const { face, grid, facts, pixels, progress } = context;
  const across = extent.right - extent.left;
  const down = extent.bottom - extent.top;
  const factor = Math.max(1, Math.sqrt((across * grid.perMmX * down * grid.perMmY) / MOST_PIXELS));
  const size = {
    width: Math.max(1, Math.round((across * grid.perMmX) / factor)),
    height: Math.max(1, Math.round((down * grid.perMmY) / factor)),
  };
  const moved = pieces.map((piece) =>
    piece.kind === 'fill' ? piece : { ...piece, x: piece.x - extent.left, y: piece.y - extent.top },
  );
  const plain = moved.some((piece) => !isMotifKind(piece));
  const shown = pieces.filter(isShowing).map(({ artworkId }) => numberOf(pixels(artworkId)));
  const key = JSON.stringify([moved.map(asSeen), shown, size, plain && face]);
  let raster = kept.get(key);
  if (!raster) {
    // What goes all over is drawn on the face itself: what is measured is the rectangle that art is laid on, unbent.
    const ground = plain
      ? { ...face, bend: null }
      : { ...face, bend: null, width: across, height: down, bleed: 0 };
    // Where the knife goes is no edge of the artwork.
    delete ground.cut;
    raster = renderFace(ground, plain ? pieces : moved, { facts, pixels }, { pixels: size, progress });
  }
  kept.delete(key);
  kept.set(key, raster);
  makeRoom();
  return {
    raster,
    left: extent.left,
    top: extent.top,
    perMmX: size.width / across,
    perMmY: size.height / down,
  };
}

/** The patches that were looked at longest ago go. */
function makeRoom(): void {
  let pixels = 0;
  for (const [key, { width, height }] of [...kept].reverse()) {
    pixels += width * height;
    if (pixels > MOST_KEPT && pixels > width * height) kept.delete(key);
  }
}

/** What does not change a piece's picture. */
const UNSEEN = new Set(['id', 'name', 'locked', 'richBlack', 'groupId', 'role']);

/** A piece as it is seen, lengths to a ten-thousandth of a mm. */
function asSeen(piece: Piece): unknown {
  return JSON.parse(
    JSON.stringify(piece, (key, value: unknown) =>
      UNSEEN.has(key) ? undefined : typeof value === 'number' ? Math.round(value * 1e4) / 1e4 : value,
    ),
  );
}

function grown({ left, top, right, bottom }: Extent, by: number): Extent {
  return { left: left - by, top: top - by, right: right + by, bottom: bottom + by };
}

function once<K extends object, T>(memory: WeakMap<K, T>, key: K, work: () => T): T {
  let known = memory.get(key);
  if (known === undefined) memory.set(key, (known = work()));
  return known;
}
