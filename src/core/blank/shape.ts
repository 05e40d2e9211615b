/** An axis-aligned rectangle with rounded corners, its top left at (0, 0). Lengths in mm. */
export interface Shape {
  width: number;
  height: number;
  cornerRadius: number;
}

/**
 * Signed distance in mm from a point to the shape grown by `grow` (negative: shrunk). Positive outside.
 * Growing a sharp corner keeps it sharp, as bleed does; shrinking a rounded one tightens its radius.
 */
export function signedDistance(shape: Shape, grow: number, x: number, y: number): number {
  const halfWidth = shape.width / 2 + grow;
  const halfHeight = shape.height / 2 + grow;
  const radius = Math.min(
    grownRadius(shape.cornerRadius, grow),
    Math.max(0, Math.min(halfWidth, halfHeight)),
  );
  const dx = Math.abs(x - shape.width / 2) - (halfWidth - radius);
  const dy = Math.abs(y - shape.height / 2) - (halfHeight - radius);
  const pastX = Math.max(dx, 0);
  const pastY = Math.max(dy, 0);
  return Math.sqrt(pastX * pastX + pastY * pastY) + Math.min(Math.max(dx, dy), 0) - radius;
}

/** Half the width in mm of the grown shape at height y (it lies evenly about its middle); negative where there is none. */
export function halfWidthAt(shape: Shape, grow: number, y: number): number {
  const halfWidth = shape.width / 2 + grow;
  const halfHeight = shape.height / 2 + grow;
  const radius = Math.min(
    grownRadius(shape.cornerRadius, grow),
    Math.max(0, Math.min(halfWidth, halfHeight)),
  );
  const off = Math.abs(y - shape.height / 2);
  if (off > halfHeight) return -1;
  const intoCorner = off - (halfHeight - radius);
  return intoCorner <= 0
    ? halfWidth
    : halfWidth - radius + Math.sqrt(radius * radius - intoCorner * intoCorner);
}

function grownRadius(radius: number, grow: number): number {
  return radius === 0 ? 0 : Math.max(0, radius + grow);
}

/** The shape grown by `grow` as an SVG path in mm, in the trim's coordinates. */
export function shapePath(shape: Shape, grow = 0): string {
  const width = shape.width + 2 * grow;
  const height = shape.height + 2 * grow;
  const r = Math.min(grownRadius(shape.cornerRadius, grow), width / 2, height / 2);
  const x = -grow;
  const y = -grow;
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
export function nearestSide(shape: Shape, x: number, y: number): Side {
  const distances: Record<Side, number> = {
    top: y,
    right: shape.width - x,
    bottom: shape.height - y,
    left: x,
  };
  return SIDES.reduce((best, side) => (distances[side] < distances[best] ? side : best));
}
