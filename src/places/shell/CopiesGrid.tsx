'use client';
import { useState } from 'react';
import type { Verdict } from '@/core/check/finding';
import { MOST_COPIES, readCopies, type Cell } from '@/core/fit/copies';
import { cellsOf, type OrderGrid } from '@/core/pack/lines';
import { VerdictShape } from '@/ui/Verdict';

/** How many are ordered: product colours across, sizes or stickers down, a number in each cell. */
export function CopiesGrid({
  name,
  grid,
  copies,
  verdict,
  onCopies,
}: {
  /** What is ordered, for those who hear it. */
  name: string;
  grid: OrderGrid;
  copies: (cell: Cell) => number;
  /** How a cell does by the docket; nothing while it is not measured. */
  verdict?: ((cell: Cell) => Verdict) | undefined;
  onCopies: (cell: Cell, copies: number) => void;
}) {
  const { columns, rows } = grid;
  /** The cell in which no number stands that can be ordered. */
  const [wrong, setWrong] = useState<string | null>(null);
  const single = columns.length === 1 && rows.length === 1;
  const total = cellsOf(grid).reduce((sum, cell) => sum + copies(cell), 0);
  return (
    <div className="max-w-full overflow-x-auto">
      <table className="measure text-sm">
        <caption className="sr-only">How many of {name}</caption>
        {!single && (
          <thead>
            <tr className="align-bottom">
              <td />
              {columns.map(({ id, name: colour, hex }) => (
                <th key={id} scope="col" className="max-w-20 px-1 pb-1 font-normal">
                  {hex !== null && (
                    <span
                      aria-hidden
                      className="mx-auto block h-4 w-4 border border-ink"
                      style={{ background: hex }}
                    />
                  )}
                  <span className="block truncate">{colour}</span>
                </th>
              ))}
            </tr>
          </thead>
        )}
        <tbody>
          {rows.map((row) => (
            <tr key={row.id}>
              <th scope="row" className="max-w-40 truncate pr-2 text-left font-normal">
                {row.name}
              </th>
              {columns.map(({ id, name: colour }) => {
                const cell = { colourId: id, sizeId: row.sizeId, faceId: row.faceId };
                const where = [...(columns.length > 1 ? [colour] : []), row.name].filter(Boolean).join(', ');
                return (
                  <td key={id} className="px-1 py-0.5">
                    <CopiesField
                      label={`How many of ${name}${where === '' ? '' : `, ${where}`}`}
                      copies={copies(cell)}
                      {...(verdict && { verdict: copies(cell) > 0 ? verdict(cell) : null })}
                      onCopies={(count) => {
                        setWrong(count === null ? `${id}/${row.id}` : null);
                        if (count !== null) onCopies(cell, count);
                      }}
                    />
                  </td>
                );
              })}
            </tr>
          ))}
        </tbody>
        {!single && (
          <tfoot>
            <tr className="border-t border-ink">
              <th scope="row" className="pr-2 pt-1 text-left font-normal text-ink-2">
                together
              </th>
              <td colSpan={columns.length} className="px-1 pt-1 text-right font-semibold">
                {total} {total === 1 ? 'copy' : 'copies'}
              </td>
            </tr>
          </tfoot>
        )}
      </table>
      <p role={wrong === null ? undefined : 'alert'} className="text-sm text-fix empty:hidden">
        {wrong !== null && `Type a whole number of copies, ${MOST_COPIES.toLocaleString('en')} at most.`}
      </p>
    </div>
  );
}

/** A number of copies, kept as it is left; what is none is said and not kept. */
function CopiesField({
  label,
  copies,
  verdict,
  onCopies,
}: {
  label: string;
  copies: number;
  /** Null where there is none to be shown yet; its room is kept. */
  verdict?: Verdict | null;
  /** Null where what is typed is no number that can be ordered. */
  onCopies: (copies: number | null) => void;
}) {
  const [text, setText] = useState<string | null>(null);
  const typed = text === null ? copies : readCopies(text);
  const take = (next: string) => {
    setText(next);
    onCopies(readCopies(next));
  };
  return (
    <span className="flex items-center gap-1">
      <input
        aria-label={label}
        aria-invalid={typed === null}
        inputMode="numeric"
        value={text ?? (copies === 0 ? '' : String(copies))}
        placeholder="0"
        onChange={({ target }) => {
          take(target.value);
        }}
        onBlur={() => {
          // What is none is not kept: the number before it stands again.
          if (typed === null) onCopies(copies);
          setText(null);
        }}
        className={`w-14 border-b-2 px-1.5 py-0.5 text-right font-semibold text-on-tape placeholder:font-normal placeholder:text-on-tape/75 ${typed === null ? 'border-fix' : 'border-ink'} bg-tape-pale`}
      />
      {verdict !== undefined && (
        <span className="w-3.5">{verdict && <VerdictShape verdict={verdict} />}</span>
      )}
    </span>
  );
}
