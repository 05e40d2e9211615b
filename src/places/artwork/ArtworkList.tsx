'use client';
import { useVirtualizer } from '@tanstack/react-virtual';
import { useEffect, useRef } from 'react';
import type { Artwork } from './types';
import { useMenuAt } from '@/ui/Menu';
import { ArtworkRow } from './ArtworkRow';
import { PointedLines } from './PointedLines';

/** Height of a row in px. */
const ROW = 74;

interface Props {
  list: readonly Artwork[];
  chosenId: string | null;
  onChoose: (id: string) => void;
}

/** All artworks, a row each; only those in sight are drawn, so that hundreds open at once. */
export function ArtworkList({ list, chosenId, onChoose }: Props) {
  const room = useRef<HTMLDivElement>(null);
  const rows = useVirtualizer({
    count: list.length,
    getScrollElement: () => room.current,
    estimateSize: () => ROW,
    overscan: 6,
  });
  const at = list.findIndex(({ id }) => id === chosenId);
  const scroll = rows.scrollToIndex;
  useEffect(() => {
    if (at >= 0) scroll(at);
  }, [at, scroll]);
  const step = (by: number) => {
    const next = list[Math.min(list.length - 1, Math.max(0, at + by))];
    if (next) onChoose(next.id);
  };
  const pointed = useMenuAt(
    'What can be done with the artwork',
    (on) => list.find(({ id }) => on.closest(`#artwork-${CSS.escape(id)}`)) ?? null,
    (artwork) => <PointedLines artwork={artwork} />,
  );
  if (list.length === 0) return <p className="w-[404px] shrink-0 p-4 text-ink-2">Nothing is called that.</p>;
  return (
    <>
      <div
        ref={room}
        role="listbox"
        tabIndex={0}
        aria-label="Artwork"
        aria-activedescendant={chosenId ? `artwork-${chosenId}` : undefined}
        onKeyDown={(event) => {
          const by = {
            ArrowDown: 1,
            ArrowUp: -1,
            PageDown: 8,
            PageUp: -8,
            Home: -list.length,
            End: list.length,
          };
          const moved = (by as Partial<Record<string, number>>)[event.key];
          if (moved === undefined) return;
          event.preventDefault();
          step(moved);
        }}
        className="w-[404px] shrink-0 overflow-auto border-r border-rule outline-offset-[-3px]"
        onContextMenu={pointed.onContextMenu}
      >
        <div className="relative" style={{ height: rows.getTotalSize() }}>
          {rows.getVirtualItems().map(({ index, start }) => {
            const artwork = list[index]!;
            return (
              <div
                key={artwork.id}
                id={`artwork-${artwork.id}`}
                role="option"
                aria-selected={artwork.id === chosenId}
                aria-setsize={list.length}
                aria-posinset={index + 1}
                onClick={() => {
                  onChoose(artwork.id);
                }}
                className="absolute inset-x-0 cursor-pointer"
                style={{ height: ROW, transform: `translateY(${start}px)` }}
              >
                <ArtworkRow artwork={artwork} chosen={artwork.id === chosenId} />
              </div>
            );
          })}
        </div>
      </div>
      {pointed.menu}
    </>
  );
}
