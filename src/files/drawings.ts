import { isSolid, leavesOf, withPixels, type Drawing, type DrawnPixels } from '@/core/render/drawing';
import type { Facts } from '@/core/artwork/facts';
import { BLACK_BELOW } from '@/core/colour/black';
import { rgbOf } from '@/core/colour/hex';
import { labOf } from '@/core/colour/lab';
import { combined, type Matrix } from '@/core/geometry/matrix';
import { MM_PER_INCH } from '@/core/length/units';
import type { PrintPart } from '@/core/pack/cut-out';
import type { PrintPlan } from '@/core/print/plan';
import { cropped } from '@/core/plates/crop';
import type { Raster } from '@/core/raster/raster';
import type { Shown } from '@/core/render/face';
import { canStayPaths, type KeptAs } from '@/core/render/layers';
import type { Engine } from '@/imaging/engine';

/** What is drawn of a part that is pixels: from its unit square, y down, to the coordinates of the drawing's nodes. */
export interface DrawnPart {
  kind: 'picture';
  matrix: Matrix;
}

/** The drawings among the artworks of a print, each with its parts that are pixels made. */
export interface Drawings<P extends DrawnPart> {
  /** What of those that were asked for is printed as pixels all the same, a sentence each. */
  told: () => string[];
  of: (artworkId: string) => Drawing<P>;
  keptAs: (artworkId: string) => KeptAs;
}

/** Makes a picture out of a part's pixels. */
export type MakePart<P extends DrawnPart> = (raster: Raster, at: DrawnPart) => P;

/**
 * Brings in what the drawings on some sides are made of. Parts that are pixels are drawn as fine as the largest of their
 * places wants them.
 */
export async function drawingsOn<P extends DrawnPart>(
  engine: Engine,
  sides: readonly PrintPart[],
  shown: Shown,
  { ppi, mode }: Pick<PrintPlan, 'ppi' | 'mode'>,
  make: MakePart<P>,
): Promise<Drawings<P>> {
  const made = new Map<string, { drawing: Drawing<P>; solid: boolean; told: string[] }>();
  const told: string[] = [];
  const used = new Set<string>();
  for (const [artworkId, mm] of widestPlaces(sides)) {
    const { name, format } = shown.facts(artworkId);
    if (!isDrawing(format) || !shown.drawing) continue;
    const drawing = await shown.drawing(artworkId);
    const picture = `“${name}” is drawn at ${ppi} PPI`;
    if (!drawing) told.push(`${picture}: what it holds, or what was done to it, makes a picture of it.`);
    // What is thin of a black is printed by black ink alone, which is told by its pixels.
    else if (mode === 'cmyk' && hasBlack(drawing))
      told.push(`${picture}, so that its thin blacks are black ink alone.`);
    if (!drawing || (mode === 'cmyk' && hasBlack(drawing))) continue;
    const across = Math.ceil((mm / MM_PER_INCH) * ppi);
    const drawn = await withPixels(drawing, (pixels) =>
      Promise.resolve(partOf(engine, pixels, across, make)),
    );
    made.set(artworkId, { drawing: drawn, solid: isSolid(drawing), told: toldOf(name, drawing, ppi) });
  }
  return {
    told: () => [...told, ...[...used].flatMap((artworkId) => made.get(artworkId)!.told)],
    of: (artworkId) => {
      used.add(artworkId);
      return made.get(artworkId)!.drawing;
    },
    keptAs: (artworkId) => {
      const found = made.get(artworkId);
      return !found ? 'pixels' : found.solid ? 'solid paths' : 'paths';
    },
  };
}

function isDrawing(format: Facts['format']): boolean {
  return format === 'svg' || format === 'pdf';
}

/** Whether any of it has a black that goes on a recipe. */
function hasBlack({ nodes }: Drawing): boolean {
  const isBlack = (colour: string) => labOf(...rgbOf(colour))[0] < BLACK_BELOW;
  return [...leavesOf(nodes)].some(
    (leaf) =>
      leaf.kind === 'mark' &&
      [
        ...(leaf.fill?.kind === 'flat'
          ? [leaf.fill.colour]
          : (leaf.fill?.stops.map(({ colour }) => colour) ?? [])),
        ...(leaf.stroke ? [leaf.stroke.colour] : []),
      ].some(isBlack),
  );
}

/** What a drawing's pixels are for, in the seller's words. */
function toldOf(name: string, drawing: Drawing, ppi: number): string[] {
  const pixels = [...leavesOf(drawing.nodes)].filter((leaf) => leaf.kind === 'pixels');
  if (pixels.length === 0) return [];
  const why = [...new Set(pixels.map((leaf) => `a ${leaf.why}`))].join(', ');
  const parts = pixels.length === 1 ? 'one part' : `${pixels.length} parts`;
  return [`“${name}” is paths, but for ${parts} drawn at ${ppi} PPI: ${why}.`];
}

/** How wide, in mm, each artwork lies where it lies largest. */
function widestPlaces(sides: readonly PrintPart[]): Map<string, number> {
  const widest = new Map<string, number>();
  for (const { face, pieces } of sides)
    for (const piece of pieces) {
      if (!piece.visible || !canStayPaths(face, piece)) continue;
      const mm = Math.max(piece.width, piece.height);
      widest.set(piece.artworkId, Math.max(mm, widest.get(piece.artworkId) ?? 0));
    }
  return widest;
}

/** A part drawn, and cut down to what is there; null of one that draws nothing. */
function partOf<P extends DrawnPart>(
  engine: Engine,
  { svg, width, height, matrix }: DrawnPixels,
  across: number,
  make: MakePart<P>,
): P | null {
  const raster = engine.drawSvg(svg, Math.max(1, Math.round((across * width) / Math.max(width, height))));
  const crop = cropped(raster, 0);
  if (!crop) return null;
  const [sx, sy] = [width / raster.width, height / raster.height];
  const { x, y, raster: own } = crop;
  const laid = combined(matrix, [own.width * sx, 0, 0, own.height * sy, x * sx, y * sy]);
  return make(own, { kind: 'picture', matrix: laid });
}
