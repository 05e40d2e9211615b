import { gridOf, type Facts, type PixelBox } from '../artwork/facts';
import type { ArtworkPiece } from './schema';

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

/** The file's opaque bounds as shares of the file: centre offset and size, the flip applied; all of an empty one. */
function opaqueShare(facts: Facts, flipped: boolean): PixelBox {
  const pixels = gridOf(facts);
  const there = facts.alpha.opaqueBounds;
  const { x, y, width, height } = there.width > 0 ? there : { x: 0, y: 0, ...pixels };
  const dx = (x + width / 2) / pixels.width - 0.5;
  return {
    x: flipped ? -dx : dx,
    y: (y + height / 2) / pixels.height - 0.5,
    width: width / pixels.width,
    height: height / pixels.height,
  };
}

/** Where a piece's opaque bounds lie; typed sizes, snapping and centring go by these. */
export function opaqueBox(piece: ArtworkPiece, facts: Facts): Box {
  const share = opaqueShare(facts, piece.flipped);
  const offset = turn({ x: share.x * piece.width, y: share.y * piece.height }, piece.rotation);
  return {
    x: piece.x + offset.x,
    y: piece.y + offset.y,
    width: share.width * piece.width,
    height: share.height * piece.height,
    rotation: piece.rotation,
  };
}

/** The file box whose opaque bounds are `box`: the inverse of `opaqueBox`. */
export function placeOpaqueBox(piece: ArtworkPiece, facts: Facts, box: Box): ArtworkPiece {
  const share = opaqueShare(facts, piece.flipped);
  const width = box.width / share.width;
  const height = box.height / share.height;
  const offset = turn({ x: share.x * width, y: share.y * height }, box.rotation);
  return { ...piece, width, height, rotation: box.rotation, x: box.x - offset.x, y: box.y - offset.y };
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
  const points = corners(box);
  const xs = points.map(({ x }) => x);
  const ys = points.map(({ y }) => y);
  return { left: Math.min(...xs), right: Math.max(...xs), top: Math.min(...ys), bottom: Math.max(...ys) };
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
