import { boundsOf, flattenPath, mapPath, writePath, type Path } from '../geometry/path';
import { fromShares, sharesAt } from './clip';
import type { ArtworkPiece, ShapePiece } from './schema';
import { coverOf, edgeOf } from './shape-ink';

/** How near to its curves a shape's box is taken, as a share of it. */
const FINE = 0.0005;
/** Decimals of a shape's outline in shares of its box. */
const DECIMALS = 8;

/** What a shape encloses, in mm of its own box: a line's dashes, any other's outer edge, also of one that is a stroke alone. */
function enclosed(shape: ShapePiece): Path {
  return shape.shape.kind === 'line' ? coverOf({ ...shape, fill: '#000000' }) : edgeOf(shape);
}

/** A shape's outline in shares of the box that just holds it, to be cut along. */
export function outlineOf(shape: ShapePiece): string {
  return inShares(enclosed(shape)).d;
}

/** An artwork seen through a shape that lies on the same face, both where they are, however either is turned. */
export function clipToShape(artwork: ArtworkPiece, shape: ShapePiece): ArtworkPiece {
  const on = fromShares(shape);
  const path = mapPath(enclosed(shape), ({ x, y }) =>
    sharesAt(artwork, on({ x: x / shape.width, y: y / shape.height })),
  );
  const { d, box } = inShares(path);
  return { ...artwork, clip: { shape: { kind: 'path', name: shape.name, d }, ...box } };
}

function inShares(path: Path): { d: string; box: { x: number; y: number; width: number; height: number } } {
  const rough = boundsOf(flattenPath(path, 1))!;
  const size = Math.max(rough.right - rough.left, rough.bottom - rough.top);
  const { left, top, right, bottom } = boundsOf(flattenPath(path, size * FINE))!;
  const box = { x: left, y: top, width: right - left, height: bottom - top };
  const shares = mapPath(path, ({ x, y }) => ({ x: (x - box.x) / box.width, y: (y - box.y) / box.height }));
  return { d: writePath(shares, DECIMALS), box };
}
