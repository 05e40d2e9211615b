'use client';
import Link from 'next/link';
import { useState } from 'react';
import { sentence } from '@/state/sentence';
import { addOutlet, outletsIn } from '@/state/price/outlets';
import { priceTable } from '@/state/price/price-table';
import { addPrices } from '@/state/price/prices';
import { useShop } from '@/state/shop/shop';
import { Segments } from '@/ui/Toggle';
import { toast } from '@/ui/toast';
import { useFilePicker } from '@/ui/useFilePicker';
import { Ask } from '../../shell/Ask';
import { useAsked } from '../../shell/useAsked';
import { MatchColumns } from './MatchColumns';
import { OutletForm } from './OutletForm';
import { PriceTable } from './PriceTable';
import { RateList } from './RateList';

type Part = 'lists' | 'outlets' | 'rates';

/** What houses ask, what selling costs, and what currencies are worth: all by hand, none of it guessed. */
export function PricesPlace() {
  const shop = useShop();
  const [askedOutlet, setOutlet] = useAsked('outlet');
  const [part, setPart] = useState<Part>(askedOutlet === null ? 'lists' : 'outlets');
  const [listId, setList] = useState<string | null>(null);
  const [table, setTable] = useState<{ name: string; rows: string[][] } | null>(null);
  const lists = [...shop.prices.values()].sort((a, b) => a.name.localeCompare(b.name));
  const list = lists.find(({ id }) => id === listId) ?? lists[0];
  const outlets = outletsIn(shop);
  const outlet = outlets.find(({ id }) => id === (askedOutlet ?? shop.settings.outletId)) ?? outlets[0]!;
  const picker = useFilePicker('A table of prices', (file) => {
    priceTable(file).then(
      (rows) => {
        setTable({ name: file.name.replace(/\.[a-z]+$/i, ''), rows });
      },
      (error: unknown) => toast(sentence(error)),
    );
  });
  return (
    <>
      <div className="flex h-[46px] shrink-0 items-center gap-5 border-b border-rule px-4">
        <h1 className="sr-only">Prices</h1>
        <Segments
          label="Prices, places to sell or currencies"
          value={part}
          choices={[
            { value: 'lists', name: `${lists.length} price ${lists.length === 1 ? 'list' : 'lists'}` },
            { value: 'outlets', name: `${outlets.length} places to sell` },
            { value: 'rates', name: 'Currencies' },
          ]}
          className="flex gap-5 text-lg font-bold"
          onChange={setPart}
        />
        <span className="ml-auto flex items-center gap-4">
          {picker.input}
          <Link href="/blanks" className="verb whitespace-nowrap">
            Back to the library
          </Link>
          {part === 'lists' && (
            <>
              <button className="verb whitespace-nowrap" onClick={picker.open}>
                Bring in a table
              </button>
              <Ask
                trigger={<button className="action whitespace-nowrap">New price list</button>}
                label="name of the price list"
                verb="Make it"
                align="end"
                most={120}
                note="Its lines are typed, or brought in from a table."
                onSaid={async (name) => {
                  setList((await addPrices(name, '', [])).id);
                }}
              />
            </>
          )}
          {part === 'outlets' && (
            <Ask
              trigger={<button className="action whitespace-nowrap">New place to sell</button>}
              label="name of the place to sell"
              verb="Make it"
              align="end"
              most={120}
              note="What it costs is unknown until you say it."
              onSaid={async (name) => {
                setOutlet((await addOutlet(name)).id);
              }}
            />
          )}
        </span>
      </div>
      {part === 'lists' &&
        (list ? (
          <PriceTable key={list.id} list={list} lists={lists} onChoose={setList} />
        ) : (
          <div className="mx-auto max-w-[60ch] px-4 pt-32 text-center text-ink-2">
            <p>
              What a house asks for its blanks, with the day it said so: then every fit says what it costs and
              earns.
            </p>
            <p className="pt-3">
              <button className="verb" onClick={picker.open}>
                Bring in a table
              </button>{' '}
              saved as CSV, or make a list and type its lines.
            </p>
          </div>
        ))}
      {part === 'outlets' && (
        <OutletForm key={outlet.id} outlet={outlet} outlets={outlets} onChoose={setOutlet} />
      )}
      {part === 'rates' && <RateList />}
      {table && (
        <MatchColumns
          name={table.name}
          table={table.rows}
          onTaken={(taken) => {
            setList(taken.id);
            setPart('lists');
            setTable(null);
          }}
          onClose={() => {
            setTable(null);
          }}
        />
      )}
    </>
  );
}
