import type { PrintFace } from '../blank/resolve';
import { extentOf, type Box } from './geometry';

/** Something a drag may snap to along one axis: where, and what it is called. */
interface Line {
  at: number;
  name: string;
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
export function snapBox(box: Box, face: PrintFace, others: readonly Box[], reach: number): Snap {
  const extent = extentOf(box);
  const { width, height, safe, bleed } = face;
  const extents = others.map(extentOf);
  const across = nearest(
    { low: extent.left, middle: box.x, high: extent.right },
    {
      middle: [
        ...face.zones.map(({ x, name }) => ({ at: x, name: `centre of the ${name}` })),
        ...others.map(({ x }) => ({ at: x, name: 'another piece’s centre' })),
      ],
      edge: [
        ...edges(width, safe, bleed, ['left', 'right']),
        ...extents.flatMap(({ left, right }) =>
          [left, right].map((at) => ({ at, name: 'another piece’s edge' })),
        ),
      ],
    },
    reach,
  );
  const down = nearest(
    { low: extent.top, middle: box.y, high: extent.bottom },
    {
      middle: [
        ...unique(face.zones.map(({ y }) => y)).map((at) => ({ at, name: 'middle of the height' })),
        ...others.map(({ y }) => ({ at: y, name: 'another piece’s centre' })),
      ],
      edge: [
        ...edges(height, safe, bleed, ['top', 'foot']),
        ...extents.flatMap(({ top, bottom }) =>
          [top, bottom].map((at) => ({ at, name: 'another piece’s edge' })),
        ),
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
