import { artSize, type PrintFace } from '../blank/resolve';
import { areaOf } from '../fit/area';
import { extentOf, factsFor, opaqueBox, type Extent, type FactsOf } from '../fit/geometry';
import { isMotifKind, type Piece } from '../fit/schema';

/**
 * What of a fit becomes print files: one face, every face, each zone of a face, each piece of it on its own, or a face in
 * every rendition of it.
 */
export type PrintParts = 'face' | 'faces' | 'zones' | 'pieces' | 'renditions';

/** What one print file shows: a face, or a part of one that is printed as if it were a face. */
export interface PrintPart {
  face: PrintFace;
  pieces: readonly Piece[];
}

/** The parts of a face that have something on them, in order. A part that is cut out has no bleed of its own, and no arc. */
export function partsOf(
  { face, pieces }: PrintPart,
  parts: 'face' | 'zones' | 'pieces',
  facts: FactsOf,
): PrintPart[] {
  const visible = pieces.filter((piece) => piece.visible);
  if (visible.length === 0) return [];
  if (parts === 'face') return [{ face, pieces }];
  if (parts === 'zones') {
    return face.zones.map(({ id, name }) => cutOut(face, visible, areaOf({ zoneId: id }, face), name));
  }
  const { bleed } = face;
  const { width, height } = artSize(face);
  const whole = { left: -bleed, top: -bleed, right: width - bleed, bottom: height - bleed };
  return visible.map((piece) => {
    const extent = isMotifKind(piece) ? extentOf(opaqueBox(piece, factsFor(piece, facts))) : whole;
    return cutOut(face, [piece], extent, piece.name);
  });
}

function cutOut(face: PrintFace, pieces: readonly Piece[], extent: Extent, name: string): PrintPart {
  const { left, top, right, bottom } = extent;
  const zones = face.zones.map((zone) => ({ ...zone, x: zone.x - left, y: zone.y - top }));
  return {
    face: { ...face, name, zones, width: right - left, height: bottom - top, bleed: 0, bend: null },
    pieces: pieces.map((piece) =>
      piece.kind === 'fill' ? piece : { ...piece, x: piece.x - left, y: piece.y - top },
    ),
  };
}
