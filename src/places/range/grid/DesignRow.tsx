'use client';
import { useDraggable } from '@dnd-kit/core';
import { memo, useMemo } from 'react';
import type { ResolvedBlank } from '@/core/blank/resolve';
import type { Design, Fit } from '@/core/fit/schema';
import { byVersion } from '@/core/fit/version';
import type { Place } from '@/core/many/choice';
import { verdictOf } from '@/state/bench/dockets';
import { useShop } from '@/state/shop/shop';
import { Guard } from '@/ui/Guard';
import type { Asked } from '../asked';
import { Cell } from './Cell';
import { DesignHead } from './DesignHead';
import { ROW_HEIGHT } from './sizes';

interface Props {
  design: Design;
  index: number;
  /** Its fits, on whatever blanks. */
  fits: readonly Fit[];
  columns: readonly ResolvedBlank[];
  /** The columns that are drawn, and where, in px. */
  shown: readonly { column: ResolvedBlank; index: number; left: number }[];
  /** px of a cell. */
  width: number;
  /** The column whose cell has the focus, −1 for the head of the row; null where it is in no place of this row. */
  focused: number | null;
  above: Design | undefined;
  under: Design | undefined;
  /** Whether rows stand in the shop's own order, and can be moved in it. */
  movable: boolean;
  /** px */
  top: number;
  onMove: (designId: string, toRowOf: Design) => void;
  onOpen: (fitId: string) => void;
  onAsk: (asked: Asked) => void;
  onBlock: (to: Place) => void;
}

/** A design and its fits on the blanks of the range; drawn again only where something of its own changes, as it scrolls by. */
export const DesignRow = memo(function DesignRow({
  design,
  index,
  fits,
  columns,
  shown,
  width,
  focused,
  above,
  under,
  movable,
  top,
  onMove,
  onOpen,
  onAsk,
  onBlock,
}: Props) {
  const shop = useShop();
  const { attributes, listeners, setActivatorNodeRef, setNodeRef, transform, isDragging } = useDraggable({
    id: design.id,
  });
  // The same lists as long as the fits are the same: what scrolls by draws no cell again.
  const versions = useMemo(() => byBlank(fits), [fits]);
  const here = new Set(columns.map(({ blank }) => blank.id));
  const fitted = fits.filter(({ blankId }) => here.has(blankId));
  const ready = fitted.filter((one) => verdictOf(one, shop) === 'ready').length;
  return (
    <div
      ref={setNodeRef}
      role="row"
      aria-rowindex={index + 2}
      style={{
        top,
        height: ROW_HEIGHT,
        ...(transform && { transform: `translateY(${transform.y}px)` }),
      }}
      className={`group absolute inset-x-0 ${isDragging ? 'z-30 opacity-80' : ''}`}
    >
      <DesignHead
        row={{ design, above, under, blanks: columns.map(({ blank }) => blank.id), onMove, onAsk }}
        ready={ready}
        fitted={fitted.length}
        handle={{ attributes, listeners, setActivatorNodeRef }}
        movable={movable}
        focused={focused === -1}
      />
      {shown.map(({ column, index: at, left }) => {
        const blankId = column.blank.id;
        return (
          <Guard
            key={blankId}
            what="This fit"
            instead={
              <div role="gridcell" style={{ left, width }} className="absolute top-0 p-2 text-sm">
                cannot be shown
              </div>
            }
          >
            <Cell
              column={column}
              index={at}
              place={{ left, width }}
              focused={focused === at}
              design={design}
              versions={versions.get(blankId) ?? NONE}
              onOpen={onOpen}
              onAsk={onAsk}
              onBlock={() => {
                onBlock({ designId: design.id, blankId });
              }}
            />
          </Guard>
        );
      })}
    </div>
  );
});

const NONE: readonly Fit[] = [];

/** A design's fits by their blank, the versions on each in order. */
function byBlank(fits: readonly Fit[]): Map<string, Fit[]> {
  const all = new Map<string, Fit[]>();
  for (const fit of fits) all.set(fit.blankId, [...(all.get(fit.blankId) ?? []), fit]);
  for (const own of all.values()) if (own.length > 1) own.sort(byVersion);
  return all;
}
