'use client';
import {
  createSortedRowModel,
  rowSortingFeature,
  tableFeatures,
  useTable,
  type ColumnDef,
} from '@tanstack/react-table';
import { useVirtualizer } from '@tanstack/react-virtual';
import { useRef, type ReactNode } from 'react';
import { ChevronDown, ChevronUp } from 'lucide-react';

const FEATURES = tableFeatures({ rowSortingFeature, sortedRowModel: createSortedRowModel() });
const NAMES = new Intl.Collator(undefined, { numeric: true });

/** A column of a table: its head, its width, and what its rows are put in order by, where they can be. */
export interface Column<Row> {
  id: string;
  name: string;
  className?: string;
  by?: (row: Row) => string | number;
}

/** Columns as the table's library wants them; made once, outside of what is rendered. */
export function columnsOf<Row extends object>(columns: readonly Column<Row>[]) {
  const defs = columns.map(({ id, by }): ColumnDef<typeof FEATURES, Row> => {
    if (!by) return { id, enableSorting: false };
    return {
      id,
      accessorFn: by,
      sortFn: (a, b) => compare(by(a.original), by(b.original)),
      sortDescFirst: false,
    };
  });
  return { columns, defs };
}

function compare(a: string | number, b: string | number): number {
  return typeof a === 'number' && typeof b === 'number' ? a - b : NAMES.compare(String(a), String(b));
}

/** How high a row is until it has been measured, in px. */
const HEIGHT = 36;

/**
 * Rows with heads that put them in order, up and down and as they came; however many there are, only those in sight are
 * drawn. A row's cells are its caller's.
 */
export function DataTable<Row extends object>({
  label,
  columns: { columns, defs },
  rows,
  idOf,
  tick,
  children,
}: {
  label: string;
  columns: ReturnType<typeof columnsOf<Row>>;
  rows: readonly Row[];
  idOf: (row: Row) => string;
  /** The head of a first narrow column, which ticks all that is listed. */
  tick?: ReactNode;
  /** The cells of a row, as many as there are columns, and its tick's. */
  children: (row: Row) => ReactNode;
}) {
  const room = useRef<HTMLDivElement>(null);
  const table = useTable({ features: FEATURES, columns: defs, data: rows, getRowId: idOf });
  const sorted = table.getRowModel().rows;
  const lines = useVirtualizer({
    count: sorted.length,
    getScrollElement: () => room.current,
    estimateSize: () => HEIGHT,
    getItemKey: (index) => sorted[index]!.id,
    overscan: 8,
  });
  const seen = lines.getVirtualItems();
  const before = seen[0]?.start ?? 0;
  const after = lines.getTotalSize() - (seen.at(-1)?.end ?? 0);
  return (
    <div ref={room} className="relative min-h-0 grow overflow-auto px-4">
      <table className="w-full table-fixed text-left" aria-rowcount={sorted.length + 1}>
        <caption className="sr-only">{label}</caption>
        <thead className="sticky top-0 z-10 bg-frame text-sm text-ink-2">
          <tr className="border-b border-ink" aria-rowindex={1}>
            {tick && <th className="w-8 py-2 font-normal">{tick}</th>}
            {columns.map((column) => {
              const sorting = table.getColumn(column.id);
              return (
                <Head
                  key={column.id}
                  column={column}
                  way={sorting?.getIsSorted() ?? false}
                  onSort={() => sorting?.toggleSorting()}
                />
              );
            })}
          </tr>
        </thead>
        <tbody>
          <Room height={before} />
          {seen.map(({ index, key }) => (
            <tr
              key={key}
              ref={lines.measureElement}
              data-index={index}
              aria-rowindex={index + 2}
              className="border-b border-rule align-baseline"
            >
              {children(sorted[index]!.original)}
            </tr>
          ))}
          <Room height={after} />
        </tbody>
      </table>
    </div>
  );
}

/** The room of the rows that are not drawn. */
function Room({ height }: { height: number }) {
  if (height <= 0) return null;
  return (
    <tr aria-hidden>
      <td style={{ height }} className="p-0" />
    </tr>
  );
}

function Head<Row>({
  column: { name, by, className = '' },
  way,
  onSort,
}: {
  column: Column<Row>;
  way: false | 'asc' | 'desc';
  onSort: () => void;
}) {
  const Arrow = way === 'desc' ? ChevronDown : ChevronUp;
  return (
    <th
      scope="col"
      aria-sort={way === 'asc' ? 'ascending' : way === 'desc' ? 'descending' : undefined}
      className={`py-2 font-normal ${className}`}
    >
      {by ? (
        <button className="flex min-h-6 items-center gap-1 hover:text-ink" onClick={onSort}>
          {name}
          {way && <Arrow size={13} aria-hidden />}
        </button>
      ) : (
        name
      )}
    </th>
  );
}
