import { useVirtualizer } from '@tanstack/react-virtual';
import { useMemo, useRef, useState } from 'react';
import type { Fit } from '@/core/fit/schema';
import { blankOf } from '@/state/shop/library';
import { useShop, type Shop } from '@/state/shop/shop';
import { Checkbox } from '@/ui/Checkbox';
import { Hint } from '@/ui/Hint';
import { SearchField } from '@/ui/SearchField';

interface Listed {
  fit: Fit;
  design: string;
  blank: string;
}
type Line = Listed | { key: string; head: string };

/** How high a line is, in px. */
const LINE = 28;
/** How many fits are found by looking alone. */
const FEW = 15;

/** The fits that are pictured: what was ticked last is shown first, and in front where several stand together. */
export function FitList({
  fits,
  chosenIds,
  onChoose,
}: {
  fits: readonly Fit[];
  chosenIds: readonly string[];
  onChoose: (ids: readonly string[]) => void;
}) {
  const shop = useShop();
  const room = useRef<HTMLUListElement>(null);
  const [words, setWords] = useState('');
  const all = useMemo(() => listedOf(fits, shop), [fits, shop]);
  const lines = useMemo(() => linesOf(all, words), [all, words]);
  const chosen = new Set(chosenIds);
  // It begins where the one is that it was come for.
  const [first] = useState(() => lines.findIndex((line) => 'fit' in line && chosen.has(line.fit.id)));
  const rows = useVirtualizer({
    count: lines.length,
    getScrollElement: () => room.current,
    estimateSize: () => LINE,
    overscan: 12,
    initialOffset: LINE * Math.max(0, first - 4),
  });
  return (
    <nav
      aria-label="Fits"
      className="flex w-[248px] shrink-0 flex-col border-r border-rule bg-frame px-4 py-2"
    >
      <p className="shrink-0 pb-1 text-sm text-ink-2">
        {chosenIds.length} of {fits.length} chosen
      </p>
      {fits.length > FEW && (
        <SearchField
          label="Fits to be pictured"
          placeholder="design, blank"
          value={words}
          onSearch={setWords}
          className="mb-1 w-full shrink-0 border-b border-ink bg-docket px-1 py-0.5 placeholder:text-ink-2"
        />
      )}
      {lines.length === 0 && <p className="py-1 text-sm text-ink-2">None has these words.</p>}
      <ul ref={room} aria-label="Fits by design" className="relative min-h-0 grow overflow-auto">
        <li aria-hidden style={{ height: rows.getTotalSize() }} />
        {rows.getVirtualItems().map(({ index, start }) => {
          const line = lines[index]!;
          return (
            <li
              key={'fit' in line ? line.fit.id : line.key}
              className="absolute left-0 w-full"
              style={{ top: start, height: LINE }}
            >
              {'head' in line ? (
                <Hint words={line.head}>
                  <p className="truncate border-t border-rule pt-1 font-semibold">{line.head}</p>
                </Hint>
              ) : (
                <Checkbox
                  checked={chosen.has(line.fit.id)}
                  onChange={(on) => {
                    onChoose(on ? [line.fit.id, ...chosenIds] : chosenIds.filter((id) => id !== line.fit.id));
                  }}
                  className="w-full text-sm"
                >
                  <span className="sr-only">{line.design} on </span>
                  {line.blank}
                </Checkbox>
              )}
            </li>
          );
        })}
      </ul>
    </nav>
  );
}

/** Fits by their designs, in the order of the range. */
function listedOf(fits: readonly Fit[], shop: Shop): Listed[] {
  const place = new Map(
    [...shop.designs.values()].sort((a, b) => a.order - b.order).map(({ id }, at) => [id, at]),
  );
  const at = ({ designId }: Fit) => place.get(designId) ?? -1;
  return [...fits]
    .sort((a, b) => at(a) - at(b))
    .map((fit) => {
      const blank = blankOf(fit, shop)?.blank.name ?? fit.blankId;
      return {
        fit,
        design: shop.designs.get(fit.designId)?.name ?? '',
        blank: fit.version ? `${blank}, ${fit.version.name}` : blank,
      };
    });
}

/** Those that have the words, each design's under its name. */
function linesOf(all: readonly Listed[], words: string): Line[] {
  const wanted = words.trim().toLowerCase();
  const found = all.filter(({ design, blank }) => `${design} ${blank}`.toLowerCase().includes(wanted));
  return found.flatMap((one, i): Line[] => {
    const { designId } = one.fit;
    if (found[i - 1]?.fit.designId === designId) return [one];
    return [{ key: `design ${designId}`, head: one.design }, one];
  });
}
