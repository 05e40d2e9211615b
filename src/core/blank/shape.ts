import type { Sheet } from './face';
import { growOutline, outlineDistance, outlinePath, outlineSpans } from '../geometry/outline';

/** What a face is cut to: a rectangle with rounded corners, its top left at (0, 0), or any outline. Lengths in mm. */
export type Shape = Sheet;

/**
 * Signed distance in mm from a point to the shape grown by `grow` (negative: shrunk). Positive outside.
 * Growing a rectangle's sharp corner keeps it sharp, as bleed does; shrinking a rounded one tightens its radius.
 */
export function signedDistance(shape: Shape, grow: number, x: number, y: number): number {
  if (shape.outline) return outlineDistance(shape.outline, x, y) - grow;
  const { halfWidth, halfHeight, radius } = grownBox(shape, grow);
  const dx = Math.abs(x - shape.width / 2) - (halfWidth - radius);
  const dy = Math.abs(y - shape.height / 2) - (halfHeight - radius);
  const pastX = Math.max(dx, 0);
  const pastY = Math.max(dy, 0);
  return Math.sqrt(pastX * pastX + pastY * pastY) + Math.min(Math.max(dx, dy), 0) - radius;
}

/** Where the row at height y lies within the grown shape: spans from left to right in mm; none where it misses it. */
export function spansAt(shape: Shape, grow: number, y: number): [from: number, to: number][] {
  if (shape.outline) return outlineSpans(growOutline(shape.outline, grow), y);
  const { halfWidth, halfHeight, radius } = grownBox(shape, grow);
  const off = Math.abs(y - shape.height / 2);
  if (off > halfHeight) return [];
  const intoCorner = off - (halfHeight - radius);
  const half =
    intoCorner <= 0 ? halfWidth : halfWidth - radius + Math.sqrt(radius * radius - intoCorner * intoCorner);
  const middle = shape.width / 2;
  return [[middle - half, middle + half]];
}

/** Whether the shape is a plain rectangle, so that whatever lies within its four sides lies within it. */
export function isRectangle({ cornerRadius, outline }: Shape): boolean {
  return cornerRadius === 0 && outline === null;
}

function grownBox(shape: Shape, grow: number): { halfWidth: number; halfHeight: number; radius: number } {
  const halfWidth = shape.width / 2 + grow;
  const halfHeight = shape.height / 2 + grow;
  const wanted = shape.cornerRadius === 0 ? 0 : Math.max(0, shape.cornerRadius + grow);
  return { halfWidth, halfHeight, radius: Math.min(wanted, Math.max(0, Math.min(halfWidth, halfHeight))) };
}

/** The shape grown by `grow` as an SVG path in mm, its top left corner (before it grew) at (left, top). */
export function shapePath(shape: Shape, grow = 0, left = 0, top = 0): string {
  if (shape.outline) return outlinePath(growOutline(shape.outline, grow), left, top);
  const { halfWidth, halfHeight, radius: r } = grownBox(shape, grow);
  const width = 2 * halfWidth;
  const height = 2 * halfHeight;
  const x = left - grow;
  const y = top - grow;
  if (r === 0) return `M${x} ${y}h${width}v${height}h${-width}z`;
  const arc = (dx: number, dy: number) => `a${r} ${r} 0 0 1 ${dx} ${dy}`;
  return (
    `M${x + r} ${y}h${width - 2 * r}${arc(r, r)}v${height - 2 * r}${arc(-r, r)}` +
    `h${2 * r - width}${arc(-r, -r)}v${2 * r - height}${arc(r, -r)}z`
  );
}

export type Side = 'top' | 'right' | 'bottom' | 'left';
export const SIDES: readonly Side[] = ['top', 'right', 'bottom', 'left'];

/** The side of the shape that lies nearest to a point; straight edges are compared, corners go to the nearer one. */
export function nearestSide(shape: Pick<Shape, 'width' | 'height'>, x: number, y: number): Side {
  const distances: Record<Side, number> = {
    top: y,
    right: shape.width - x,
    bottom: shape.height - y,
    left: x,
  };
  return SIDES.reduce((best, side) => (distances[side] < distances[best] ? side : best));
}
