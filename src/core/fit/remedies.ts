import { artSize, type PrintFace } from '../blank/resolve';
import { isRectangle, signedDistance } from '../blank/shape';
import { lerp } from '../geometry/lerp';
import {
  corners,
  extentOf,
  opaqueBox,
  placeOpaqueBox,
  roomAlong,
  smallestCovering,
  turn,
  type Box,
  type PieceFacts,
} from './geometry';
import { fitInside } from './place';
import type { ArtworkPiece, PlacedPiece } from './schema';

/** A piece changed to mend something, and by how much: scale, and mm its centre moved. */
export interface Mended<P extends PlacedPiece = ArtworkPiece> {
  piece: P;
  scale: number;
  moved: number;
}

/**
 * The ground scaled as little as covers the bleed and moved as little as that takes; `null` where it already
 * covers it with its opaque bounds, so that what is missing is missing inside the picture.
 */
export function extendToBleed(piece: ArtworkPiece, facts: PieceFacts, face: PrintFace): Mended | null {
  const box = opaqueBox(piece, facts);
  const size = artSize(face);
  const scale = Math.max(1, smallestCovering(box, box.rotation, size));
  const width = box.width * scale;
  const height = box.height * scale;
  const needed = roomAlong(size, box.rotation);
  const slackAcross = Math.max(0, (width - needed.width) / 2);
  const slackDown = Math.max(0, (height - needed.height) / 2);
  const toMiddle = turn({ x: face.width / 2 - box.x, y: face.height / 2 - box.y }, -box.rotation);
  const shift = turn({ x: beyond(toMiddle.x, slackAcross), y: beyond(toMiddle.y, slackDown) }, box.rotation);
  const moved = Math.hypot(shift.x, shift.y);
  if (scale < 1 + 1e-9 && moved < 1e-9) return null;
  const mended = placeOpaqueBox(piece, facts, {
    ...box,
    width,
    height,
    x: box.x + shift.x,
    y: box.y + shift.y,
  });
  return { piece: mended, scale, moved };
}

/** The motif moved inside the safe area, or where it is too large, shrunk to the largest size that fits. */
export function bringInside<P extends PlacedPiece>(piece: P, facts: PieceFacts, face: PrintFace): Mended<P> {
  const box = opaqueBox(piece, facts);
  const { left, top, right, bottom } = extentOf(box);
  const room = {
    left: face.safe,
    top: face.safe,
    right: face.width - face.safe,
    bottom: face.height - face.safe,
  };
  const small = right - left <= room.right - room.left && bottom - top <= room.bottom - room.top;
  if (isRectangle(face) && small) {
    const dx = Math.max(0, room.left - left) + Math.min(0, room.right - right);
    const dy = Math.max(0, room.top - top) + Math.min(0, room.bottom - bottom);
    const moved = placeOpaqueBox(piece, facts, { ...box, x: box.x + dx, y: box.y + dy });
    return { piece: moved, scale: 1, moved: Math.hypot(dx, dy) };
  }
  const inside = fitInside(piece, facts, face);
  const scale = Math.min(1, inside.width / piece.width);
  const shrunk = { ...box, width: box.width * scale, height: box.height * scale };
  const to = nearestInside(shrunk, face);
  return {
    piece: placeOpaqueBox(piece, facts, { ...shrunk, ...to }),
    scale,
    moved: Math.hypot(to.x - box.x, to.y - box.y),
  };
}

/** Halvings of the way to the middle: to a thousandth of a mm on the largest face. */
const HALVINGS = 24;

/** Where a box is brought on its way to the middle of a face, so that its corners just lie inside the safe area. */
function nearestInside(box: Box, face: PrintFace): { x: number; y: number } {
  const middle = { x: face.width / 2, y: face.height / 2 };
  const at = (share: number) => ({ x: lerp(box.x, middle.x, share), y: lerp(box.y, middle.y, share) });
  const lies = (share: number) =>
    corners({ ...box, ...at(share) }).every(({ x, y }) => signedDistance(face, -face.safe, x, y) <= 0);
  // What is round itself may have its corners outside wherever it lies: then the middle is right.
  if (!lies(1)) return middle;
  let [out, inside] = [0, 1];
  if (lies(0)) return at(0);
  for (let i = 0; i < HALVINGS; i++) {
    const half = (out + inside) / 2;
    if (lies(half)) inside = half;
    else out = half;
  }
  return at(inside);
}

/** How far `value` lies outside -slack to +slack, with its sign. */
function beyond(value: number, slack: number): number {
  return Math.sign(value) * Math.max(0, Math.abs(value) - slack);
}
