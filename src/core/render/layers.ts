import { bendPoint, sectorBox, sectorPath } from '../blank/bodies/sector';
import { printSize, type PrintFace } from '../blank/resolve';
import { shapePath } from '../blank/shape';
import { areaOf } from '../fit/area';
import { isMixed } from '../fit/mix';
import { isInk, isShowing, type ArtworkPiece, type Piece } from '../fit/schema';
import { combined, type Matrix } from '../geometry/matrix';
import { mapPath, writePath, type Path, type Polygons, type Segment } from '../geometry/path';
import { parsePath } from '../geometry/parse-path';
import { cutOf, inksOf, layPath } from './ground';
import { shareMatrix } from './transform';

/** A part of a print file, the lowest first: pieces that are drawn as one picture, or a path in one colour. */
export type PrintLayer =
  | { kind: 'picture'; pieces: Piece[] }
  /** In mm from the print box's top left; nonzero rule. */
  | { kind: 'path'; path: Path; colour: string; piece: Piece }
  /** An artwork that is a drawing: from shares of its box to mm from the print box's top left, and what it is cut off at there. */
  | { kind: 'drawing'; artworkId: string; matrix: Matrix; clip: Path | null; piece: ArtworkPiece };

/** What of an artwork can be printed as paths: nothing, or all of it, with or without parts that show through. */
export type KeptAs = 'pixels' | 'paths' | 'solid paths';

export interface LayerOptions {
  mirror?: boolean;
  /** Whether nothing of the file may show through. */
  flat?: boolean;
  keptAs?: (artworkId: string) => KeptAs;
}

/** How near to its curves a bent path is kept, in mm. */
const FINE = 0.004;

/**
 * A face as layers for a file that holds paths: plain fills and lettering stay paths, bent onto the arc of a taper; so
 * do drawings where no arc bends them; all other artwork becomes pictures. Mirrored, all of it is flipped left to right once. What lies under a knockout is one picture with it, since no path takes another away, and with a piece that shows through its own ink; so is, where the file
 * is to be flat, all that lies under the uppermost artwork, since nothing may show through that.
 */
export function layersOf(
  face: PrintFace,
  pieces: readonly Piece[],
  { mirror = false, flat = false, keptAs = () => 'pixels' }: LayerOptions = {},
): PrintLayer[] {
  const visible = pieces.filter((piece) => piece.visible);
  const drawn = (piece: Piece): KeptAs => (canStayPaths(face, piece) ? keptAs(piece.artworkId) : 'pixels');
  const last = visible.findLastIndex(
    (piece) =>
      piece.knockout || isMixed(piece) || (flat && isShowing(piece) && drawn(piece) !== 'solid paths'),
  );
  const layers: PrintLayer[] = [];
  for (const [index, piece] of visible.entries()) {
    const paths = index > last ? pathsOf(face, piece, mirror, drawn(piece) !== 'pixels') : null;
    const under = layers.at(-1);
    if (paths) layers.push(...paths);
    else if (under?.kind === 'picture') under.pieces.push(piece);
    else layers.push({ kind: 'picture', pieces: [piece] });
  }
  return layers;
}

/**
 * Whether a piece may be printed as a drawing's own paths: an arc bends every line of what lies on it, and what is done to
 * the pixels of this piece alone is done to pixels.
 */
export function canStayPaths(face: PrintFace, piece: Piece): piece is ArtworkPiece {
  return piece.kind === 'artwork' && !face.bend && (piece.finish ?? []).length === 0;
}

/** A piece as paths on the print's page; null where it is a picture. */
function pathsOf(face: PrintFace, piece: Piece, mirror: boolean, drawn: boolean): PrintLayer[] | null {
  const { width } = printSize(face);
  const straight = toPage(face);
  const page = (path: Path) =>
    mirror ? mapPath(straight(path), ({ x, y }) => ({ x: width - x, y })) : straight(path);
  if (isInk(piece))
    return inksOf(piece).map(({ path, colour }) => ({ kind: 'path', path: page(path), colour, piece }));
  if (piece.kind === 'artwork' && drawn) {
    const { artworkId } = piece;
    const cut = cutOf(piece, face);
    const laid = combined([1, 0, 0, 1, face.bleed, face.bleed], shareMatrix(piece));
    const matrix = mirror ? combined([-1, 0, 0, 1, width, 0], laid) : laid;
    return [{ kind: 'drawing', artworkId, matrix, clip: cut && page(cut), piece }];
  }
  if (piece.kind !== 'fill') return null;
  const { left, top, right, bottom } = areaOf(piece, face);
  const path = parsePath(`M${left} ${top}H${right}V${bottom}H${left}Z`)!;
  return [{ kind: 'path', path: page(path), colour: piece.colour, piece }];
}

/** From mm of the face to mm of the print box: trim plus bleed, or the box of the arc. */
function toPage(face: PrintFace): (path: Path) => Path {
  const { bend, bleed } = face;
  if (!bend) return (path) => mapPath(path, ({ x, y }) => ({ x: x + bleed, y: y + bleed }));
  const [box, trim] = [sectorBox(bend, bleed), sectorBox(bend)];
  const ground = {
    at: ({ x, y }: { x: number; y: number }) => {
      const bent = bendPoint(bend, x, y);
      return { x: bent.x + box.apexX - trim.apexX, y: bent.y + box.apexY - trim.apexY };
    },
    // Steps and strays of layPath are in its pixels: here as fine as a file needs.
    perMm: 0.05 / FINE,
    within: { left: 0, top: 0, right: box.width, bottom: box.height },
    bent: true,
  };
  return (path) => fromPolygons(layPath(path, ground));
}

function fromPolygons(polygons: Polygons): Path {
  return polygons.flatMap((points): Segment[] => [
    ...Array.from({ length: points.length / 2 }, (_, i): Segment => ({
      kind: i === 0 ? 'move' : 'line',
      to: { x: points[2 * i]!, y: points[2 * i + 1]! },
    })),
    { kind: 'close' },
  ]);
}

/** The bleed edge of what is cut to shape, its islands' too, in mm of the face. */
export function bleedPath(face: PrintFace): string {
  const islands = face.cuts.map(({ x, y, sheet }) => shapePath(sheet, face.bleed, x, y));
  return shapePath(face, face.bleed) + islands.join('');
}

/** What a print is cut off at, in mm of its box: the bleed edge of an arc or a cut line; null where that is the box. */
export function printOutline(face: PrintFace): string | null {
  const { bend, bleed, cut } = face;
  if (cut) return writePath(toPage(face)(parsePath(bleedPath(face))!));
  if (!bend) return null;
  const [box, trim] = [sectorBox(bend, bleed), sectorBox(bend)];
  const [dx, dy] = [box.apexX - trim.apexX, box.apexY - trim.apexY];
  return writePath(mapPath(parsePath(sectorPath(bend, bleed))!, ({ x, y }) => ({ x: x + dx, y: y + dy })));
}

/** The print box of a face with its trim inside it, in mm. */
export function printBoxes(face: PrintFace): {
  page: { width: number; height: number };
  trim: { x: number; y: number; width: number; height: number };
} {
  const page = printSize(face);
  const { bleed, bend } = face;
  if (!bend) return { page, trim: { x: bleed, y: bleed, width: face.width, height: face.height } };
  const [box, trim] = [sectorBox(bend, bleed), sectorBox(bend)];
  return {
    page,
    trim: { x: box.apexX - trim.apexX, y: box.apexY - trim.apexY, width: trim.width, height: trim.height },
  };
}
