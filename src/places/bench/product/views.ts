import type { View } from '@/core/product/kinds';

/** What of the product's room one look takes, in px. */
export interface Part {
  left: number;
  top: number;
  width: number;
  height: number;
}

/** Height in px of the line that a look's name stands on. */
export const NAME_LINE = 26;
/** Height in px of the line below a look that says what reads from there. */
export const READ_LINE = 20;

/** The named views that stand still beside the one in the hand, from the left round to the right. */
export function standingViews(views: readonly View[], wide: boolean, turns: boolean): readonly View[] {
  if (!turns || views.length < 3) return [];
  const order = (yaw: number) => (Math.abs(yaw) > 3 ? Infinity : yaw);
  return wide || views.length > 4 ? views.slice(0, 3).sort((a, b) => order(a.yaw) - order(b.yaw)) : [];
}

/** The room parted in cells: a row where it is wide, else two by two; the whole of it where there is one look. */
export function partsOf(count: number, wide: boolean, width: number, height: number): Part[] {
  const columns = count === 1 ? 1 : wide ? count : 2;
  const rows = Math.ceil(count / columns);
  return Array.from({ length: count }, (_, i) => ({
    left: ((i % columns) * width) / columns,
    top: (Math.floor(i / columns) * height) / rows,
    width: width / columns,
    height: height / rows,
  }));
}

/** What of a cell the product itself is drawn in. */
export function within({ left, top, width, height }: Part): Part {
  return { left, top: top + NAME_LINE, width, height: Math.max(1, height - NAME_LINE - READ_LINE) };
}
