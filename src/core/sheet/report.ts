import { areaOf } from '../cut/polygons';
import { layOut, type SheetLayout } from './layout';
import type { Print } from './print';
import type { Sheet } from './schema';

export interface SheetReport {
  /** Share of the paper that prints cover, 0 to 1. */
  used: number;
  /** How many more of the last item would go on the sheets that are begun; null where there is none, or on a roll. */
  more: number | null;
  /** mm of paper that one more row of the last item would need; null where the paper has room for it, or is no roll. */
  row: number | null;
  /** Of all sheets, and of one print; null where no price is known. */
  cost: { all: number; each: number } | null;
}

/** What a sheet says of itself: how well it is used, what would still go on it, and what it costs. */
export function reportOn(sheet: Sheet, prints: readonly Print[], layout: SheetLayout): SheetReport {
  const { width, height, sheets, laid } = layout;
  const paper = width * height * sheets;
  const used = paper === 0 ? 0 : laid.reduce((sum, one) => sum + areaOn(one), 0) / paper;
  const last = lastOf(sheet, prints);
  return {
    used,
    more: last && sheet.paper.height !== null && !sheet.placed ? moreOf(sheet, prints, layout) : null,
    row: last && sheet.paper.height === null ? rowOf(sheet, last) + sheet.gap : null,
    cost: costOf(sheet, layout),
  };
}

/** mm2 that a print takes: its box, or within its bleed where it is cut to shape. */
function areaOn({ print, width, height }: SheetLayout['laid'][number]): number {
  return print.cut ? print.cut.reach.reduce((sum, ring) => sum + Math.abs(areaOf(ring)), 0) : width * height;
}

function lastOf({ items }: Sheet, prints: readonly Print[]): Print | undefined {
  const item = items.findLast(({ copies }) => copies > 0);
  return prints.find((one) => one.fitId === item?.fitId && one.faceId === item.faceId);
}

function rowOf({ turning, paper, margin }: Sheet, { width, height }: Print): number {
  const across = paper.width - 2 * margin;
  return turning && height <= across ? Math.min(width, height) : height;
}

/** Copies are added for as long as no new sheet is begun. */
function moreOf(sheet: Sheet, prints: readonly Print[], { sheets }: SheetLayout): number {
  const index = sheet.items.findLastIndex(({ copies }) => copies > 0);
  const withMore = (more: number): Sheet => ({
    ...sheet,
    items: sheet.items.map((item, i) => (i === index ? { ...item, copies: item.copies + more } : item)),
  });
  const holds = (more: number) => layOut(withMore(more), prints).sheets <= sheets;
  let [low, high] = [0, 1];
  while (high < 512 && holds(high)) [low, high] = [high, high * 2];
  while (high - low > 1) {
    const middle = Math.floor((low + high) / 2);
    if (holds(middle)) low = middle;
    else high = middle;
  }
  return low;
}

function costOf({ price, paper }: Sheet, { sheets, height, laid }: SheetLayout): SheetReport['cost'] {
  if (price === null || laid.length === 0) return null;
  const all = paper.height === null ? (price * height * sheets) / 1000 : price * sheets;
  const whole = laid.filter(({ part }) => part === null || (part.column === 0 && part.row === 0)).length;
  return { all, each: all / Math.max(1, whole) };
}
