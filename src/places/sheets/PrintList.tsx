'use client';
import type { Print } from '@/core/sheet/print';
import type { Sheet, SheetItem } from '@/core/sheet/schema';
import { showSize } from '@/core/length/show';
import { isTransfer } from '@/state/handover/sheets';
import { useShop } from '@/state/shop/shop';
import { Hint } from '@/ui/Hint';
import { SearchMenu } from '@/ui/SearchMenu';

/** What lies on a sheet: prints, and how many of each. */
export function PrintList({
  sheet,
  prints,
  onChange,
}: {
  sheet: Sheet;
  prints: readonly Print[];
  onChange: (change: Partial<Sheet>) => void;
}) {
  const unit = useShop((shop) => shop.settings.unit);
  const byKey = new Map(prints.map((print) => [keyOf(print), print]));
  const onSheet = new Set(sheet.items.map(keyOf));
  const free = prints.filter((print) => !onSheet.has(keyOf(print)));
  const add = (print: Print) => {
    const first = sheet.items.length === 0;
    onChange({
      items: [...sheet.items, { fitId: print.fitId, faceId: print.faceId, copies: 1 }],
      placed: null,
      ...(first && { mirrored: isTransfer(print.fitId, useShop.getState()) }),
    });
  };
  const set = (index: number, copies: number) => {
    onChange({
      items: sheet.items.map((item, i) => (i === index ? { ...item, copies } : item)),
      placed: null,
    });
  };
  return (
    <section aria-label="Prints" className="flex w-[290px] shrink-0 flex-col border-r border-rule bg-docket">
      <ul className="min-h-0 grow overflow-auto px-4">
        {sheet.items.map((item, index) => {
          const print = byKey.get(keyOf(item));
          return (
            <li key={keyOf(item)} className="border-b border-rule py-1.5">
              <div className="flex items-baseline gap-2">
                <input
                  aria-label={`Copies of ${print?.name ?? 'a print that is gone'}`}
                  inputMode="numeric"
                  defaultValue={item.copies}
                  key={item.copies}
                  onBlur={(event) => {
                    const copies = Number(event.target.value);
                    if (Number.isInteger(copies) && copies >= 0 && copies <= 2000) {
                      if (copies !== item.copies) set(index, copies);
                    } else event.target.value = String(item.copies);
                  }}
                  onKeyDown={(event) => {
                    if (event.key === 'Enter') event.currentTarget.blur();
                  }}
                  className="measure w-12 bg-tape-pale px-1 text-right font-semibold text-on-tape"
                />
                <Hint words={print?.name}>
                  <span className="min-w-0 grow truncate font-semibold">
                    {print?.name ?? 'no longer here'}
                  </span>
                </Hint>
                <button
                  className="verb text-sm"
                  aria-label={`Take ${print?.name ?? 'this'} off the sheet`}
                  onClick={() => {
                    onChange({ items: sheet.items.filter((_, i) => i !== index), placed: null });
                  }}
                >
                  off
                </button>
              </div>
              {print && (
                <p className="measure pl-14 text-sm text-ink-2">
                  {showSize(print.width, print.height, unit)} with bleed
                </p>
              )}
            </li>
          );
        })}
      </ul>
      <div className="shrink-0 border-t border-rule px-4 py-2">
        {prints.length === 0 ? (
          <p className="text-sm text-ink-2">Nothing is fitted yet: put a design on a blank in the range.</p>
        ) : (
          <SearchMenu
            label="Design, blank"
            groups={[
              {
                heading: 'Prints',
                items: free.map((print) => ({
                  id: keyOf(print),
                  name: print.name,
                  keys: showSize(print.width, print.height, unit),
                  run: () => {
                    add(print);
                  },
                })),
              },
            ]}
            trigger={
              <button className="verb" disabled={free.length === 0}>
                Add a print…
              </button>
            }
          />
        )}
      </div>
    </section>
  );
}

function keyOf({ fitId, faceId }: Print | SheetItem): string {
  return `${fitId}/${faceId}`;
}
