'use client';
import { useVirtualizer } from '@tanstack/react-virtual';
import { useRef, useState } from 'react';
import type { Fit } from '@/core/fit/schema';
import { columnFor } from '@/core/rows/schema';
import { slotNames } from '@/core/rows/slots';
import type { List } from '@/state/rows/list';
import { rank } from '@/core/check/finding';
import { Select } from '@/ui/Select';
import { RowLine } from './RowLine';
import type { Row } from './useRows';

interface Props {
  fit: Fit;
  list: List;
  rows: readonly Row[];
  /** Whether prints are being made: rows stay as they are meanwhile. */
  busy: boolean;
  onMake: (row: Row) => void;
}

const HEIGHT = 84;
const ORDERS = [
  ['listed', 'as listed'],
  ['wrong', 'what is wrong first'],
  ['longest', 'longest words first'],
] as const;
type Order = (typeof ORDERS)[number][0];

/** Every row drawn small, with its words to be changed where they stand and how it stands; only those in sight are drawn. */
export function RowList({ fit, list, rows, busy, onMake }: Props) {
  const room = useRef<HTMLDivElement>(null);
  const [order, setOrder] = useState<Order>('listed');
  const slots = slotNames(fit);
  const sorted = inOrder(rows, order);
  const lines = useVirtualizer({
    count: sorted.length,
    getScrollElement: () => room.current,
    estimateSize: () => HEIGHT,
    overscan: 4,
  });
  const columns = `48px 132px repeat(${slots.length}, minmax(140px, 1fr)) minmax(230px, 2fr) 32px`;
  return (
    <div ref={room} className="min-h-0 grow overflow-auto">
      <div role="table" aria-label="Rows" aria-rowcount={rows.length + 1} className="min-w-max">
        <div
          role="row"
          style={{ gridTemplateColumns: columns }}
          className="sticky top-0 z-10 grid items-center gap-x-4 border-b-2 border-ink bg-frame px-4 py-1.5 text-sm font-semibold"
        >
          <span role="columnheader">row</span>
          <span role="columnheader" className="text-ink-2">
            <span className="sr-only">drawn, and their order: </span>
            <Select
              label="Order of the rows"
              value={order}
              choices={ORDERS}
              onChange={setOrder}
              className="w-full"
            />
          </span>
          {slots.map((slot) => (
            <span role="columnheader" key={slot} className="truncate">
              {slot}
            </span>
          ))}
          <span role="columnheader">how it stands</span>
          <span role="columnheader" className="sr-only">
            what can be done
          </span>
        </div>
        <div role="rowgroup" className="relative" style={{ height: lines.getTotalSize() }}>
          {lines.getVirtualItems().map(({ index, start }) => {
            const row = sorted[index]!;
            return (
              <RowLine
                key={row.number}
                row={row}
                fit={fit}
                slots={slots.map((slot) => ({ slot, column: columnFor(list, slot) }))}
                designId={fit.designId}
                busy={busy}
                style={{ top: start, height: HEIGHT, gridTemplateColumns: columns }}
                onMake={onMake}
              />
            );
          })}
        </div>
      </div>
    </div>
  );
}

function inOrder(rows: readonly Row[], order: Order): readonly Row[] {
  if (order === 'listed') return rows;
  const key =
    order === 'wrong'
      ? ({ fit, standing }: Row) =>
          !fit ? 9 : standing && 'docket' in standing ? rank(standing.docket.verdict) : standing ? 8 : -1
      : ({ cells }: Row) => Math.max(0, ...cells.map(({ length }) => length));
  return [...rows].sort((a, b) => key(b) - key(a) || a.number - b.number);
}
