'use client';
import { useAsked } from '../shell/useAsked';
import { useMemo, useState } from 'react';
import { toast } from '@/ui/toast';
import type { Sheet, Spot } from '@/core/sheet/schema';
import { sentence } from '@/state/sentence';
import { useShop } from '@/state/shop/shop';
import { addSheet, changeSheet, printsIn, removeSheet } from '@/state/handover/sheets';
import { NameField } from '@/ui/NameField';
import { MakeButton } from './MakeButton';
import { PrintList } from './PrintList';
import { SheetDrawing } from './SheetDrawing';
import { SheetSettings } from './SheetSettings';
import { useLayout } from './useLayout';
import { Select } from '@/ui/Select';
import { tellDone } from '@/ui/tell';
import { Guard } from '@/ui/Guard';

/** What is printed together: prints of many fits on paper, film or vinyl, with what the press needs to know. */
export function SheetsPlace() {
  const sheets = useShop((shop) => shop.sheets);
  const [chosenId, setChosenId] = useAsked('sheet');
  const list = [...sheets.values()];
  const chosen = sheets.get(chosenId ?? '') ?? list.at(-1);
  const add = () => {
    addSheet().then(
      ({ id }) => {
        setChosenId(id);
      },
      (error: unknown) => toast(sentence(error)),
    );
  };
  const remove = async (sheet: Sheet) => {
    const undo = await removeSheet(sheet);
    tellDone(`“${sheet.name}” is taken out.`, undo);
  };
  return (
    <div className="flex min-h-0 grow flex-col">
      <div className="flex h-[46px] shrink-0 items-center gap-5 border-b border-rule bg-frame px-4">
        {chosen ? (
          <>
            <h1 className="w-64">
              <NameField
                label="Name of the sheet"
                value={chosen.name}
                onName={(name) => void changeSheet(chosen.id, () => ({ name }))}
              />
            </h1>
            {list.length > 1 && (
              <Select
                label="Sheet"
                value={chosen.id}
                choices={list.map(({ id, name }) => [id, name])}
                onChange={setChosenId}
                className="max-w-52 text-sm"
              />
            )}
            <span className="ml-auto flex items-center gap-5">
              <button className="verb" onClick={() => void remove(chosen)}>
                Take out
              </button>
              <button className="verb" onClick={add}>
                New sheet
              </button>
              <MakeButton sheet={chosen} />
            </span>
          </>
        ) : (
          <h1 className="text-lg font-bold">No sheets yet</h1>
        )}
      </div>
      {chosen ? (
        <Guard key={chosen.id} what={`The sheet “${chosen.name}”`} onTakeOut={() => void remove(chosen)}>
          <OneSheet sheet={chosen} />
        </Guard>
      ) : (
        <Empty onAdd={add} />
      )}
    </div>
  );
}

function OneSheet({ sheet }: { sheet: Sheet }) {
  const shop = useShop();
  const prints = useMemo(() => printsIn(shop), [shop]);
  const laid = useLayout(sheet, prints);
  const [selected, setSelected] = useState<number | null>(null);
  const change = (some: Partial<Sheet>) => void changeSheet(sheet.id, () => some);
  const move = (index: number, spot: Partial<Spot>) =>
    void changeSheet(sheet.id, ({ placed }) => ({
      placed: (placed ?? []).map((one, i) => (i === index ? { ...one, ...spot } : one)),
    }));
  return (
    <div className="flex min-h-0 grow">
      <PrintList sheet={sheet} prints={prints} onChange={change} />
      <SheetDrawing
        sheet={sheet}
        layout={laid?.layout ?? null}
        selected={sheet.placed ? selected : null}
        onSelect={setSelected}
        onMove={move}
      />
      <SheetSettings
        sheet={sheet}
        laid={laid}
        selected={selected}
        onSelect={setSelected}
        onChange={change}
        onMove={move}
      />
    </div>
  );
}

function Empty({ onAdd }: { onAdd: () => void }) {
  return (
    <div className="grid grow place-items-center bg-viewing text-viewing-ink">
      <div className="w-[460px] border-t-2 border-viewing-ink pt-4">
        <p className="text-lg font-bold">Print several together</p>
        <p className="mt-1">
          A sheet takes prints of any fits, as many of each as you need, and packs them onto paper, film or
          vinyl at true size: with crop marks, a ruler that proves the scale, and the press card beside it.
        </p>
        <button className="action mt-4" onClick={onAdd}>
          New sheet
        </button>
      </div>
    </div>
  );
}
