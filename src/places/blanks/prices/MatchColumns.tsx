'use client';
import { useState } from 'react';
import type { PriceList } from '@/core/price/list';
import type { PriceColumn } from '@/core/price/table';
import { COLUMNS, matchedBy, readMatched } from '@/state/price/price-table';
import { addPrices } from '@/state/price/prices';
import { today } from '@/state/today';
import { Dialog, LeaveDialog } from '@/ui/Dialog';
import { Select } from '@/ui/Select';
import { COLUMN_WORDS } from './columns';

/** So many troubles are told one by one. */
const TOLD = 8;

/** Which column of a table says what, before its prices are taken in; every fault is told by row and column. */
export function MatchColumns({
  name,
  table,
  onTaken,
  onClose,
}: {
  name: string;
  table: readonly (readonly string[])[];
  onTaken: (list: PriceList) => void;
  onClose: () => void;
}) {
  const head = table[0]!;
  const [match, setMatch] = useState(() => matchedBy(head));
  const [forAll, setForAll] = useState<Partial<Record<PriceColumn, string>>>({
    currency: 'EUR',
    day: today(),
  });
  const { prices, troubles } = readMatched(table, match, forAll);
  return (
    <Dialog title={`Prices of “${name}”`} className="top-16 w-[720px]" onClose={onClose}>
      <p className="text-sm text-ink-2">
        {table.length - 1} rows. Say which column holds what; what no column says can be said for all rows.
      </p>
      <div className="mt-2 grid max-h-[46vh] grid-cols-2 gap-x-8 overflow-auto border-t border-rule">
        {COLUMNS.map((column) => (
          <div key={column} className="flex items-center gap-2 border-b border-rule py-1.5">
            <span className="grow">{COLUMN_WORDS[column]}</span>
            <Select
              label={`Column of ${COLUMN_WORDS[column]}`}
              value={String(match[column])}
              choices={[
                ['-1', 'none'],
                ...head.map((word, i) => [String(i), word.trim() || `column ${i + 1}`] as const),
              ]}
              className="w-40"
              onChange={(chosen) => {
                setMatch({ ...match, [column]: Number(chosen) });
              }}
            />
            {match[column] < 0 && (
              <input
                aria-label={`${COLUMN_WORDS[column]} of all rows`}
                placeholder="for all"
                value={forAll[column] ?? ''}
                className="measure w-24 border-b border-ink bg-docket px-1 py-0.5"
                onChange={(event) => {
                  setForAll({ ...forAll, [column]: event.target.value });
                }}
              />
            )}
          </div>
        ))}
      </div>
      <div aria-live="polite" className="pt-2 text-sm">
        {troubles.slice(0, TOLD).map(({ row, column, message }) => (
          <p key={`${row}/${column}`} className="text-fix">
            {message}
          </p>
        ))}
        {troubles.length > TOLD && <p className="text-fix">And {troubles.length - TOLD} more.</p>}
      </div>
      <p className="flex items-center justify-end gap-5 pt-3">
        <LeaveDialog>Leave it</LeaveDialog>
        <button
          className="action"
          disabled={prices.length === 0}
          onClick={() => void addPrices(name, name, prices).then(onTaken)}
        >
          {troubles.length > 0 ? `Take the ${prices.length} rows that read` : `Take ${prices.length} prices`}
        </button>
      </p>
    </Dialog>
  );
}
