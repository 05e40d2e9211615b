'use client';
import { SearchField } from '@/ui/SearchField';
import { Select } from '@/ui/Select';
import { ORDERS, type Order } from './order';

interface Props {
  whole: number;
  shown: number;
  search: string;
  order: Order;
  onSearch: (text: string) => void;
  onOrder: (order: Order) => void;
  onFiles: () => void;
  onFolder: () => void;
}

/** How many there are, the way to one of them, and the way to more. */
export function ArtworkBar(props: Props) {
  const { whole, shown, search, order, onSearch, onOrder, onFiles, onFolder } = props;
  return (
    <div className="flex h-[46px] shrink-0 items-center gap-5 border-b border-rule px-4">
      <h1 className="shrink-0 text-lg font-bold">
        {whole} {whole === 1 ? 'artwork' : 'artworks'}
      </h1>
      {whole > 1 && (
        <>
          <SearchField
            label="Search artwork"
            placeholder="search by name, format or colour"
            value={search}
            onSearch={onSearch}
            className="w-60 border border-rule bg-docket px-2 py-1"
          />
          {search.trim() !== '' && <span className="measure text-sm text-ink-2">{shown} found</span>}
          <span className="flex items-center gap-2 text-sm text-ink-2">
            In order of
            <Select
              label="In order of"
              value={order}
              choices={ORDERS.map((one) => [one, one])}
              onChange={onOrder}
              className="text-ink"
            />
          </span>
        </>
      )}
      <span className="ml-auto flex shrink-0 gap-3">
        <button className="action-2" onClick={onFolder}>
          Add a folder
        </button>
        <button className="action" onClick={onFiles}>
          Add artwork
        </button>
      </span>
    </div>
  );
}
