import { safeName } from '@/core/pack/names';
import { entryOf } from '@/store/tables';
import type { Aside } from '@/store/read';
import { saveAs } from '../handover/download';
import { commit } from './commit';
import { useShop } from './shop';

export type { Aside };

/** What a record that was set aside is called. */
export function asideName({ table, key, name }: Aside): string {
  return `${entryOf(table).noun} “${name ?? String(key)}”`;
}

/** What it holds, as text; files in it are named by their size. */
export function asideText({ stored }: Aside): string {
  return JSON.stringify(
    stored,
    (_, value: unknown) => (value instanceof Blob ? `a file of ${value.size} bytes` : value),
    2,
  );
}

/** Hands a record out as it is stored. */
export function exportAside(aside: Aside): void {
  saveAs(
    new Blob([asideText(aside)], { type: 'application/json' }),
    `${safeName(`${aside.table} ${aside.name ?? ''}`)}.json`,
  );
}

/** Takes a record out for good; gives back what undoes it. */
export async function removeAside(aside: Aside): Promise<() => Promise<void>> {
  const { undo } = await commit([aside.table], (store) => {
    store.remove(aside.table, aside.key);
  });
  useShop.setState((shop) => ({ aside: shop.aside.filter((one) => one !== aside) }));
  return async () => {
    await undo();
    useShop.setState((shop) => ({ aside: [...shop.aside, aside] }));
  };
}
