import {
  corners,
  opaqueBox,
  placeOpaqueBox,
  turn,
  type Box,
  extentAround,
  type PieceFacts,
  type Point,
} from './geometry';
import type { PlacedPiece } from './schema';

/** A change that keeps every proportion: scaled and turned about a point, then moved by (dx, dy) mm. */
export interface Motion {
  dx?: number;
  dy?: number;
  scale?: number;
  /** Radians clockwise. */
  turn?: number;
  about?: Point;
}

/** Moves a piece as one of several: about a point that need not be its own middle, its strokes scaled with it. */
export function movePiece<P extends PlacedPiece>(piece: P, facts: PieceFacts, motion: Motion): P {
  const box = opaqueBox(piece, facts);
  const { dx = 0, dy = 0, scale = 1, turn: angle = 0, about = box } = motion;
  const off = turn({ x: box.x - about.x, y: box.y - about.y }, angle);
  return placeOpaqueBox(piece, facts, {
    x: about.x + off.x * scale + dx,
    y: about.y + off.y * scale + dy,
    width: box.width * scale,
    height: box.height * scale,
    rotation: box.rotation + angle,
  });
}

/** Turns a piece over, left to right, about an upright line at x mm. */
export function mirrorPiece<P extends PlacedPiece>(piece: P, facts: PieceFacts, x: number): P {
  const box = opaqueBox(piece, facts);
  const over = { ...piece, flipped: !piece.flipped };
  return placeOpaqueBox(over, facts, { ...box, x: 2 * x - box.x, rotation: -box.rotation });
}

/** The smallest box, its axes turned by `rotation`, that holds several. */
export function frameOf(boxes: readonly Box[], rotation: number): Box {
  const { left, top, right, bottom } = extentAround(
    boxes.flatMap(corners).map((point) => turn(point, -rotation)),
  );
  const centre = turn({ x: (left + right) / 2, y: (top + bottom) / 2 }, rotation);
  return { ...centre, width: right - left, height: bottom - top, rotation };
}
