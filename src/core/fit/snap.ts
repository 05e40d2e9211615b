import type { PrintFace } from '../blank/resolve';
import { extentOf, type Box } from './geometry';

/** Something a drag may snap to along one axis: where, and what it is called. */
interface Line {
  at: number;
  name: string;
}

/** Another piece, by its name. */
export interface Neighbour {
  name: string;
  box: Box;
}

export interface Snap {
  /** mm to add to the box's place. */
  dx: number;
  dy: number;
  /** What it has snapped to, in words. */
  words: string[];
  /** The lines it lies on, in mm, where it has snapped. */
  x: number | null;
  y: number | null;
}

/**
 * Snaps a box to what the trade cares about: centres of zones, safe edges, trim, bleed, and the centres and edges
 * of other pieces. `reach` is how near, in mm, a line draws it.
 */
export function snapBox(box: Box, face: PrintFace, others: readonly Neighbour[], reach: number): Snap {
  const extent = extentOf(box);
  const { width, height, safe, bleed } = face;
  const extents = others.map(({ name, box: other }) => ({ name, ...extentOf(other) }));
  const across = nearest(
    { low: extent.left, middle: box.x, high: extent.right },
    {
      middle: [
        ...face.zones.map(({ x, name }) => ({ at: x, name: `centre of the ${name}` })),
        ...others.map(({ name, box: { x } }) => ({ at: x, name: `centre of “${name}”` })),
        ...face.folds.map((at) => ({ at, name: 'fold' })),
      ],
      edge: [
        ...edges(width, safe, bleed, ['left', 'right']),
        ...face.folds.map((at) => ({ at, name: 'fold' })),
        ...extents.flatMap(({ name, left, right }) => [
          { at: left, name: `left edge of “${name}”` },
          { at: right, name: `right edge of “${name}”` },
        ]),
      ],
    },
    reach,
  );
  const down = nearest(
    { low: extent.top, middle: box.y, high: extent.bottom },
    {
      middle: [
        ...unique(face.zones.map(({ y }) => y)).map((at) => ({ at, name: 'middle of the height' })),
        ...others.map(({ name, box: { y } }) => ({ at: y, name: `middle of “${name}”` })),
      ],
      edge: [
        ...edges(height, safe, bleed, ['top', 'bottom']),
        ...extents.flatMap(({ name, top, bottom }) => [
          { at: top, name: `top edge of “${name}”` },
          { at: bottom, name: `bottom edge of “${name}”` },
        ]),
      ],
    },
    reach,
  );
  return {
    dx: across?.shift ?? 0,
    dy: down?.shift ?? 0,
    words: [across?.name, down?.name].filter((word) => word !== undefined),
    x: across?.at ?? null,
    y: down?.at ?? null,
  };
}

function edges(length: number, safe: number, bleed: number, [low, high]: [string, string]): Line[] {
  const pair = (inset: number, name: string): Line[] => [
    { at: inset, name: `${low} ${name}` },
    { at: length - inset, name: `${high} ${name}` },
  ];
  return [...pair(safe, 'safe edge'), ...pair(0, 'trim'), ...(bleed > 0 ? pair(-bleed, 'bleed edge') : [])];
}

function nearest(
  own: { low: number; middle: number; high: number },
  lines: { middle: Line[]; edge: Line[] },
  reach: number,
): { shift: number; name: string; at: number } | null {
  const candidates = [
    ...lines.middle.map((line) => ({ ...line, shift: line.at - own.middle })),
    ...lines.edge.flatMap((line) => [own.low, own.high].map((edge) => ({ ...line, shift: line.at - edge }))),
  ];
  let best: { shift: number; name: string; at: number } | null = null;
  for (const { shift, name, at } of candidates) {
    if (Math.abs(shift) <= reach && (!best || Math.abs(shift) < Math.abs(best.shift) - 1e-9))
      best = { shift, name, at };
  }
  return best;
}

function unique(values: number[]): number[] {
  return [...new Set(values)];
}
