'use client';
import { useState, type ReactNode } from 'react';
import { toast } from '@/ui/toast';
import type { Fit } from '@/core/fit/schema';
import { unknownParts } from '@/core/rows/list';
import { columnFor } from '@/core/rows/schema';
import { slotNames, slotsOf } from '@/core/rows/slots';
import { showLength } from '@/core/length/show';
import { sentence } from '@/state/sentence';
import { usualPattern } from '@/state/rows/filled';
import { addRow, removeList, saveList, withoutHead, type List } from '@/state/rows/list';
import { useShop } from '@/state/shop/shop';
import { Dialog } from '@/ui/Dialog';
import { Choice } from '@/ui/Field';
import { NameField } from '@/ui/NameField';
import { tellDone } from '@/ui/tell';
import { ListForm } from './BeginList';

interface Props {
  fit: Fit;
  list: List;
  /** Slots that no column fills. */
  missing: readonly string[];
  children?: ReactNode;
}

/** Which column fills which slot, what files are called, and what can be done with the list as a whole. */
export function ListPanel({ fit, list, missing, children }: Props) {
  const unit = useShop((shop) => shop.settings.unit);
  const [another, setAnother] = useState(false);
  const { designId } = fit;
  const slots = slotNames(fit);
  const change = (next: Parameters<typeof saveList>[1]) => {
    saveList(designId, next).catch((error: unknown) => toast(sentence(error)));
  };
  const used = new Set(slots.map((slot) => columnFor(list, slot)));
  const others = list.columns.filter((column, i) => column !== '' && !used.has(i));
  const pattern = list.pattern || usualPattern(fit);
  const [unknown] = unknownParts(pattern, { columns: [...list.columns, ...slots] });
  return (
    <section
      aria-label="List"
      className="flex w-[300px] shrink-0 flex-col gap-4 overflow-auto border-r border-rule bg-docket px-4 py-3"
    >
      <div>
        <h2 className="font-bold">Slots</h2>
        {missing.length > 0 && (
          <p role="alert" className="text-sm text-fix">
            No column fills {missing.map((slot) => `“${slot}”`).join(', ')}: choose one.
          </p>
        )}
        {slots.map((slot) => {
          const at = columnFor(list, slot);
          const text = slotsOf(fit).find((piece) => piece.slot.name.toLowerCase() === slot.toLowerCase());
          return (
            <div key={slot}>
              <Choice
                label={slot}
                value={list.columns[at] ?? ''}
                choices={[
                  ...(at < 0 ? [['', 'choose a column'] as const] : []),
                  ...list.columns
                    .filter((column) => column !== '')
                    .map((column) => [column, column] as const),
                ]}
                onChange={(column) => {
                  change({ matches: { ...list.matches, [slot]: column } });
                }}
              />
              <p className="measure text-right text-sm text-ink-2">
                {text?.kind === 'text'
                  ? `${showLength(text.slot.width, unit)} wide, caps ${showLength(text.slot.least, unit)} at least`
                  : 'pictures, by the names of their files'}
              </p>
            </div>
          );
        })}
        {others.length > 0 && (
          <p className="mt-1 text-sm text-ink-2">
            No slot is called {others.map((column) => `“${column}”`).join(', ')}: names of files may use{' '}
            {others.length === 1 ? 'it' : 'them'}.
          </p>
        )}
      </div>
      <div>
        <h2 className="font-bold">Names of the files</h2>
        <NameField
          small
          label="Pattern of the files’ names"
          value={pattern}
          onName={(typed) => {
            change({ pattern: typed });
          }}
        />
        <p className="text-sm text-ink-2">
          {['design', 'row', ...list.columns.filter((column) => column !== '')]
            .slice(0, 8)
            .map((part) => `{${part}}`)
            .join(' ')}{' '}
          stand for what they say.
        </p>
        {unknown !== undefined && (
          <p role="alert" className="text-sm text-fix">
            The list has no column “{unknown}”.
          </p>
        )}
      </div>
      {children}
      <div className="flex flex-col items-start gap-1.5">
        <button className="verb" onClick={() => void addRow(designId)}>
          Add a row
        </button>
        <button
          className="verb"
          onClick={() => {
            setAnother(true);
          }}
        >
          Take another table…
        </button>
        <button
          className="verb"
          onClick={() => {
            const { columns, rows } = withoutHead(list);
            void saveList(designId, { columns, rows, matches: matchesByPlace(list, slots, columns) }).then(
              ({ undo }) => {
                tellDone('The first row is a row, and names no columns.', undo);
              },
            );
          }}
        >
          Its first row is a row
        </button>
        <button
          className="verb"
          onClick={() =>
            void removeList(designId).then(({ undo }) => {
              tellDone('The list is taken out.', undo);
            })
          }
        >
          Take the list out
        </button>
      </div>
      {another && (
        <Dialog
          title="Another table"
          description="It takes the place of this one; the columns that you chose for slots stay."
          className="top-24 w-[680px]"
          onClose={() => {
            setAnother(false);
          }}
        >
          <ListForm
            fit={fit}
            onTaken={() => {
              setAnother(false);
            }}
          />
        </Dialog>
      )}
    </section>
  );
}

/** Columns without names fill the slots that they filled, and otherwise in their order. */
function matchesByPlace(
  list: List,
  slots: readonly string[],
  columns: readonly string[],
): Record<string, string> {
  return Object.fromEntries(
    slots.map((slot, i) => {
      const at = columnFor(list, slot);
      return [slot, columns[at < 0 ? i : at] ?? columns[0]!];
    }),
  );
}
