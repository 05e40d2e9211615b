'use client';
import Link from 'next/link';
import { useState } from 'react';
import { toast } from '@/ui/toast';
import { sentence } from '@/state/sentence';
import { importRecord, makeRecord, titleOf, type Written } from '@/state/shop/houses';
import { useShop } from '@/state/shop/shop';
import { SearchField } from '@/ui/SearchField';
import { Segments } from '@/ui/Toggle';
import { useFilePicker } from '@/ui/useFilePicker';
import { Ask } from '../../shell/Ask';
import { useAsked } from '../../shell/useAsked';
import { RecordForm } from './RecordForm';
import { RecordList } from './RecordList';

/** Who prints and how: houses and methods as records that are written here. */
export function HousesPlace() {
  const { specs, methods } = useShop();
  const [askedMethod, setMethod] = useAsked('method');
  const [askedHouse, setHouse] = useAsked('house');
  const [table, setTable] = useState<Written>(askedMethod === null ? 'specs' : 'methods');
  const [words, setWords] = useState('');
  const records = [...(table === 'specs' ? specs : methods).values()].sort((a, b) =>
    titleOf(a).localeCompare(titleOf(b)),
  );
  const list = records.filter((record) => titleOf(record).toLowerCase().includes(words.trim().toLowerCase()));
  const [askedId, choose] = table === 'specs' ? [askedHouse, setHouse] : [askedMethod, setMethod];
  const chosen = records.find(({ id }) => id === askedId) ?? list[0];
  const picker = useFilePicker('House or method file', (file) => {
    importRecord(file).then(
      (taken) => {
        setTable(taken.table);
        (taken.table === 'specs' ? setHouse : setMethod)(taken.id);
        toast(`“${file.name}” is taken in.`);
      },
      (error: unknown) => toast(sentence(error)),
    );
  });
  return (
    <>
      <div className="flex h-[46px] shrink-0 items-center gap-5 border-b border-rule px-4">
        <h1 className="sr-only">Houses and methods</h1>
        <Segments
          label="Houses or methods"
          value={table}
          choices={[
            { value: 'specs', name: `${specs.size} houses` },
            { value: 'methods', name: `${methods.size} methods` },
          ]}
          className="flex gap-5 text-lg font-bold"
          onChange={setTable}
        />
        <SearchField
          label={table === 'specs' ? 'Search houses' : 'Search methods'}
          value={words}
          onSearch={setWords}
          className="w-40 border border-rule bg-docket px-2 py-1 text-sm"
        />
        <span className="ml-auto flex items-center gap-4">
          {picker.input}
          <button className="verb" onClick={picker.open}>
            Bring in
          </button>
          <Link href="/blanks" className="verb whitespace-nowrap">
            Back to the library
          </Link>
          <NewRecord table={table} onMade={choose} />
        </span>
      </div>
      <div className="flex min-h-0 grow">
        <RecordList table={table} list={list} chosenId={chosen?.id ?? null} onChoose={choose} />
        {chosen && (
          <RecordForm
            key={`${chosen.id}/${chosen.version}`}
            table={table}
            record={chosen}
            onChoose={choose}
          />
        )}
      </div>
    </>
  );
}

/** A name, and the record is there to be written. */
function NewRecord({ table, onMade }: { table: Written; onMade: (id: string) => void }) {
  const noun = table === 'specs' ? 'house' : 'method';
  return (
    <Ask
      trigger={<button className="action whitespace-nowrap">New {noun}</button>}
      label={`name of the ${noun}`}
      verb="Make it"
      align="end"
      most={120}
      note={
        table === 'specs'
          ? 'It begins with what most houses ask, all of it assumed.'
          : 'It begins as prints on paper do.'
      }
      onSaid={async (name) => {
        onMade(await makeRecord(table, name));
      }}
    />
  );
}
