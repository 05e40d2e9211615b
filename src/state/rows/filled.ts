import type { Fit } from '@/core/fit/schema';
import { fillFit, type FilledRow, type Filling } from '@/core/rows/fill';
import { doubledRows, rowName } from '@/core/rows/list';
import { columnFor, type List } from '@/core/rows/schema';
import { slotNames } from '@/core/rows/slots';
import { keptName, uniqueNames } from '@/core/pack/names';
import { lacking, lay } from '../bench/type';
import { useShop } from '../shop/shop';
import { withOwnCuts } from '../bench/cutting';

export type { FilledRow };

/** Rows that are filled before a screen of them is drawn the first time, and anew. */
const FIRST = 16;
const AT_ONCE = 250;

/**
 * Fills a fit's slots from each row of a list, in order; `onFilled` hears of the rows that there are so far. Ends early where
 * it is stopped. Throws where a font is gone.
 */
export async function fillRows(
  fit: Fit,
  list: List,
  { signal, onFilled }: { signal: AbortSignal; onFilled: (rows: readonly FilledRow[]) => void },
): Promise<void> {
  const { artworks } = useShop.getState();
  const byName = new Map<string, string>();
  for (const { id, facts } of artworks.values()) {
    byName.set(facts.name.toLowerCase(), id);
    const stem = facts.name.replace(/\.[a-z0-9]+$/i, '').toLowerCase();
    if (!byName.has(stem)) byName.set(stem, id);
  }
  const filling: Filling = {
    lay,
    lacking,
    artworkNamed: (name) => byName.get(name.toLowerCase()) ?? null,
    factsOf: (id) => artworks.get(id)!.facts,
  };
  const slots = slotNames(fit);
  const doubled = doubledRows(list, slots, (slot) => columnFor(list, slot));
  const filled: FilledRow[] = [];
  for (const [i, cells] of list.rows.entries()) {
    if (signal.aborted) return;
    const row = await withItsCuts(await fillFit(fit, (slot) => cellOf(list, cells, slot), filling), signal);
    const before = doubled[i];
    if (typeof before === 'number')
      row.problems.push({
        column: list.columns[columnFor(list, slots[0]!)] ?? '',
        message: `Row ${before} says the same.`,
      });
    filled.push(row);
    const { length } = filled;
    if (length === FIRST || length % AT_ONCE === 0 || length === list.rows.length) onFilled([...filled]);
  }
}

/** Where a blank is cut to its art, other words are cut by another line. */
async function withItsCuts(row: FilledRow, signal: AbortSignal): Promise<FilledRow> {
  return row.fit ? { ...row, fit: await withOwnCuts(row.fit, { signal }) } : row;
}

function cellOf(list: List, cells: readonly string[], slot: string) {
  const at = columnFor(list, slot);
  return { column: list.columns[at] ?? slot, text: cells[at] ?? '' };
}

/** What rows' files are called, without their ending: by the list's pattern, each once. */
export function rowNames(list: List, fit: Fit, design: string): string[] {
  const pattern = list.pattern || usualPattern(fit);
  const slots = slotNames(fit);
  // A slot's name stands for the column that fills it, too.
  const columns = [...list.columns, ...slots];
  return uniqueNames(
    list.rows.map((cells, i) => {
      const all = [...cells, ...slots.map((slot) => cells[columnFor(list, slot)] ?? '')];
      return keptName(rowName(pattern, { columns }, all, i + 1, design), `row-${i + 1}`);
    }),
  );
}

/** The pattern of a list that has none of its own. */
export function usualPattern(fit: Fit): string {
  const [first] = slotNames(fit);
  return first === undefined ? '{design}_{row}' : `{design}_{${first}}`;
}
