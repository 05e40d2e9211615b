'use client';
import Link from 'next/link';
import { useRef, useState } from 'react';
import { toast } from '@/ui/toast';
import { importBlank } from '@/state/shop/blanks';
import { sentence } from '@/state/sentence';
import { useShop } from '@/state/shop/shop';
import { BlankStrip } from './BlankStrip';
import { Compare } from './Compare';
import { EVERYTHING, isPlain, matching, type Wanted } from './filter';
import { FilterBar } from './FilterBar';
import { Library } from './Library';
import { useAsked } from '../shell/useAsked';

/** The library: each blank as its own flat at one common scale, and the numbers of the one that is chosen. */
export function Blanks() {
  const blanks = useShop((shop) => shop.blanks);
  const unit = useShop((shop) => shop.settings.unit);
  const [wanted, setWanted] = useState<Wanted>(EVERYTHING);
  const [chosenId, setChosenId] = useAsked('blank');
  const [compared, setCompared] = useState<readonly string[]>([]);
  const found = matching([...blanks.values()], wanted, unit);
  const chosen = chosenId === null ? undefined : blanks.get(chosenId);
  const side = compared.flatMap((id) => blanks.get(id) ?? []);
  const compare = (id: string) => {
    setCompared((so) => (so.includes(id) ? so.filter((one) => one !== id) : [...so, id]));
  };
  return (
    <>
      <div className="flex min-h-[46px] shrink-0 flex-wrap items-center gap-x-4 gap-y-1.5 border-b border-rule px-4 py-1.5">
        <h1 className="whitespace-nowrap text-lg font-bold">
          {isPlain(wanted) ? `${blanks.size} blanks` : `${found.length} of ${blanks.size} blanks`}
        </h1>
        <FilterBar wanted={wanted} unit={unit} onWant={setWanted} />
        <span className="ml-auto flex flex-wrap items-center gap-x-3.5 gap-y-1.5">
          <Link href="/blanks/houses" className="verb whitespace-nowrap">
            Houses
          </Link>
          <Link href="/blanks/prices" className="verb whitespace-nowrap">
            Prices
          </Link>
          <ImportButton onTaken={setChosenId} />
          <Link href="/blanks/make" className="verb whitespace-nowrap">
            By its numbers
          </Link>
          <Link href="/blanks/spec" className="verb whitespace-nowrap">
            From a spec
          </Link>
          <Link href="/blanks/template" className="verb whitespace-nowrap">
            From a template
          </Link>
          <Link href="/blanks/measure" className="action whitespace-nowrap">
            Measure a new one
          </Link>
        </span>
      </div>
      <div className="flex min-h-0 grow">
        <div className="flex min-w-0 grow flex-col">
          <Library
            blanks={found}
            chosenId={chosenId}
            compared={compared}
            onChoose={setChosenId}
            onCompare={compare}
          />
          {side.length > 1 && (
            <Compare
              blanks={side}
              onClose={() => {
                setCompared([]);
              }}
            />
          )}
        </div>
        {chosen && <BlankStrip key={chosen.blank.id} resolved={chosen} onChoose={setChosenId} />}
      </div>
    </>
  );
}

function ImportButton({ onTaken }: { onTaken: (id: string) => void }) {
  const input = useRef<HTMLInputElement>(null);
  const take = async (file: File | undefined) => {
    if (!file) return;
    try {
      const blank = await importBlank(file);
      onTaken(blank.id);
      toast(`“${blank.name}” is in the library.`);
    } catch (error) {
      toast(sentence(error));
    }
  };
  return (
    <>
      <input
        ref={input}
        type="file"
        accept=".json,application/json"
        aria-label="Blank file"
        className="hidden"
        onChange={(event) => {
          void take(event.target.files?.[0]);
          event.target.value = '';
        }}
      />
      <button className="verb" onClick={() => input.current?.click()}>
        Bring in
      </button>
    </>
  );
}
