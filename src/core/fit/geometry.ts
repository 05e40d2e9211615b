import { gridOf, type Facts, type PixelBox } from '../artwork/facts';
import { isShowing, type Piece, type PlacedPiece } from './schema';

export interface Point {
  x: number;
  y: number;
}

/** A turned rectangle: centre in mm, size along its own axes, turn in radians clockwise on screen. */
export interface Box extends Point {
  width: number;
  height: number;
  rotation: number;
}

/** An axis-aligned extent in mm. */
export interface Extent {
  left: number;
  top: number;
  right: number;
  bottom: number;
}

/** Turns a vector by an angle. */
export function turn({ x, y }: Point, angle: number): Point {
  const cos = Math.cos(angle);
  const sin = Math.sin(angle);
  return { x: x * cos - y * sin, y: x * sin + y * cos };
}

/** What is known of the artwork that a piece shows; null for lettering, which is all ink. */
export type PieceFacts = Facts | null;

/** Looks up what is known of artworks. */
export type FactsOf = (artworkId: string) => Facts;

export function factsFor(piece: Piece, factsOf: FactsOf): PieceFacts {
  return isShowing(piece) ? factsOf(piece.artworkId) : null;
}

/** What is seen of a piece as shares of its placement: centre offset and size, the flip applied. */
function seenShare(piece: PlacedPiece, facts: PieceFacts): PixelBox {
  const seen = clipped(piece, facts ? opaqueShare(facts) : { x: 0, y: 0, width: 1, height: 1 });
  const dx = seen.x + seen.width / 2 - 0.5;
  return { ...seen, x: piece.flipped ? -dx : dx, y: seen.y + seen.height / 2 - 0.5 };
}

/** A file's opaque bounds in shares of the file; all of an empty one. */
function opaqueShare(facts: Facts): PixelBox {
  const pixels = gridOf(facts);
  const { x, y, width, height } = facts.alpha.opaqueBounds;
  if (width <= 0) return { x: 0, y: 0, width: 1, height: 1 };
  return {
    x: x / pixels.width,
    y: y / pixels.height,
    width: width / pixels.width,
    height: height / pixels.height,
  };
}

/** What of a box is seen through a piece's clip; the clip's own box where it shows nothing of it. */
function clipped(piece: PlacedPiece, box: PixelBox): PixelBox {
  const clip = piece.kind === 'artwork' ? piece.clip : null;
  if (!clip) return box;
  const x = Math.max(box.x, clip.x);
  const y = Math.max(box.y, clip.y);
  const width = Math.min(box.x + box.width, clip.x + clip.width) - x;
  const height = Math.min(box.y + box.height, clip.y + clip.height) - y;
  return width > 0 && height > 0 ? { x, y, width, height } : clip;
}

/** Where what is seen of a piece lies; typed sizes, snapping and centring go by this box. */
export function opaqueBox(piece: PlacedPiece, facts: PieceFacts): Box {
  const share = seenShare(piece, facts);
  const offset = turn({ x: share.x * piece.width, y: share.y * piece.height }, piece.rotation);
  return {
    x: piece.x + offset.x,
    y: piece.y + offset.y,
    width: share.width * piece.width,
    height: share.height * piece.height,
    rotation: piece.rotation,
  };
}

/** The piece whose box is `box`: the inverse of `opaqueBox`. A repeat's steps scale with its tile. */
export function placeOpaqueBox<P extends PlacedPiece>(piece: P, facts: PieceFacts, box: Box): P {
  const share = seenShare(piece, facts);
  const width = box.width / share.width;
  const height = box.height / share.height;
  const offset = turn({ x: share.x * width, y: share.y * height }, box.rotation);
  return {
    ...piece,
    width,
    height,
    rotation: box.rotation,
    x: box.x - offset.x,
    y: box.y - offset.y,
    ...(piece.kind === 'repeat' && {
      stepX: (piece.stepX * width) / piece.width,
      stepY: (piece.stepY * height) / piece.height,
    }),
  };
}

/** The four corners of a box, from its own top left clockwise. */
export function corners(box: Box): [Point, Point, Point, Point] {
  const at = (sx: number, sy: number): Point => {
    const offset = turn({ x: (sx * box.width) / 2, y: (sy * box.height) / 2 }, box.rotation);
    return { x: box.x + offset.x, y: box.y + offset.y };
  };
  return [at(-1, -1), at(1, -1), at(1, 1), at(-1, 1)];
}

/** Overall extent of a turned box. */
export function extentOf(box: Box): Extent {
  return extentAround(corners(box));
}

/** The extent that just holds some points. */
export function extentAround(points: readonly Point[]): Extent {
  const xs = points.map(({ x }) => x);
  const ys = points.map(({ y }) => y);
  return { left: Math.min(...xs), right: Math.max(...xs), top: Math.min(...ys), bottom: Math.max(...ys) };
}

/** The extent that just holds two. */
export function union(a: Extent, b: Extent): Extent {
  return {
    left: Math.min(a.left, b.left),
    top: Math.min(a.top, b.top),
    right: Math.max(a.right, b.right),
    bottom: Math.max(a.bottom, b.bottom),
  };
}

/** What two extents have in common; its right is left of its left where that is nothing. */
export function common(a: Extent, b: Extent): Extent {
  return {
    left: Math.max(a.left, b.left),
    top: Math.max(a.top, b.top),
    right: Math.min(a.right, b.right),
    bottom: Math.min(a.bottom, b.bottom),
  };
}

/** Whether two turned boxes have any area in common: no axis of either keeps them apart. */
export function overlap(a: Box, b: Box): boolean {
  return [a.rotation, b.rotation].every((rotation) => {
    const [p, q] = [a, b].map((box) =>
      extentOf({ ...box, ...turn(box, -rotation), rotation: box.rotation - rotation }),
    );
    return p!.left < q!.right && q!.left < p!.right && p!.top < q!.bottom && q!.top < p!.bottom;
  });
}

interface Size {
  width: number;
  height: number;
}

/** Width and height of the upright rectangle round one that is turned. */
function turnedExtent({ width, height }: Size, rotation: number): Size {
  const cos = Math.abs(Math.cos(rotation));
  const sin = Math.abs(Math.sin(rotation));
  return { width: width * cos + height * sin, height: width * sin + height * cos };
}

/** Largest factor by which a rectangle turned by `rotation` may be scaled to fit into `room`. */
export function largestInside(size: Size, rotation: number, room: Size): number {
  const extent = turnedExtent(size, rotation);
  return Math.min(room.width / extent.width, room.height / extent.height);
}

/** What `room` measures along the axes of a rectangle turned by `rotation`: what such a rectangle must cover. */
export function roomAlong(room: Size, rotation: number): Size {
  return turnedExtent(room, rotation);
}

/** Smallest factor by which a rectangle turned by `rotation` must be scaled to cover `room`. */
export function smallestCovering(size: Size, rotation: number, room: Size): number {
  const needed = roomAlong(room, rotation);
  return Math.max(needed.width / size.width, needed.height / size.height);
}
