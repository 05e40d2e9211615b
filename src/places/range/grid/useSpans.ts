'use client';
import { useVirtualizer } from '@tanstack/react-virtual';
import { useDeferredValue, useLayoutEffect, type RefObject } from 'react';
import { cellWidth, GROUP_HEIGHT, ROW_HEIGHT, type RowGroup } from './sizes';

/** The rows or columns from one to another, both of them among it. */
export interface Span {
  from: number;
  to: number;
}

/** What comes into sight is drawn with whatever else a frame changes, and not at once for each step of a scroll. */
const TOGETHER = { useFlushSync: false };

/**
 * Which rows and columns are in sight, with a few beyond them, and how wide the columns are. The virtual lists are kept in
 * here: what they give anew at every step of a scroll would otherwise have every cell drawn again.
 */
export function useSpans(
  room: RefObject<HTMLElement | null>,
  count: { rows: number; columns: number },
  groups: readonly RowGroup[],
): { rows: Span; columns: Span; width: number } {
  const down = useVirtualizer({
    count: count.rows,
    getScrollElement: () => room.current,
    estimateSize: (row) => ROW_HEIGHT + (groups.some(({ at }) => at === row) ? GROUP_HEIGHT : 0),
    overscan: 4,
    ...TOGETHER,
  });
  const width = cellWidth(down.scrollRect?.width ?? 0, count.columns);
  const across = useVirtualizer({
    count: count.columns,
    horizontal: true,
    getScrollElement: () => room.current,
    estimateSize: () => width,
    overscan: 2,
    ...TOGETHER,
  });
  // A column's width is the window's, and heads come and go: what was laid out for others is laid out again.
  useLayoutEffect(() => {
    across.measure();
  }, [across, width]);
  useLayoutEffect(() => {
    down.measure();
  }, [down, groups]);
  return {
    rows: useLater(spanOf(down.getVirtualItems())),
    columns: useLater(spanOf(across.getVirtualItems())),
    width,
  };
}

/** The same a little later, so that what comes into sight is drawn bit by bit while the hand scrolls on. */
function useLater({ from, to }: Span): Span {
  return { from: useDeferredValue(from), to: useDeferredValue(to) };
}

function spanOf(items: readonly { index: number }[]): Span {
  return { from: items[0]?.index ?? 0, to: items.at(-1)?.index ?? -1 };
}

/** What is drawn of a span: all of it, and the one that has the focus, so that it keeps it. */
export function drawn({ from, to }: Span, focused: number): number[] {
  const all = Array.from({ length: to - from + 1 }, (_, i) => from + i);
  if (focused < 0 || (focused >= from && focused <= to)) return all;
  return focused < from ? [focused, ...all] : [...all, focused];
}
