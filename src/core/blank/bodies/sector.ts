/** Below this difference of diameters in mm a wall is straight. */
export const STRAIGHT = 0.1;

/** A piece of a cone's wall laid flat: an annular sector. Radii in mm, sweep in radians. */
export interface Sector {
  outerRadius: number;
  innerRadius: number;
  sweep: number;
  /** Whether the wide edge is the upper one. */
  wideTop: boolean;
}

export interface PagePoint {
  x: number;
  y: number;
}

/**
 * The whole wall of a cone frustum: `Ro = s Dt / (Dt - Db)`, `Ri = Ro - s`, `theta = pi (Dt - Db) / s`, with the
 * wider diameter as Dt. All in mm; throws a RangeError where the wall is straight or no cone has that slant.
 */
export function frustumSector(topDiameter: number, bottomDiameter: number, slant: number): Sector {
  const wide = Math.max(topDiameter, bottomDiameter);
  const difference = Math.abs(topDiameter - bottomDiameter);
  if (difference < STRAIGHT) throw new RangeError('A wall this straight has no arc.');
  if (slant < difference / 2) throw new RangeError('No cone’s wall is shorter than the step of its radii.');
  const outerRadius = (slant * wide) / difference;
  return {
    outerRadius,
    innerRadius: outerRadius - slant,
    sweep: (Math.PI * difference) / slant,
    wideTop: topDiameter > bottomDiameter,
  };
}

/** Slant of a frustum from its upright height: `s = sqrt(h^2 + ((Dt - Db) / 2)^2)`. */
export function slantOf(topDiameter: number, bottomDiameter: number, height: number): number {
  return Math.hypot(height, (topDiameter - bottomDiameter) / 2);
}

/** The sector less a handle gap and plus an overlap, both kept in mm at the narrow edge: `G / Ri`. */
export function printedSector(wall: Sector, gap: number, overlap: number): Sector {
  return { ...wall, sweep: wall.sweep - (gap - overlap) / wall.innerRadius };
}

/** Radius in mm halfway down the wall: where the rectangle that art is designed on is as wide as the print. */
export function middleRadius({ outerRadius, innerRadius }: Sector): number {
  return (outerRadius + innerRadius) / 2;
}

/** The rectangle that art is designed on: the printed arc halfway down, by the slant. */
export function rectangleOf(sector: Sector): { width: number; height: number } {
  return { width: sector.sweep * middleRadius(sector), height: sector.outerRadius - sector.innerRadius };
}

/** Bounding box of the sector grown by `grow` mm on every side, and where the cone's apex lies from its top left. */
export function sectorBox(
  sector: Sector,
  grow = 0,
): { width: number; height: number; apexX: number; apexY: number } {
  const outer = sector.outerRadius + grow;
  const inner = Math.max(0, sector.innerRadius - grow);
  const half = halfSweep(sector, grow);
  const apexX = half >= Math.PI / 2 ? outer : outer * Math.sin(half);
  const nearest = half <= Math.PI / 2 ? inner * Math.cos(half) : outer * Math.cos(half);
  return {
    width: 2 * apexX,
    height: outer - nearest,
    apexX,
    apexY: sector.wideTop ? outer : -nearest,
  };
}

/** Half the sweep, with so much added that a bleed of `grow` mm is still that at the narrow edge. */
function halfSweep({ sweep, innerRadius }: Sector, grow: number): number {
  return Math.min(Math.PI, sweep / 2 + grow / innerRadius);
}

/** Where a point of the design rectangle (mm from its top left) comes to lie, in mm from the trim box's top left. */
export function bendPoint(sector: Sector, x: number, y: number): PagePoint {
  const { apexX, apexY } = sectorBox(sector);
  const angle = x / middleRadius(sector) - sector.sweep / 2;
  const radius = sector.wideTop ? sector.outerRadius - y : sector.innerRadius + y;
  const along = radius * Math.cos(angle);
  return { x: apexX + radius * Math.sin(angle), y: sector.wideTop ? apexY - along : apexY + along };
}

/** The inverse of `bendPoint`. */
export function unbendPoint(sector: Sector, x: number, y: number): PagePoint {
  const { apexX, apexY } = sectorBox(sector);
  const along = sector.wideTop ? apexY - y : y - apexY;
  const across = x - apexX;
  const radius = Math.hypot(across, along);
  return {
    x: (Math.atan2(across, along) + sector.sweep / 2) * middleRadius(sector),
    y: sector.wideTop ? sector.outerRadius - radius : radius - sector.innerRadius,
  };
}

/** How much wider, as a share, the print is at a height y mm of the rectangle than halfway: `D(v) / D(1/2) - 1`. */
export function stretchAt(sector: Sector, y: number): number {
  const radius = sector.wideTop ? sector.outerRadius - y : sector.innerRadius + y;
  return radius / middleRadius(sector) - 1;
}

/** The sector grown by `grow` mm, as an SVG path in mm from the trim box's top left. */
export function sectorPath(sector: Sector, grow = 0): string {
  const { apexX, apexY } = sectorBox(sector);
  const half = halfSweep(sector, grow);
  const outer = sector.outerRadius + grow;
  const inner = Math.max(0, sector.innerRadius - grow);
  const at = (radius: number, angle: number) => {
    const along = radius * Math.cos(angle);
    return `${apexX + radius * Math.sin(angle)} ${sector.wideTop ? apexY - along : apexY + along}`;
  };
  const large = half > Math.PI / 2 ? 1 : 0;
  const onward = sector.wideTop ? 1 : 0;
  return (
    `M${at(outer, -half)}A${outer} ${outer} 0 ${large} ${onward} ${at(outer, half)}` +
    `L${at(inner, half)}A${inner} ${inner} 0 ${large} ${1 - onward} ${at(inner, -half)}Z`
  );
}
