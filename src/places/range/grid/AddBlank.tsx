'use client';
import { useState } from 'react';
import type { ResolvedBlank } from '@/core/blank/resolve';
import { addColumn } from '@/state/shop/columns';
import { useShop } from '@/state/shop/shop';
import { SearchField } from '@/ui/SearchField';
import { Popup } from '@/ui/Popup';
import { tellDone } from '@/ui/tell';
import { fitsOn, holds, sizeInWords } from './words';

/** Blanks that are no column yet, to be added one after another: first those that hold fits, which come back with them. */
export function AddBlank({ spare }: { spare: readonly ResolvedBlank[] }) {
  return (
    <Popup trigger={<button className="verb">Add a blank</button>} align="end" className="w-[360px]">
      <SpareList spare={spare} />
    </Popup>
  );
}

function SpareList({ spare }: { spare: readonly ResolvedBlank[] }) {
  const fits = useShop((shop) => shop.fits);
  const unit = useShop((shop) => shop.settings.unit);
  const [search, setSearch] = useState('');
  const asked = search.trim().toLowerCase();
  const list = spare
    .filter(({ blank }) => blank.name.toLowerCase().includes(asked))
    .map((one) => ({ one, held: fitsOn(fits.values(), one.blank.id) }))
    .sort((a, b) => Number(b.held > 0) - Number(a.held > 0));
  return (
    <>
      <SearchField
        label="Search blanks by name"
        placeholder="search blanks"
        value={search}
        onSearch={setSearch}
        className="w-full border-b border-ink bg-docket px-1 py-1"
      />
      <ul aria-label="Blanks to add" tabIndex={0} className="mt-2 max-h-[50vh] overflow-auto">
        {list.map(({ one, held }) => (
          <li key={one.blank.id}>
            <button
              className="flex w-full items-baseline gap-3 px-1 py-1 text-left hover:bg-frame"
              onClick={() =>
                void addColumn(one.blank.id).then((undo) => {
                  tellDone(`${one.blank.name} is the last column.`, undo);
                })
              }
            >
              <span className="min-w-0 grow">
                <span className="block truncate font-semibold">{one.blank.name}</span>
                {held > 0 && <span className="block text-xs text-ink-2">{holds(held)}</span>}
              </span>
              <span className="measure shrink-0 text-ink-2">{sizeInWords(one, unit)}</span>
            </button>
          </li>
        ))}
        {list.length === 0 && <li className="px-1 py-1 text-ink-2">No blank here is called that.</li>}
      </ul>
    </>
  );
}
