'use client';
import { versionsOf } from '@/state/shop/designs';
import type { RangeSpot } from '@/state/shop/dropped';
import { useShop } from '@/state/shop/shop';
import { CellLines, FitLines, type CellOf } from './CellLines';
import { ColumnLines } from './ColumnLines';
import { DesignLines, type RowOf } from './DesignLines';

/** What can be done with what of the range is pointed at: a cell, a row's head or a column's. */
export function PointedLines({
  spot: { designId, blankId },
  designs,
  ...acts
}: {
  spot: RangeSpot;
  /** What is shown, by id. */
  designs: readonly string[];
  blanks: readonly string[];
  movable: boolean;
} & Pick<CellOf, 'onOpen' | 'onAsk'> &
  Pick<RowOf, 'onMove'>) {
  const shop = useShop();
  const design = shop.designs.get(designId ?? '');
  const blank = shop.blanks.get(blankId ?? '')?.blank;
  if (!design) return blank ? <ColumnLines blank={blank} designs={designs} onAsk={acts.onAsk} /> : null;
  if (!blank) {
    const row = acts.movable ? designs.indexOf(design.id) : -1;
    const beside = (step: 1 | -1) => (row < 0 ? undefined : shop.designs.get(designs[row + step] ?? ''));
    return <DesignLines {...acts} design={design} above={beside(-1)} under={beside(1)} />;
  }
  const versions = versionsOf(shop.fits.values(), design.id, blank.id);
  if (versions.length === 0) return <FitLines design={design} blank={blank} />;
  return <CellLines {...acts} design={design} blank={blank} versions={versions} />;
}
