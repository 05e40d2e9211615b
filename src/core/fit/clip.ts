import type { Path, PathPoint, Segment } from '../geometry/path';
import { mapPath } from '../geometry/path';
import { parsePath } from '../geometry/parse-path';
import type { ArtworkPiece, Clip, PlacedPiece } from './schema';
import { turn, type Box } from './geometry';

/** How far along a quarter circle's tangents its Bézier controls lie. */
const QUARTER = (4 / 3) * (Math.SQRT2 - 1);

/** A clip's outline in shares of its artwork. `aspect` is the placed artwork's width by its height, for round corners. */
export function clipOutline({ shape, x, y, width, height }: Clip, aspect: number): Path {
  const at = (point: PathPoint) => ({ x: x + point.x * width, y: y + point.y * height });
  switch (shape.kind) {
    case 'rectangle':
      return mapPath(roundedBox(0, 0), at);
    case 'ellipse':
      return mapPath(roundedBox(0.5, 0.5), at);
    case 'rounded': {
      // As long in mm across as down.
      const [across, down] = [width * aspect, height];
      const radius = shape.radius * Math.min(across, down);
      return mapPath(roundedBox(radius / across, radius / down), at);
    }
    case 'path':
      return mapPath(parsePath(shape.d) ?? roundedBox(0, 0), at);
  }
}

/** The unit square with corners rounded by rx and ry. */
export function roundedBox(rx: number, ry: number): Path {
  const corners: [x: number, y: number, outX: number, outY: number][] = [
    [1, 0, 1, 0],
    [1, 1, 0, 1],
    [0, 1, -1, 0],
    [0, 0, 0, -1],
  ];
  const path: Segment[] = [{ kind: 'move', to: { x: rx, y: 0 } }];
  for (const [x, y, outX, outY] of corners) {
    const start = { x: x - outX * rx, y: y - outY * ry };
    const end = { x: x - outY * rx, y: y + outX * ry };
    path.push({ kind: 'line', to: start });
    if (rx === 0 || ry === 0) continue;
    path.push({
      kind: 'cubic',
      c1: { x: start.x + outX * rx * QUARTER, y: start.y + outY * ry * QUARTER },
      c2: { x: end.x + outY * rx * QUARTER, y: end.y - outX * ry * QUARTER },
      to: end,
    });
  }
  return [...path, { kind: 'close' }];
}

/** From shares of a piece's placement to mm on the face. */
export function fromShares(piece: PlacedPiece): (share: PathPoint) => PathPoint {
  const flip = piece.flipped ? -1 : 1;
  return ({ x, y }) => {
    const offset = turn({ x: flip * (x - 0.5) * piece.width, y: (y - 0.5) * piece.height }, piece.rotation);
    return { x: piece.x + offset.x, y: piece.y + offset.y };
  };
}

/** A piece's clip as a path in mm on the face; null where it has none. */
export function clipPath(piece: ArtworkPiece): Path | null {
  if (!piece.clip) return null;
  return mapPath(clipOutline(piece.clip, piece.width / piece.height), fromShares(piece));
}

/** The artwork seen through a shape, the shape as large as what was seen of it before. */
export function clipTo(piece: ArtworkPiece, shape: Clip['shape'], seen: Box): ArtworkPiece {
  const box = {
    width: seen.width / piece.width,
    height: seen.height / piece.height,
    ...sharesAt(piece, seen),
  };
  // A circle is round on the product, and not as wide as the picture happens to be.
  const side = Math.min(seen.width, seen.height);
  const round = shape.kind === 'ellipse';
  const width = round ? side / piece.width : box.width;
  const height = round ? side / piece.height : box.height;
  return { ...piece, clip: { shape, x: box.x - width / 2, y: box.y - height / 2, width, height } };
}

/** Moves the artwork within its clip by mm on the face, and scales it there; the clip stays where it is. */
export function moveWithin(
  piece: ArtworkPiece,
  { dx = 0, dy = 0, scale = 1 }: { dx?: number; dy?: number; scale?: number },
): ArtworkPiece {
  const { clip } = piece;
  if (!clip) return piece;
  const middle = fromShares(piece)({ x: clip.x + clip.width / 2, y: clip.y + clip.height / 2 });
  const moved = {
    ...piece,
    x: middle.x + (piece.x - middle.x) * scale + dx,
    y: middle.y + (piece.y - middle.y) * scale + dy,
    width: piece.width * scale,
    height: piece.height * scale,
  };
  const width = clip.width / scale;
  const height = clip.height / scale;
  const at = sharesAt(moved, middle);
  return { ...moved, clip: { ...clip, width, height, x: at.x - width / 2, y: at.y - height / 2 } };
}

/** A point of the face in shares of a piece's placement. */
export function sharesAt(piece: PlacedPiece, { x, y }: PathPoint): PathPoint {
  const own = turn({ x: x - piece.x, y: y - piece.y }, -piece.rotation);
  return { x: ((piece.flipped ? -1 : 1) * own.x) / piece.width + 0.5, y: own.y / piece.height + 0.5 };
}
