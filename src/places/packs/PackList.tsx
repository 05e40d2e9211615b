'use client';
import { showBytes } from '@/core/length/bytes';
import { worst } from '@/core/check/finding';
import type { StoredPack } from '@/core/pack/record';
import { VerdictShape } from '@/ui/Verdict';
import { sayDay, sayOrder } from './words';

/** Every pack, the newest first, with where it stands. */
export function PackList({
  list,
  chosenId,
  onChoose,
}: {
  list: readonly StoredPack[];
  chosenId: string | null;
  onChoose: (id: string) => void;
}) {
  return (
    <ul aria-label="Packs" className="w-[300px] shrink-0 overflow-auto border-r border-rule bg-docket">
      {list.map(({ id, manifest, bytes, orders }) => (
        <li key={id}>
          <button
            aria-current={id === chosenId}
            className={`block w-full border-b border-rule px-4 py-2 text-left ${id === chosenId ? 'bg-frame shadow-[inset_4px_0_0_var(--thread)]' : ''}`}
            onClick={() => {
              onChoose(id);
            }}
          >
            <span className="flex items-center gap-2">
              <VerdictShape verdict={worst(manifest.fits)} />
              <span className="truncate font-semibold">{manifest.name}</span>
            </span>
            <span className="measure block truncate text-sm text-ink-2">
              {sayDay(manifest.made)} · {manifest.fits.length} {manifest.fits.length === 1 ? 'fit' : 'fits'} ·{' '}
              {showBytes(bytes)}
            </span>
            <span className="block truncate text-sm">{sayOrder(orders.at(-1))}</span>
          </button>
        </li>
      ))}
    </ul>
  );
}
