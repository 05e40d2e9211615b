'use client';
import { KIND_IDS, KINDS } from '@/core/blank/kinds';
import { parseSize } from '@/core/length/parse';
import type { UnitSetting } from '@/core/length/show';
import type { Wanted } from './filter';
import { SearchField } from '@/ui/SearchField';
import { Select } from '@/ui/Select';
import { useShop } from '@/state/shop/shop';

const FIELD = 'border border-rule bg-docket px-2 py-1 text-sm';

/** Looks for blanks by words, kind, method, and the size they must have room for. */
export function FilterBar({
  wanted,
  unit,
  onWant,
}: {
  wanted: Wanted;
  unit: UnitSetting;
  onWant: (wanted: Wanted) => void;
}) {
  const methods = useShop((shop) => shop.methods);
  const size = wanted.room.trim() === '' ? null : parseSize(wanted.room, { unit: unit.unit });
  const wrong = size !== null && !size.ok;
  return (
    <div role="search" className="flex flex-wrap items-center gap-2">
      <SearchField
        label="Search blanks"
        value={wanted.words}
        onSearch={(words) => {
          onWant({ ...wanted, words });
        }}
        className={`${FIELD} w-28`}
      />
      <Select
        label="Kind"
        value={wanted.kind ?? ''}
        choices={[['', 'Any kind'], ...KIND_IDS.map((kind) => [kind, KINDS[kind].name] as const)]}
        onChange={(kind) => {
          onWant({ ...wanted, kind: kind || null });
        }}
        className="text-sm"
      />
      <Select
        label="Method"
        value={wanted.methodId ?? ''}
        choices={[['', 'Any method'], ...[...methods.values()].map(({ id, name }) => [id, name] as const)]}
        onChange={(methodId) => {
          onWant({ ...wanted, methodId: methodId || null });
        }}
        className="text-sm"
      />
      <span className="relative">
        <input
          aria-label="Room for a size"
          aria-invalid={wrong}
          placeholder={unit.unit === 'mm' ? 'Room for 90 x 60 mm' : 'Room for 4 x 2 in'}
          value={wanted.room}
          onChange={(event) => {
            onWant({ ...wanted, room: event.target.value });
          }}
          className={`${FIELD} measure w-36`}
        />
        {wrong && (
          <span
            role="alert"
            className="absolute left-0 top-full z-20 mt-1 w-64 border border-fix bg-docket px-2 py-1 text-sm text-fix"
          >
            {size.message}
          </span>
        )}
      </span>
    </div>
  );
}
