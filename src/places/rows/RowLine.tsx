'use client';
import { useState, type CSSProperties } from 'react';
import { toast } from '@/ui/toast';
import type { Fit } from '@/core/fit/schema';
import { drawnOf } from '@/core/product/drawn';
import { sentence } from '@/state/sentence';
import { removeRow, saveCell } from '@/state/rows/list';
import { blankOf } from '@/state/shop/library';
import { useShop } from '@/state/shop/shop';
import { Hint } from '@/ui/Hint';
import { LateMenu, MenuLine } from '@/ui/Menu';
import { tellDone } from '@/ui/tell';
import { VERDICT_INK, VERDICT_WORDS, VerdictShape } from '@/ui/Verdict';
import type { Row } from './useRows';
import { SmallFit } from '../shell/SmallFit';

interface Props {
  row: Row;
  /** The fit that the row fills: what is drawn where the row cannot be made. */
  fit: Fit;
  slots: readonly { slot: string; column: number }[];
  designId: string;
  busy: boolean;
  style: CSSProperties;
  onMake: (row: Row) => void;
}

/** A row: its number, itself drawn small, its words, and how it stands. */
export function RowLine({ row, fit, slots, designId, busy, style, onMake }: Props) {
  const shown = row.fit ?? fit;
  const blank = useShop((shop) => blankOf(shown, shop));
  const { number, cells } = row;
  return (
    <div
      role="row"
      aria-rowindex={number + 1}
      style={style}
      className="absolute inset-x-0 grid items-center gap-x-4 border-b border-rule px-4"
    >
      <span role="rowheader" className="measure text-ink-2">
        {number}
      </span>
      <span role="cell" className={`block bg-viewing ${row.fit ? '' : 'opacity-40'}`}>
        {blank && (
          <SmallFit blank={blank} drawn={drawnOf(blank, shown)} fit={shown} width={132} height={72} />
        )}
      </span>
      {slots.map(({ slot, column }) => (
        <span role="cell" key={slot} className="min-w-0">
          {column >= 0 && (
            <CellField
              label={`${slot} of row ${number}`}
              value={cells[column] ?? ''}
              wrong={row.problems.some(
                (problem) => problem.column.toLowerCase() === slot.toLowerCase() && !row.fit,
              )}
              disabled={busy}
              onText={(text) => {
                saveCell(designId, number - 1, column, text).catch((error: unknown) =>
                  toast(sentence(error)),
                );
              }}
            />
          )}
        </span>
      ))}
      <span role="cell" className="min-w-0 text-sm">
        <Standing row={row} />
      </span>
      <span role="cell">
        <LateMenu label="…" spoken={`Row ${number}: what can be done`} align="end" disabled={busy}>
          <MenuLine
            disabled={!row.fit}
            onSelect={() => {
              onMake(row);
            }}
          >
            Make its print alone
          </MenuLine>
          <MenuLine
            onSelect={() =>
              void removeRow(designId, number - 1).then(({ undo }) => {
                tellDone(`Row ${number} is taken out.`, undo);
              })
            }
          >
            Take the row out
          </MenuLine>
        </LateMenu>
      </span>
    </div>
  );
}

/** How a row stands, in words: why it cannot be made, or its verdict with what tells it, and what its print is called. */
function Standing({ row: { fit, problems, standing, shrunk, name } }: { row: Row }) {
  const said = problems.map(({ column, message }) => `${column}: ${message}`).join(' ');
  if (!fit) return <Cut className="font-semibold text-fix">{said}</Cut>;
  if (!standing) return <span className="text-ink-2">not measured yet</span>;
  if ('why' in standing) return <Cut className="font-semibold text-fix">{standing.why}</Cut>;
  const { verdict, findings } = standing.docket;
  const telling = verdict === 'ready' ? undefined : findings.find((one) => one.verdict === verdict);
  return (
    <>
      <span className={`measure flex items-center gap-1.5 font-semibold ${VERDICT_INK[verdict]}`}>
        <VerdictShape verdict={verdict} />
        {telling ? (
          <Hint words={telling.message}>
            <span tabIndex={0} className="truncate">
              {VERDICT_WORDS[verdict]}: {telling.word}
            </span>
          </Hint>
        ) : (
          VERDICT_WORDS[verdict]
        )}
        {shrunk && <span className="font-normal text-ink-2">smaller, to fit its slot</span>}
      </span>
      <Cut className="text-ink-2">{name}</Cut>
      {said !== '' && <Cut className="text-look">{said}</Cut>}
    </>
  );
}

/** Words on two lines at most; the hint has them whole. */
function Cut({ children, className }: { children: string; className: string }) {
  return (
    <Hint words={children}>
      <span className={`line-clamp-2 [overflow-wrap:anywhere] ${className}`}>{children}</span>
    </Hint>
  );
}

/** A cell's words, changed where they stand; Enter or leaving them keeps them, Escape does not. */
function CellField({
  label,
  value,
  wrong,
  disabled,
  onText,
}: {
  label: string;
  value: string;
  wrong: boolean;
  disabled: boolean;
  onText: (text: string) => void;
}) {
  const [text, setText] = useState<string | null>(null);
  return (
    <input
      aria-label={label}
      aria-invalid={wrong}
      disabled={disabled}
      value={text ?? value}
      className={`w-full text-ellipsis border-b bg-transparent px-1 py-1 focus:border-ink ${wrong ? 'border-fix' : 'border-rule'}`}
      onChange={(event) => {
        setText(event.target.value);
      }}
      onBlur={() => {
        if (text !== null && text !== value) onText(text);
        setText(null);
      }}
      onKeyDown={(event) => {
        if (event.key === 'Enter') event.currentTarget.blur();
        if (event.key === 'Escape') setText(null);
      }}
    />
  );
}
