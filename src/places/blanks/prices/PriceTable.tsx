'use client';
import { useVirtualizer } from '@tanstack/react-virtual';
import { useMemo, useRef, useState } from 'react';
import type { PriceList } from '@/core/price/list';
import { pricesTable, readPrices, type PriceColumn } from '@/core/price/table';
import { COLUMNS, exportPrices } from '@/state/price/price-table';
import { priceQuestions, removePrices, savePrices, twiceIn } from '@/state/price/prices';
import { useShop } from '@/state/shop/shop';
import { today } from '@/state/today';
import { Fold } from '@/ui/Fold';
import { NameField } from '@/ui/NameField';
import { Select } from '@/ui/Select';
import { tellDone } from '@/ui/tell';
import { COLUMN_WORDS } from './columns';

const ROW = 32;
const WIDTHS = 'grid-cols-[1.4fr_1.3fr_0.7fr_1fr_0.7fr_0.8fr_0.8fr_0.8fr_0.7fr_1fr_0.9fr_0.9fr_0.9fr_72px]';
/** Columns that hold sums and numbers. */
const NUMBERS: ReadonlySet<PriceColumn> = new Set(['from', 'price', 'setup', 'postage', 'side', 'more']);

/** What stands where nobody has said a number; a further side or piece that is not said costs what the first does, or nothing is asked. */
const UNSAID: Partial<Record<PriceColumn, string>> = {
  price: 'unknown',
  setup: 'unknown',
  postage: 'unknown',
  side: '–',
  more: '–',
};

/** One price list, a line a row, each cell typed where it stands; what does not read says why and stays as it was typed. */
export function PriceTable({
  list,
  lists,
  onChoose,
}: {
  list: PriceList;
  lists: readonly PriceList[];
  onChoose: (id: string) => void;
}) {
  const shop = useShop();
  const [trouble, setTrouble] = useState<string | null>(null);
  const box = useRef<HTMLDivElement>(null);
  const rows = useVirtualizer({
    count: list.lines.length,
    getScrollElement: () => box.current,
    estimateSize: () => ROW,
    overscan: 12,
  });
  // Scrolling draws this anew, and a list may have thousands of lines.
  const table = useMemo(() => pricesTable(list.lines), [list.lines]);
  const set = (row: number, column: PriceColumn, text: string): boolean => {
    const next = table.map((cells, i) =>
      i === row + 1 ? cells.map((cell, at) => (COLUMNS[at] === column ? text.trim() : cell)) : cells,
    );
    const { prices, troubles } = readPrices(next);
    const [first] = troubles.filter((one) => one.row === row + 2);
    setTrouble(first?.message ?? null);
    if (first || prices.length !== list.lines.length) return false;
    void savePrices({ ...list, lines: prices });
    return true;
  };
  const add = () => {
    const last = list.lines.at(-1);
    const from = last ? { ...last, from: last.from * 2, price: null } : null;
    void savePrices({
      ...list,
      lines: [
        ...list.lines,
        from ?? {
          ...{ house: '', blank: [...shop.blanks.keys()][0] ?? 'mug-325', size: '', method: '', from: 1 },
          ...{ price: null, setup: null, postage: null, currency: 'EUR', day: today() },
          ...{ material: '', side: null, more: null },
        },
      ],
    });
  };
  const { prices: all, blanks } = shop;
  const twice = useMemo(() => twiceIn({ prices: all }), [all]);
  const questions = useMemo(() => priceQuestions(list.lines, { blanks }), [list.lines, blanks]);
  return (
    <div className="flex min-h-0 grow flex-col px-4 pb-4">
      <div className="flex items-center gap-4 py-2">
        {lists.length > 1 && (
          <Select
            label="Price list"
            value={list.id}
            choices={lists.map(({ id, name }) => [id, name] as const)}
            className="w-52"
            onChange={onChoose}
          />
        )}
        <span className="w-64">
          <NameField
            value={list.name}
            label="Name of the list"
            onName={(name) => void savePrices({ ...list, name })}
          />
        </span>
        <span className="w-64">
          <NameField
            small
            value={list.source}
            placeholder="who said so"
            label="Source of the list"
            onName={(source) => void savePrices({ ...list, source })}
          />
        </span>
        <span className="ml-auto flex gap-4">
          <button
            className="verb"
            onClick={() => {
              exportPrices(list);
            }}
          >
            Save as CSV
          </button>
          <button
            className="verb"
            onClick={() =>
              void removePrices(list).then((undo) => {
                tellDone(`The price list “${list.name}” is taken out.`, undo);
              })
            }
          >
            Take out
          </button>
          <button className="action" onClick={add}>
            Add a line
          </button>
        </span>
      </div>
      {[...(trouble ? [trouble] : []), ...twice].map((words) => (
        <p key={words} role="alert" className="pb-1.5 text-fix">
          {words}
        </p>
      ))}
      <div
        ref={box}
        className="min-h-0 grow overflow-auto border-t-2 border-ink"
        role="table"
        aria-label="Prices"
      >
        <div role="row" className={`sticky top-0 z-10 grid min-w-[1180px] bg-frame ${WIDTHS}`}>
          {COLUMNS.map((column) => (
            <span
              key={column}
              role="columnheader"
              className={`flex items-end px-1.5 py-1 text-sm leading-tight text-ink-2 ${NUMBERS.has(column) ? 'justify-end text-right' : ''}`}
            >
              {COLUMN_WORDS[column]}
            </span>
          ))}
          <span role="columnheader" className="sr-only">
            take out
          </span>
        </div>
        <div role="rowgroup" className="relative min-w-[1180px]" style={{ height: rows.getTotalSize() }}>
          {rows.getVirtualItems().map(({ index, start }) => (
            <div
              key={index}
              role="row"
              className={`absolute inset-x-0 grid border-b border-rule ${WIDTHS}`}
              style={{ top: start, height: ROW }}
            >
              {COLUMNS.map((column, at) => (
                <PriceCell
                  key={column}
                  label={`${COLUMN_WORDS[column]} of line ${index + 1}`}
                  value={table[index + 1]![at]!}
                  number={NUMBERS.has(column)}
                  empty={UNSAID[column] ?? ''}
                  onSet={(text) => set(index, column, text)}
                />
              ))}
              <span role="cell" className="flex items-center px-1.5">
                <button
                  className="verb text-sm"
                  aria-label={`Take out line ${index + 1}`}
                  onClick={() =>
                    void savePrices({ ...list, lines: list.lines.filter((_, i) => i !== index) })
                  }
                >
                  Take out
                </button>
              </span>
            </div>
          ))}
        </div>
        {list.lines.length === 0 && (
          <p className="py-6 text-center text-ink-2">No line yet: add one, and type what the house asks.</p>
        )}
      </div>
      {questions.length > 0 && (
        <Fold
          className="pt-2"
          title={`${questions.length} ${questions.length === 1 ? 'number nobody has' : 'numbers nobody has'} said`}
        >
          <ul className="max-h-32 overflow-auto pt-1 text-sm text-ink-2">
            {questions.slice(0, 200).map((question, i) => (
              <li key={i}>{question}</li>
            ))}
          </ul>
        </Fold>
      )}
    </div>
  );
}

