'use client';
import Link from 'next/link';
import { useDeferredValue, useMemo, useState } from 'react';
import { useWatch } from 'react-hook-form';
import { rank } from '@/core/check/finding';
import { useShop } from '@/state/shop/shop';
import { Tick } from '@/ui/Checkbox';
import { columnsOf, DataTable } from '@/ui/DataTable';
import { SearchField } from '@/ui/SearchField';
import { Segments } from '@/ui/Toggle';
import { packableFits, packableSheets, type Packable } from './packable';
import { FitCells, SheetCells } from './PackableCells';
import { PackForm, usePackForm } from './PackForm';

const COLUMNS = columnsOf<Packable>([
  {
    id: 'design',
    name: 'design',
    className: 'w-[18%]',
    by: (row) => ('fit' in row ? row.design : row.sheet.name),
  },
  { id: 'blank', name: 'on', className: 'w-[16%]', by: (row) => ('fit' in row ? row.blank : 'a sheet') },
  { id: 'house', name: 'for', className: 'w-[18%]', by: (row) => ('fit' in row ? row.house : '') },
  { id: 'copies', name: 'ordered', className: 'w-32', by: (row) => ('fit' in row ? row.copies : row.prints) },
  {
    id: 'docket',
    name: 'docket',
    by: (row) => ('fit' in row && row.verdict ? rank(row.verdict.verdict) : -1),
  },
]);

const LISTED = [
  { value: 'all', name: 'all' },
  { value: 'ready', name: 'Ready' },
  { value: 'ticked', name: 'ticked' },
] as const;
type Listed = (typeof LISTED)[number]['value'];

/** Which fits are handed over together; one with a Fix only with a reason. */
export function NewPack({
  first,
  onMade,
  onLeave,
}: {
  first: readonly string[];
  onMade: (id: string) => void;
  onLeave?: () => void;
}) {
  const shop = useShop();
  const fits = useMemo(() => packableFits(shop), [shop]);
  const sheets = useMemo(() => packableSheets(shop), [shop]);
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set(first));
  const form = usePackForm();
  const reasons = useWatch({ control: form.control, name: 'reasons' });
  const [words, setWords] = useState('');
  const [which, setWhich] = useState<Listed>('all');
  const picked = fits.filter(({ id }) => chosen.has(id));
  const sheetIds = sheets.filter(({ id }) => chosen.has(id)).map(({ id }) => id);
  const wanted = useDeferredValue(words).trim().toLowerCase();
  // Ticks matter to what is listed only where that is what is asked for.
  const ticked = which === 'ticked' ? chosen : null;
  const [listedFits, listed] = useMemo(() => {
    const isListed = (row: Packable) =>
      row.says.includes(wanted) &&
      (ticked ? ticked.has(row.id) : which === 'all' || ('fit' in row && row.verdict?.verdict === 'ready'));
    const some = fits.filter(isListed);
    return [some, [...some, ...sheets.filter(isListed)]];
  }, [fits, sheets, wanted, ticked, which]);
  const choose = (some: readonly string[], on: boolean) => {
    const next = new Set(chosen);
    for (const id of some)
      if (on) next.add(id);
      else next.delete(id);
    setChosen(next);
  };
  if (fits.length === 0) return <Empty />;
  return (
    <div className="flex min-w-0 grow flex-col">
      <div className="flex shrink-0 items-center gap-5 border-b border-rule px-4 py-1.5 text-sm">
        <SearchField
          label="Fits of the pack"
          placeholder="design, blank, house"
          value={words}
          onSearch={setWords}
          className="w-60 border-b border-ink bg-docket px-1 py-0.5 text-base placeholder:text-ink-2"
        />
        <Segments label="Which are listed" value={which} choices={LISTED} onChange={setWhich} />
        <span role="status" className="measure ml-auto text-ink-2">
          {picked.length} of {fits.length} ticked
        </span>
      </div>
      {listed.length === 0 ? (
        <p className="grow px-4 py-6 text-ink-2">
          {which === 'ticked' && words.trim() === '' ? 'Nothing is ticked yet.' : 'Nothing here is so.'}{' '}
          <button
            className="verb"
            onClick={() => {
              setWords('');
              setWhich('all');
            }}
          >
            List all
          </button>
        </p>
      ) : (
        <DataTable
          label="Fits that can go into the pack"
          columns={COLUMNS}
          rows={listed}
          idOf={(row) => row.id}
          tick={
            <Tick
              label={listedFits.length === fits.length ? 'Every fit' : 'Every fit that is listed'}
              checked={listedFits.length > 0 && listedFits.every(({ id }) => chosen.has(id))}
              onChange={(on) => {
                choose(
                  listedFits.map(({ id }) => id),
                  on,
                );
              }}
            />
          }
        >
          {(row) => {
            const isChosen = chosen.has(row.id);
            const onChoose = (on: boolean) => {
              choose([row.id], on);
            };
            if ('sheet' in row) return <SheetCells row={row} chosen={isChosen} onChoose={onChoose} />;
            return (
              <FitCells
                row={row}
                chosen={isChosen}
                reason={reasons[row.id] ?? ''}
                onChoose={onChoose}
                onReason={(reason) => {
                  // As a whole: a dot in an id would be a path to the form.
                  form.setValue('reasons', { ...reasons, [row.id]: reason });
                }}
              />
            );
          }}
        </DataTable>
      )}
      <PackForm
        form={form}
        picked={picked}
        sheetIds={sheetIds}
        onMade={onMade}
        {...(onLeave && { onLeave })}
      />
    </div>
  );
}

function Empty() {
  return (
    <div className="grid grow place-items-center">
      <div className="w-[430px] border-t-2 border-ink pt-4">
        <p className="text-lg font-bold">Nothing to hand over yet</p>
        <p className="mt-1 text-ink-2">
          A pack is made of fits: put a design on a blank in the range, and come back once its docket is
          ready.
        </p>
        <Link className="action mt-4 inline-block" href="/">
          To the range
        </Link>
      </div>
    </div>
  );
}
