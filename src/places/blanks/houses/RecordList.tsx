'use client';
import type { HouseSpec, Method } from '@/core/blank/schema';
import { showLength } from '@/core/length/show';
import { titleOf, usesOf, type Written } from '@/state/shop/houses';
import { useShop } from '@/state/shop/shop';

/** Houses or methods by name, each with what tells it from the others. */
export function RecordList({
  table,
  list,
  chosenId,
  onChoose,
}: {
  table: Written;
  list: readonly (HouseSpec | Method)[];
  chosenId: string | null;
  onChoose: (id: string) => void;
}) {
  const shop = useShop();
  const { unit } = shop.settings;
  const uses = usesOf(table, shop);
  const facts = (record: HouseSpec | Method) =>
    record.upfit === 'spec/1'
      ? `bleed ${showLength(record.bleed.value, unit)} · safe ${showLength(record.safe.value, unit)} · ${record.files.formats.value.join(', ').toUpperCase()}`
      : `stroke ${record.limits.stroke} mm · ${record.limits.inks === null ? 'any inks' : `${record.limits.inks} inks`} · ${record.mirrored ? 'mirrored' : 'direct'}`;
  if (list.length === 0)
    return (
      <p className="w-[290px] shrink-0 border-r border-rule bg-docket p-4 text-ink-2">None is called so.</p>
    );
  return (
    <ul
      aria-label={table === 'specs' ? 'Houses' : 'Methods'}
      className="w-[290px] shrink-0 overflow-auto border-r border-rule bg-docket"
    >
      {list.map((record) => {
        const { blanks, fits } = uses(record.id);
        return (
          <li key={record.id}>
            <button
              aria-current={record.id === chosenId}
              className={`block w-full border-b border-rule px-4 py-1.5 text-left ${record.id === chosenId ? 'bg-frame shadow-[inset_4px_0_0_var(--thread)]' : ''}`}
              onClick={() => {
                onChoose(record.id);
              }}
            >
              <span className="block truncate font-semibold">{titleOf(record)}</span>
              <span className="measure block truncate text-sm text-ink-2">{facts(record)}</span>
              <span className="measure block truncate text-sm text-ink-2">
                {blanks} {blanks === 1 ? 'blank' : 'blanks'}, {fits} {fits === 1 ? 'fit' : 'fits'}
              </span>
            </button>
          </li>
        );
      })}
    </ul>
  );
}