/** One cell; Enter or leaving it keeps what was typed, Escape does not. What does not read stays to be mended. */
function PriceCell({
  label,
  value,
  number,
  empty,
  onSet,
}: {
  label: string;
  value: string;
  number: boolean;
  /** What stands there while nobody has said it. */
  empty: string;
  onSet: (text: string) => boolean;
}) {
  const [text, setText] = useState<string | null>(null);
  const [wrong, setWrong] = useState(false);
  return (
    <span role="cell">
      <input
        aria-label={label}
        aria-invalid={wrong}
        value={text ?? value}
        placeholder={empty}
        className={`size-full truncate px-1.5 placeholder:text-ink-2 hover:bg-tape-pale hover:text-on-tape focus:bg-tape-pale focus:text-on-tape aria-[invalid=true]:outline aria-[invalid=true]:outline-2 aria-[invalid=true]:-outline-offset-2 aria-[invalid=true]:outline-fix ${number ? 'measure bg-transparent text-right' : 'bg-transparent'}`}
        onChange={(event) => {
          setText(event.target.value);
        }}
        onKeyDown={(event) => {
          if (event.key === 'Enter') event.currentTarget.blur();
          if (event.key === 'Escape') {
            setText(null);
            setWrong(false);
          }
        }}
        onBlur={() => {
          if (text === null || text === value) {
            setText(null);
            setWrong(false);
            return;
          }
          const kept = onSet(text);
          setWrong(!kept);
          if (kept) setText(null);
        }}
      />
    </span>
  );
}
