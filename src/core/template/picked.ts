import { rectangle, type KeepOut } from '../blank/face';
import type { Body } from '../blank/kinds';
import type { FoundLine } from '../raster/lines';
import type { Rect } from './drawing';
import type { DrillHole } from './reading';

/** What can be picked off a template by clicking its lines. */
export type EdgeSet = 'trim' | 'bleed' | 'safe';

/** Rectangles on a template's page, in mm from its top left. */
export interface Picked {
  trim: Rect;
  bleed: Rect | null;
  safe: Rect | null;
}

/** Moves the nearer side of a rectangle to a line that was clicked, its place in mm. */
export function pickLine(picked: Picked, set: EdgeSet, line: FoundLine): Picked {
  const rect = picked[set] ?? picked.trim;
  const upright = line.direction === 'upright';
  const low = upright ? rect.x : rect.y;
  const high = low + (upright ? rect.width : rect.height);
  const isLow = line.at < (low + high) / 2;
  const [from, to] = isLow ? [line.at, high] : [low, line.at];
  if (to - from < 1) return picked;
  const moved = upright ? { ...rect, x: from, width: to - from } : { ...rect, y: from, height: to - from };
  return { ...picked, [set]: moved };
}

/** Bleed and safe margin in mm that the picked rectangles come to: the least of their four sides. */
export function marginsOf({ trim, bleed, safe }: Picked): { bleed: number | null; safe: number | null } {
  return {
    bleed: bleed && Math.max(0, leastMargin(bleed, trim)),
    safe: safe && Math.max(0, leastMargin(trim, safe)),
  };
}

function leastMargin(outer: Rect, inner: Rect): number {
  return Math.min(
    inner.x - outer.x,
    inner.y - outer.y,
    outer.x + outer.width - inner.x - inner.width,
    outer.y + outer.height - inner.y - inner.height,
  );
}

/** What the thing on a template is: a flat thing, a plate with drill holes, a sticker, or a wrap round a diameter. */
export type TemplateKind = 'flat' | 'plate' | 'sticker' | 'wrap';

/** A body from what was picked: drill holes within the trim become keep-outs. `diameter` in mm is for a wrap. */
export function bodyFromTemplate(
  kind: TemplateKind,
  { trim }: Picked,
  holes: readonly DrillHole[],
  diameter: number,
): Body {
  const { width, height } = trim;
  const keepOuts = holesWithin(trim, holes);
  switch (kind) {
    case 'flat':
    case 'plate':
      return { kind, sheet: rectangle(width, height), keepOuts };
    case 'sticker':
      return { kind, cut: 'die', sheet: rectangle(width, height), several: null };
    case 'wrap':
      return { kind, diameter, height, lip: 0, foot: 0, overlap: 0, partial: width, handle: null };
  }
}

function holesWithin(trim: Rect, holes: readonly DrillHole[]): KeepOut[] {
  return holes
    .map(({ x, y, diameter }) => ({ x: x - trim.x, y: y - trim.y, diameter }))
    .filter(({ x, y }) => x >= 0 && y >= 0 && x <= trim.width && y <= trim.height)
    .map(({ x, y, diameter }, index) => ({
      id: `hole-${index + 1}`,
      name: `Hole ${diameter.toFixed(1)} mm`,
      effect: 'hole',
      shape: { kind: 'circle', x, y, diameter },
    }));
}
